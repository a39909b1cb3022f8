<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Books\HeldKind;
use Elmstone\Core\Money\Money;
use Elmstone\Held\Ledger\HeldEntry;
use Elmstone\Held\Ledger\Movement;
use Elmstone\Receivables\Payments\TakesBackHeld;

/** A payment on layaways whose cheque came back is open again, as long as their goods are still here. */
final class TakeBackPayment implements TakesBackHeld
{
    public function __construct(private readonly LayawayLedger $ledger, private readonly ChangeLayaway $change)
    {
    }

    public function kind(): HeldKind
    {
        return HeldKind::Layaway;
    }

    public function lock(Document $receipt): void
    {
        $this->paid($receipt);
    }

    /** What was paid on layaways that are still open: of goods that have left, the customer owes it. */
    public function room(Document $receipt): Money
    {
        return Money::sum(
            array_map(static fn (array $open): Money => $open[1], $this->open($receipt)),
            $receipt->currency(),
        );
    }

    public function takeBack(Document $receipt, int $return, Money $amount, CarbonImmutable $day): void
    {
        foreach ($this->open($receipt) as [$layaway, $paid]) {
            $part = Money::min($amount, $paid);

            if ($part->isPositive()) {
                $amount = $amount->minus($part);
                $this->ledger->comeBack($layaway, $return, $part, $day);
                $layaway->paid_before->exceeds($layaway->held())
                    ? $this->change->shareOutAnew($layaway)
                    : $this->ledger->settle($layaway);
            }
        }
    }

    /** @return list<array{Layaway, Money}> */
    private function open(Document $receipt): array
    {
        return array_values(
            array_filter($this->paid($receipt), static fn (array $paid): bool => $paid[0]->state->isOpen()),
        );
    }

    /** @return list<array{Layaway, Money}> what it paid on which layaways, locked in the order of their ids */
    private function paid(Document $receipt): array
    {
        if (! $receipt->held(HeldKind::Layaway)->isPositive()) {
            return [];
        }

        $paid = HeldEntry::query()
            ->where('document_id', $receipt->id)
            ->where('movement', Movement::In)
            ->whereRelation('account', 'kind', HeldKind::Layaway)
            ->pluck('amount', 'account_id');
        $ids = Layaway::query()->without('account')->whereIn('account_id', $paid->keys())->pluck('id');
        $layaways = $this->ledger->lockAll(array_values(array_map(intval(...), $ids->all())));

        return array_values(
            array_map(static fn (Layaway $layaway): array => [$layaway, $paid[$layaway->account_id]], $layaways),
        );
    }
}
