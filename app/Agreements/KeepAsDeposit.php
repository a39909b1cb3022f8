<?php

declare(strict_types=1);

namespace Elmstone\Agreements;

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

/** What is paid on an agreement becomes a free deposit of the same customer. In a posting, both locked. */
final class KeepAsDeposit
{
    public function __construct(
        private readonly Books $books,
        private readonly HeldLedger $ledger,
        private readonly PaymentDraft $payments,
    ) {
    }

    public function handle(
        Agreement $agreement,
        HeldAccount $account,
        Money $amount,
        PostedAt $at,
        string $key,
        string $note,
    ): int {
        $document = $this->books->document(
            $this->payments->draft(
                DocumentKind::Adjustment,
                MoneyEntry::kept($amount, $agreement->account->kind),
                $at,
                new Party($agreement->customer_id, $agreement->customer->name),
                $key,
                note: $note,
            ),
        );
        $this->ledger->take($agreement->account, $document, $amount, $at->day, Movement::Moved);
        $agreement->unsetRelation('entries');
        $this->ledger->put($account, $document, $amount, $at->day, Movement::Moved);

        return $document;
    }
}
