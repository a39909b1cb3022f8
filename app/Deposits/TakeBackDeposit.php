<?php

declare(strict_types=1);

namespace Elmstone\Deposits;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Core\Money\Money;
use Elmstone\Receivables\Payments\TakesBackHeld;
use Illuminate\Support\Facades\DB;

/** A deposit whose receipt is taken back is not held any more, as far as it still is. */
final class TakeBackDeposit implements TakesBackHeld
{
    public function __construct(private readonly DepositLedger $ledger)
    {
    }

    public function part(): string
    {
        return 'deposit';
    }

    public function lock(Document $receipt): void
    {
        if ($receipt->deposit_change > 0 && $receipt->customer_id !== null) {
            $this->ledger->lock($receipt->customer_id);
        }
    }

    public function room(Document $receipt): Money
    {
        $held = $receipt->customer_id === null
                ? 0
                : DepositsHeld::of($receipt->customer_id)->parts[self::keptFor($receipt)] ?? 0;

        return $receipt->money(min(max(0, $receipt->deposit_change), $held));
    }

    public function takeBack(Document $receipt, int $return, Money $amount, CarbonImmutable $day): void
    {
        if ($receipt->customer_id !== null && $amount->isPositive()) {
            $this->ledger->take(
                $this->ledger->lock($receipt->customer_id),
                $return,
                $amount->minor,
                $day,
                self::keptFor($receipt),
            );
        }
    }

    /** The order it is kept for; empty: it is free. */
    private static function keptFor(Document $receipt): string
    {
        $keptFor = DB::table('deposit_entries')
            ->where('document_id', $receipt->id)
            ->where('amount', '>', 0)
            ->value('kept_for');

        return is_string($keptFor) ? $keptFor : '';
    }
}
