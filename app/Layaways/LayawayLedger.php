<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Carbon\CarbonImmutable;
use Elmstone\Core\Layaway\Schedule;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Held\Ledger\HeldLedger;
use Elmstone\Held\Ledger\Movement;
use Elmstone\Shop\House;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;
use LogicException;

/**
 * The only place that writes what is paid on layaways and where they stand. Always under their locks, which are taken
 * before anything else is read.
 */
final class LayawayLedger
{
    public function __construct(private readonly House $house, private readonly HeldLedger $accounts)
    {
    }

    /** @throws Refused not_found */
    public function lock(int $id): Layaway
    {
        return $this->lockAll([$id])[$id] ?? throw Refused::because('not_found', 'There is no such layaway.');
    }

    /**
     * In the order of their ids, so that two who want the same never wait for each other; by their ids alone, so that
     * no others are waited for on the way.
     *
     * @param  list<int>  $ids
     * @return array<int, Layaway> by id, with lines and instalments
     */
    public function lockAll(array $ids): array
    {
        if (DB::transactionLevel() === 0) {
            throw new LogicException('Layaways are locked inside a transaction.');
        }

        $layaways = $ids === []
            ? []
            : Layaway::query()
                ->without('account')
                ->forceIndex('PRIMARY')
                ->whereIn('id', $ids)
                ->orderBy('id')
                ->lockForUpdate()
                ->get()
                ->keyBy('id')
                ->all();
        $accounts = $this->accounts->lockAll(
            array_map(static fn (Layaway $layaway): int => $layaway->account_id, $layaways),
        );

        foreach ($layaways as $layaway) {
            $layaway->setRelation('account', $accounts->get($layaway->account_id));
        }

        return $layaways;
    }

    /** @throws Refused not_running, expired, over_remaining */
    public function pay(Layaway $layaway, int $document, Money $amount, CarbonImmutable $day): void
    {
        Payable::assert($layaway, $amount, $day);
        $this->accounts->put($layaway->account, $document, $amount, $day);
        $layaway->unsetRelation('entries');

        if ($layaway->held()->equals($layaway->total)) {
            $layaway->forceFill(['state' => LayawayState::Ready, 'paid_on' => $day]);
        }

        $this->settle($layaway);
    }

    public function leave(
        Layaway $layaway,
        int $document,
        Movement $movement,
        Money $amount,
        CarbonImmutable $day,
    ): void {
        $this->accounts->take($layaway->account, $document, $amount, $day, $movement);
        $layaway->unsetRelation('entries');
    }

    /** A payment on it came back: so much is open again. */
    public function comeBack(Layaway $layaway, int $document, Money $amount, CarbonImmutable $day): void
    {
        $this->leave($layaway, $document, Movement::Returned, $amount, $day);
        $layaway->forceFill(['state' => LayawayState::Running, 'paid_on' => null])->save();
    }

    public function end(Layaway $layaway, LayawayState $state, CarbonImmutable $day, ?int $document = null): void
    {
        $layaway
            ->forceFill([
                'state' => $state,
                'ended_on' => $day,
                'document_id' => $document,
                'next_due' => null,
                'next_open' => $this->house->money(0),
                'behind_from' => null,
                'version' => $layaway->version + 1,
            ])
            ->save();
    }

    /** A schedule of its own revision over what remains to be paid. */
    public function schedule(Layaway $layaway, Schedule $schedule): void
    {
        $rows = [];

        foreach ($schedule->instalments as $i => $part) {
            $rows[] = [
                'agreement_id' => $layaway->id,
                'revision' => $layaway->revision,
                'position' => $i + 1,
                'due' => $part->due->format('Y-m-d'),
                'amount' => $part->amount,
            ];
        }

        DB::table('layaway_instalments')->insert($rows);
        $layaway->unsetRelation('allInstalments');
    }

    /** Where it stands with what is held now. */
    public function settle(Layaway $layaway): void
    {
        $next = $layaway->loadMissing('allInstalments')->ladder(ShopTime::today())->firstUnmet();
        $isOver = $layaway->remaining()->isZero();
        $layaway
            ->forceFill([
                'next_due' => $isOver ? null : $next?->due,
                'next_open' => $isOver || $next === null ? $this->house->money(0) : $next->open(),
                'behind_from' => $isOver || $next === null
                        ? null
                        : CarbonImmutable::parse($next->due)->addDays($layaway->grace_days + 1),
                'version' => $layaway->version + 1,
            ])
            ->save();
    }
}
