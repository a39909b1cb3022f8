<?php

declare(strict_types=1);

namespace Elmstone\Held\Ledger;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Books\HeldKind;
use Elmstone\Core\Money\Money;
use Elmstone\Receivables\Payments\TakesBackHeld;

/** A deposit whose receipt is taken back is not held any more, as far as it still is. */
final class TakeBackDeposit implements TakesBackHeld
{
    public function __construct(private readonly HeldLedger $ledger)
    {
    }

    public function kind(): HeldKind
    {
        return HeldKind::Deposit;
    }

    public function lock(Document $receipt): void
    {
        if ($receipt->customer_id !== null && $receipt->held(HeldKind::Deposit)->isPositive()) {
            $this->ledger->lock(HeldKind::Deposit, $receipt->customer_id);
        }
    }

    public function room(Document $receipt): Money
    {
        $brought = $receipt->held(HeldKind::Deposit);

        return $receipt->customer_id === null || ! $brought->isPositive()
            ? $receipt->none()
            : Money::min(
                $brought,
                KeptFor::ofCustomer(HeldKind::Deposit, $receipt->customer_id)->for(self::order($receipt)),
            );
    }

    public function takeBack(Document $receipt, int $return, Money $amount, CarbonImmutable $day): void
    {
        if ($receipt->customer_id !== null && $amount->isPositive()) {
            $account = $this->ledger->lock(HeldKind::Deposit, $receipt->customer_id);
            $this->ledger->take($account, $return, $amount, $day, Movement::Returned, self::order($receipt));
        }
    }

    /** The order it is kept for; empty: it is free. */
    private static function order(Document $receipt): string
    {
        return HeldEntry::query()
            ->where('document_id', $receipt->id)
            ->where('amount', '>', 0)
            ->whereRelation('account', 'kind', HeldKind::Deposit)
            ->first()->kept_for ?? '';
    }
}
