<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Core\Money\Refused;
use Elmstone\Receivables\TakesBackHeld;

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

    public function takeBack(Document $receipt, int $return, CarbonImmutable $day): void
    {
        $layaways = $this->locked($receipt);

        foreach (LayawayEntry::query()->where('document_id', $receipt->id)->where('kind', EntryKind::Paid)->orderBy('layaway_id')->get() as $entry) {
            $layaway = $layaways[$entry->layaway_id];

            if (! $layaway->state->isOpen()) {
                throw Refused::because('not_running', "{$layaway->label} is {$layaway->state->value} already, so its payment cannot be taken back here: charge the customer with it instead.");
            }

            $this->ledger->comeBack($layaway, $return, $entry->amount, $day);
            $layaway->held < $layaway->paid_before ? $this->change->shareOutAnew($layaway) : $this->ledger->settle($layaway);
        }
    }

    /** @return array<int, Layaway> by id */
    private function locked(Document $receipt): array
    {
        return $receipt->layaway_change <= 0 ? [] : $this->ledger->lockAll(array_values(array_map(
            static fn (mixed $id): int => is_int($id) ? $id : 0,
            LayawayEntry::query()->where('document_id', $receipt->id)->sharedLock()->orderBy('layaway_id')->pluck('layaway_id')->all(),
        )));
    }
}
