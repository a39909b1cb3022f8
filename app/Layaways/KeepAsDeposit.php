<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\MoneyEntry;
use Elmstone\Books\Drafts\Party;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Register;
use Elmstone\Deposits\DepositAccount;
use Elmstone\Deposits\DepositLedger;
use Elmstone\Receivables\Ledger\PaymentDraft;
use Elmstone\Shop\House;

/** Layaway money becomes a free deposit of the same customer. Inside a transaction, both locked. */
final class KeepAsDeposit
{
    public function __construct(
        private readonly House $house,
        private readonly Register $register,
        private readonly LayawayLedger $ledger,
        private readonly DepositLedger $deposits,
        private readonly PaymentDraft $payments,
    ) {
    }

    /** @param  int  $amount minor units, above zero */
    public function handle(
        Layaway $layaway,
        DepositAccount $account,
        int $amount,
        PostedAt $at,
        string $key,
        string $note,
    ): int {
        $document = $this->register->post(
            $this->payments->draft(
                DocumentKind::Adjustment,
                MoneyEntry::kept($this->house->money($amount)),
                $at,
                new Party($layaway->customer_id, $layaway->customer->name),
                $key,
                note: $note,
            ),
        );
        $this->ledger->leave($layaway, $document, EntryKind::Moved, $amount, $at->day);
        $this->deposits->put($account, $document, $amount, '', $at->day);

        return $document;
    }
}
