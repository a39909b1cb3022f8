<?php

declare(strict_types=1);

namespace Elmstone\Deposits;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Receivables\TakesBackHeld;
use Illuminate\Support\Facades\DB;

/** A deposit whose cheque came back is not held any more. */
final class TakeBackDeposit implements TakesBackHeld
{
    public function __construct(private readonly DepositLedger $ledger)
    {
    }

    public function lock(Document $receipt): void
    {
        if ($receipt->deposit_change > 0 && $receipt->customer_id !== null) {
            $this->ledger->lock($receipt->customer_id);
        }
    }

    public function takeBack(Document $receipt, int $return, CarbonImmutable $day): void
    {
        if ($receipt->deposit_change <= 0 || $receipt->customer_id === null) {
            return;
        }

        $keptFor = DB::table('deposit_entries')->where('document_id', $receipt->id)->where('amount', '>', 0)->value('kept_for');
        $this->ledger->take($this->ledger->lock($receipt->customer_id), $return, $receipt->deposit_change, $day, is_string($keptFor) ? $keptFor : '');
    }
}
