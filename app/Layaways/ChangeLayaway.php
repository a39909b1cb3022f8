<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Carbon\CarbonImmutable;
use Elmstone\Agreements\AgreedGoods;
use Elmstone\Agreements\AgreedLines;
use Elmstone\Agreements\AgreedSlip;
use Elmstone\Agreements\AgreementChange;
use Elmstone\Agreements\KeepAsDeposit;
use Elmstone\Agreements\LineChange;
use Elmstone\Books\Books;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\HeldKind;
use Elmstone\Books\Posting;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Core\Approvals\ApprovalKind;
use Elmstone\Core\Approvals\Scope;
use Elmstone\Core\Layaway\Schedule;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Held\Ledger\HeldAccount;
use Elmstone\Held\Ledger\HeldLedger;
use Elmstone\MoneyOut\HandBack;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Ability;
use Elmstone\Staff\Approvals\GivenApproval;
use Elmstone\Staff\Approvals\LimitMatter;
use Elmstone\Staff\Approvals\Need;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Show;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;

/**
 * Changes an agreement while it runs: goods are swapped, dropped or put with it, serial numbers noted, or its last day
 * moved. Total and schedule are worked anew under the next revision; the earlier ones stay on record. What was paid
 * over a smaller total becomes a free deposit.
 */
final class ChangeLayaway
{
    public function __construct(
        private readonly House $house,
        private readonly Books $books,
        private readonly LayawayLedger $ledger,
        private readonly HeldLedger $deposits,
        private readonly AgreedLines $lines,
        private readonly StockLedger $stock,
        private readonly KeepAsDeposit $keepAsDeposit,
        private readonly HandBack $back,
    ) {
    }

    /**
     * @param  non-empty-list<LineChange>  $changes done together, so that a swap is one change
     *
     * @throws Refused changed_elsewhere, not_running, not_there, nothing_left, off_sale, and what the reckoning refuses
     */
    public function lines(int $layawayId, int $version, array $changes, Till $till, Staff $by): Layaway
    {
        /** @return array{Layaway, HeldAccount} */
        $lock = function () use ($layawayId): array {
            // Deposits are locked before layaways everywhere.
            $account = $this->deposits->lock(
                HeldKind::Deposit,
                Layaway::customerOf($layawayId),
            );

            return [$this->ledger->lock($layawayId), $account];
        };
        /** @param  array{Layaway, HeldAccount}  $locked */
        $write = function (array $locked) use ($version, $changes, $till, $by): Layaway {
            [$layaway, $account] = $locked;
            $this->assertSeen($layaway, $version);
            $layaway->load(['allLines.item', 'allInstalments', 'customer.type.priceLevel']);
            $this->lockGoods($layaway, $changes);
            [$lines, $words] = $this->lines->changed($layaway, $changes);
            $before = $layaway->total;
            $total = AgreedSlip::reckon($layaway, $lines, $this->house->currency())->total;

            if (! $total->isPositive()) {
                throw Refused::because('nothing_left', 'Nothing would be left on it. Cancel the layaway instead.');
            }

            $over = $layaway->account->balance->minus($total);
            $this->lines->revise($layaway, $lines);

            if ($over->isPositive()) {
                $key = Uuid::uuid5(Uuid::fromString($layaway->key), "revision {$layaway->revision}")->toString();
                $this->keepAsDeposit->handle(
                    $layaway,
                    $account,
                    $over,
                    PostedAt::till($till, $by->id, ShopTime::today()),
                    $key,
                    "Paid over the new total of {$layaway->label}",
                );
            }

            $layaway->forceFill(['total' => $total])->save();
            $total->equals($before)
                ? $this->ledger->settle($layaway)
                : $this->reschedule($layaway, $this->datesLeft($layaway));
            $this->record(
                $layaway,
                $by,
                $words
                    .($over->isPositive()
                        ? '. '.Show::money($over).' paid over it is kept as a deposit'
                        : ''),
                $before,
            );

            return $layaway;
        };

        return $this->books->post(
            Posting::under("layaway {$layawayId} at {$version}")
                ->locking($lock)
                ->unless(static fn (): ?Layaway => null)
                ->writing($write),
        );
    }

    /**
     * What is on it, and what comes to it.
     *
     * @param  list<LineChange>  $changes
     */
    private function lockGoods(Layaway $layaway, array $changes): void
    {
        $moving = AgreedGoods::moving($layaway);

        foreach ($changes as $change) {
            $item = $change->item->id ?? $layaway->lines()->firstWhere('position', $change->position)?->item_id;
            $item === null || $moving->out($item, $layaway->location_id, $change->serials ?? []);
        }

        $this->stock->lock($moving);
    }

