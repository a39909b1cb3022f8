<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Core\Money\Money;
use Elmstone\Receivables\Payments\TakesBackHeld;

/** A payment on layaways whose cheque came back is open again, as long as their goods are still here. */
final class TakeBackPayment implements TakesBackHeld
{
    public function __construct(private readonly LayawayLedger $ledger, private readonly ChangeLayaway $change)
    {
    }

    public function lock(Document $receipt): void
    {
        $this->locked($receipt);
    }

    public function part(): string
    {
        return 'layaway';
    }

    /** What was paid on layaways that are still open: of goods that have left, the customer owes it. */
    public function room(Document $receipt): Money
    {
        $room = 0;

        foreach ($this->open($receipt) as [$entry]) {
            $room += $entry->amount;
        }

        return $receipt->money($room);
    }

    public function takeBack(Document $receipt, int $return, Money $amount, CarbonImmutable $day): void
    {
        $left = $amount->minor;

        foreach ($this->open($receipt) as [$entry, $layaway]) {
            $part = min($left, $entry->amount);

            if ($part > 0) {
                $left -= $part;
                $this->ledger->comeBack($layaway, $return, $part, $day);
                $layaway->held < $layaway->paid_before
                    ? $this->change->shareOutAnew($layaway)
                    : $this->ledger->settle($layaway);
            }
        }
    }

    /** @return list<array{LayawayEntry, Layaway}> */
    private function open(Document $receipt): array
    {
        $layaways = $this->locked($receipt);
        $open = [];

        foreach (
            LayawayEntry::query()
                ->where('document_id', $receipt->id)
                ->where('kind', EntryKind::Paid)
                ->orderBy('layaway_id')
                ->get() as $entry
        ) {
            if (isset($layaways[$entry->layaway_id]) && $layaways[$entry->layaway_id]->state->isOpen()) {
                $open[] = [$entry, $layaways[$entry->layaway_id]];
            }
        }

        return $open;
    }

    /** @return array<int, Layaway> by id */
    private function locked(Document $receipt): array
    {
        return $receipt->layaway_change <= 0
            ? []
            : $this->ledger->lockAll(
                array_values(
                    array_map(
                        static fn (mixed $id): int => is_int($id) ? $id : 0,
                        LayawayEntry::query()
                            ->where('document_id', $receipt->id)
                            ->sharedLock()
                            ->orderBy('layaway_id')
                            ->pluck('layaway_id')
                            ->all(),
                    ),
                ),
            );
    }
}
