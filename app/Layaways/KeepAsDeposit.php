<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Elmstone\Books\Books;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\MoneyEntry;
use Elmstone\Books\Drafts\Party;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Core\Money\Money;
use Elmstone\Held\Ledger\HeldAccount;
use Elmstone\Held\Ledger\HeldLedger;
use Elmstone\Held\Ledger\Movement;
use Elmstone\Receivables\Ledger\PaymentDraft;

/** Layaway money becomes a free deposit of the same customer. Inside a transaction, both locked. */
final class KeepAsDeposit
{
    public function __construct(
        private readonly Books $books,
        private readonly LayawayLedger $ledger,
        private readonly HeldLedger $deposits,
        private readonly PaymentDraft $payments,
    ) {
    }

    public function handle(
        Layaway $layaway,
        HeldAccount $account,
        Money $amount,
        PostedAt $at,
        string $key,
        string $note,
    ): int {
        $document = $this->books->document(
            $this->payments->draft(
                DocumentKind::Adjustment,
                MoneyEntry::kept($amount),
                $at,
                new Party($layaway->customer_id, $layaway->customer->name),
                $key,
                note: $note,
            ),
        );
        $this->ledger->leave($layaway, $document, Movement::Moved, $amount, $at->day);
        $this->deposits->put($account, $document, $amount, $at->day, Movement::Moved);

        return $document;
    }
}