    /**
     * Moves its last day, and shares out what remains over payments from a first date on.
     *
     * @throws Refused changed_elsewhere, not_running, first_due_past, after_expiry, and for whom it is not to decide,
     *     approval_missing
     */
    public function extend(
        int $layawayId,
        int $version,
        CarbonImmutable $firstDue,
        CarbonImmutable $expiresOn,
        Staff $by,
        ?GivenApproval $given = null,
    ): Layaway {
        return DB::transaction(function () use ($layawayId, $version, $firstDue, $expiresOn, $by, $given): Layaway {
            $layaway = $this->ledger->lock($layawayId);
            $this->assertSeen($layaway, $version);
            $this->back->allow($by, $given, $this->needsToExtend($layaway, $expiresOn, $by));

            match (true) {
                $firstDue->lessThanOrEqualTo(ShopTime::today()) => throw Refused::because(
                    'first_due_past',
                    'The next payment falls due after today.',
                ),
                $expiresOn->lessThan($firstDue) => throw Refused::because(
                    'after_expiry',
                    'Its last day cannot come before the next payment.',
                ),
                default => null,
            };
            $layaway->forceFill(['expires_on' => $expiresOn, 'lapses_on' => $expiresOn->addDays($layaway->grace_days)]);
            $this->lines->carryOver($layaway);
            $count = min(HouseTerms::countUntil($layaway->rhythm, $firstDue, $expiresOn), $this->most($layaway));
            $dates = array_map(
                static fn (int $step): CarbonImmutable => $firstDue->setDateFrom(
                    $layaway->rhythm->after($firstDue, $step),
                ),
                range(0, $count - 1),
            );
            $this->reschedule($layaway, $dates);
            $this->record(
                $layaway,
                $by,
                'Extended to '
                    .Show::date($expiresOn)
                    .", {$count} "
                    .($count === 1 ? 'payment' : 'payments')
                    .' from '
                    .Show::date($firstDue),
                $layaway->total,
            );

            return $layaway;
        }, 3);
    }

    /** @return list<Need> */
    private function needsToExtend(Layaway $layaway, CarbonImmutable $expiresOn, Staff $by): array
    {
        if ($by->mayDo(Ability::SetLayawayTerms)) {
            return [];
        }

        $scope = Scope::of(ApprovalKind::LayawayEnd)
            ->naming('layaway', $layaway->id)
            ->naming('until', $expiresOn->format('Y-m-d'));
        $refused = Refused::because(
            'approval_missing',
            'Extending a layaway needs a supervisor: staff number, PIN and reason.',
        );

        return [
            new Need(
                'extend',
                $scope,
                $refused,
                "{$layaway->label} extended to ".Show::date($expiresOn),
                LimitMatter::OutsidePolicy,
                $this->house->money(0),
            ),
        ];
    }

    /**
     * What is open is shared out over the due dates that are left: even the deposit came back. Inside a transaction,
     * the layaway locked.
     */
    public function shareOutAnew(Layaway $layaway): void
    {
        $dates = $this->datesLeft($layaway->load('allInstalments'));
        $this->lines->carryOver($layaway);
        $this->reschedule($layaway, $dates);
    }

    /** Notes where the goods stand. */
    public function shelve(int $layawayId, string $place, Staff $by): Layaway
    {
        return DB::transaction(function () use ($layawayId, $place, $by): Layaway {
            $layaway = $this->ledger->lock($layawayId);
            $before = $layaway->shelf;
            $layaway->forceFill(['shelf' => $place])->save();
            $before === $place
                || $this->record(
                    $layaway,
                    $by,
                    $place === '' ? "Taken from {$before}" : "Put on {$place}",
                    $layaway->total,
                );

            return $layaway;
        }, 3);
    }

    /** @throws Refused changed_elsewhere, not_running */
    private function assertSeen(Layaway $layaway, int $version): void
    {
        match (true) {
            $layaway->version !== $version => throw Refused::because(
                'changed_elsewhere',
                'Somebody has changed this layaway meanwhile. Here is how it stands now.',
            ),
            ! $layaway->state->isOpen() => throw Refused::because(
                'not_running',
                "{$layaway->label} is {$layaway->state->value}; nothing on it can change.",
            ),
            default => null,
        };
    }

    /** @return non-empty-list<CarbonImmutable> the due dates that are not met yet; where all are past, the next one */
    private function datesLeft(Layaway $layaway): array
    {
        $dates = [];

        foreach ($layaway->ladder(ShopTime::today())->rungs as $rung) {
            if ($rung->open()->isPositive()) {
                $dates[] = CarbonImmutable::parse($rung->due);
            }
        }

        return $dates === [] ? [HouseTerms::next($layaway->rhythm, ShopTime::today())] : $dates;
    }

    /** @param  non-empty-list<CarbonImmutable>  $dates */
    private function reschedule(Layaway $layaway, array $dates): void
    {
        $remaining = $layaway->remaining();
        $layaway->forceFill([
            'state' => $remaining->isZero() ? LayawayState::Ready : LayawayState::Running,
            'paid_on' => $remaining->isZero() ? $layaway->paid_on ?? ShopTime::today() : null,
        ]);

        if ($remaining->isPositive()) {
            $layaway->forceFill(['paid_before' => $layaway->held()]);
            $this->ledger->schedule(
                $layaway,
                Schedule::over($remaining, [$dates[0], ...array_slice($dates, 1, $this->most($layaway) - 1)]),
            );
        }

        $this->ledger->settle($layaway);
    }

    /** So many payments leave each at the least agreed. */
    private function most(Layaway $layaway): int
    {
        return $layaway->agreedTerms()->toValue()->mostPayments($layaway->remaining())
            ?? HouseTerms::MOST;
    }

    private function record(Layaway $layaway, Staff $by, string $what, Money $before): void
    {
        AgreementChange::query()->create([
            'agreement_id' => $layaway->id,
            'staff_id' => $by->id,
            'what' => mb_substr($what, 0, 500),
            'total_before' => $before,
            'total_after' => $layaway->total,
            'revision' => $layaway->revision,
            'made_at' => now(),
        ]);
    }
}
