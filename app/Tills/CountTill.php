<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Books\Figures\TakenCheque;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Core\Till\CashCount;
use Elmstone\Core\Till\CashUp;
use Elmstone\Core\Till\CountedUnit;
use Elmstone\Shop\Till;
use Elmstone\Staff\Ability;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\DB;

/**
 * Fixes what was counted in a drawer, beside what should be in it at that moment. From then on no money goes in or out,
 * until it is closed or goes on; a recount is another count.
 */
final class CountTill
{
    public function __construct(private readonly Drawer $drawer)
    {
    }

    /**
     * @param  int  $seen how many counts there were when it was begun
     *
     * @throws Refused not_open, counted_meanwhile, bad_amount, card_unknown, not_your_drawer
     */
    public function handle(Till $till, Counted $counted, int $seen, Staff $by): TillCount
    {
        CashUp::cash($counted->otherCheques);

        return DB::transaction(function () use ($till, $counted, $seen, $by): TillCount {
            $session = self::locked($till);
            self::assertMayCount($session, $by);
            $number = (int) $session->counts()->max('number');

            if ($number !== $seen) {
                throw Refused::because('counted_meanwhile', 'Somebody has counted meanwhile. Here is how it stands.');
            }

            OpenMatters::assertCardsSettled($till);
            $count = TillCount::query()->create([
                'session_id' => $session->id,
                'number' => $number + 1,
                'counted_by' => $by->id,
                'counted_at' => now(),
                'cards_reported' => $counted->cardsReported,
                'other_cheques' => $counted->otherCheques,
            ]);
            $there = array_values(array_filter(
                $this->drawer->cheques($session),
                static fn (TakenCheque $cheque): bool => in_array($cheque->key(), $counted->ticked, true),
            ));
            $this->write($count, $counted->cash, $there, [
                Drawer::CASH->value => $counted->cash->total,
                TenderKind::Cheque->value => Money::sum(
                    array_column($there, 'amount'),
                    $counted->otherCheques->currency,
                )->plus($counted->otherCheques),
                TenderKind::Card->value => $counted->cards,
            ], $this->drawer->expected($session));
            $session->update(['state' => SessionState::Counted]);

            return $count;
        }, 3);
    }

    /** @throws Refused not_your_drawer */
    private static function assertMayCount(TillSession $session, Staff $by): void
    {
        $session->holder_id === null
            || $session->holder_id === $by->id
            || $by->mayDo(Ability::CloseTill)
            || throw Refused::because('not_your_drawer', "This is {$session->holder?->name}’s drawer.");
    }

    /**
     * It goes on taking money; what was counted stays on record.
     *
     * @throws Refused not_open
     */
    public function goOn(Till $till): void
    {
        DB::transaction(
            static fn () => self::locked($till)->update(['state' => SessionState::Open]),
            3,
        );
    }

    /** @throws Refused not_open */
    public static function locked(Till $till): TillSession
    {
        return TillSession::query()
            ->where('till_id', $till->id)
            ->where('unclosed', true)
            ->lockForUpdate()
            ->first()
            ?->setRelation('till', $till)
            ?? throw Refused::because('not_open', "{$till->name} is not open.");
    }

    /**
     * @param  list<TakenCheque>  $cheques that are there
     * @param  array<string, Money>  $counted by way
     * @param  array<string, Money>  $expected by way
     */
    private function write(TillCount $count, CashCount $cash, array $cheques, array $counted, array $expected): void
    {
        DB::table('till_count_ways')->insert(array_map(
            static fn (string $way, Money $amount): array => [
                'count_id' => $count->id,
                'way' => $way,
                'expected' => $expected[$way],
                'counted' => $amount,
            ],
            array_keys($counted),
            $counted,
        ));

        DB::table('till_count_units')->insert(
            array_map(static fn (CountedUnit $unit): array => [
                'count_id' => $count->id,
                'unit' => $unit->unit,
                'pieces' => $unit->count,
            ], $cash->units),
        );
        DB::table('till_count_cheques')->insert(
            array_map(static fn (TakenCheque $cheque): array => [
                'count_id' => $count->id,
                'document_id' => $cheque->document,
                'position' => $cheque->position,
            ], $cheques),
        );
    }
}
