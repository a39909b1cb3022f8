<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\LikelyNotes;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Shop\House;

/** What of a slip is still due, and what of it each way can still pay. */
final readonly class StillDue
{
    public function __construct(private ReckonedCounter $reckoned, private House $house)
    {
    }

    /** The most of the deposits held that can still be used. */
    public function usableDeposit(): Money
    {
        return $this->upTo(
            $this->dueBeside(TenderKind::DepositHeld),
            $this->reckoned->slip->deposits?->free() ?? $this->house->money(0),
        );
    }

    /** The most of their store credit that can still be used. */
    public function usableStoreCredit(): Money
    {
        return $this->upTo(
            $this->dueBeside(TenderKind::StoreCredit),
            $this->reckoned->slip->storeCredit ?? $this->house->money(0),
        );
    }

    /** The most that can still be charged to the account: what is sold and not settled otherwise. */
    public function chargeable(): Money
    {
        return $this->upTo($this->dueBeside(TenderKind::HouseAccount), $this->mostCharged());
    }

    /** What is left when all other ways are counted. */
    private function dueBeside(TenderKind $kind): Money
    {
        $others = array_filter($this->reckoned->tenders(), static fn (Tender $tender): bool => $tender->kind !== $kind);
        $amounts = array_map(static fn (Tender $tender): Money => $tender->amount, $others);

        return $this->reckoned->payable()->minus(Money::sum($amounts, $this->house->currency()));
    }

    private function upTo(Money $due, Money $most): Money
    {
        $left = Money::min($due, $most);

        return $left->isNegative() ? $this->house->money(0) : $left;
    }

    /** What is sold here and not paid with goods that come back. */
    public function mostCharged(): Money
    {
        $sold = $this->reckoned->saleTotal();

        return $this->reckoned->refund === null
            ? $sold
            : $sold->minus(Money::min($sold, $this->reckoned->refund->exchanged));
    }

    /** What is left when all but cash is counted. */
    public function dueInCash(): Money
    {
        return $this->dueBeside(TenderKind::Cash);
    }

    /** @return list<Money> */
    public function likelyNotes(): array
    {
        $due = $this->dueInCash();

        return LikelyNotes::for(
            $due->isPositive() ? $this->house->cashStep()?->nearest($due) ?? $due : $due,
            $this->house->notes(),
        );
    }
}
