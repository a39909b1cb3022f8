<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Books\Books;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Posting;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Till\CashUp;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Ability;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Elmstone\Tills\Safe\KeepCheques;

/**
 * Closes a drawer on its last count: what is over or short is posted, what is not left in goes to the safe, all in one
 * or not at all. A closed session never changes.
 */
final class CloseTill
{
    public function __construct(
        private readonly Books $books,
        private readonly DrawerPosting $posting,
        private readonly House $house,
        private readonly KeepCheques $safe,
    ) {
    }

    /**
     * @param  int  $count the number of the count it is closed on
     * @param  string  $key the same key closes once
     * @param  Staff|null  $witness who signs a large difference too
     *
     * @throws Refused not_open, not_counted, counted_meanwhile, note_missing, witness_missing, left_in_too_large,
     *     bad_amount
     */
    public function handle(
        Till $till,
        int $count,
        Money $leftIn,
        string $note,
        Staff $by,
        string $key,
        ?Staff $witness = null,
    ): TillSession {
        return $this->books->post(
            Posting::under($key)
                // The series comes before the session, as with whoever takes money.
                ->locking(fn () => $this->books->holding(DocumentKind::Adjustment))
                ->unless(static fn (): ?TillSession => TillSession::query()->where('close_key', $key)->first())
                ->writing(fn (): TillSession => $this->close(
                    CountTill::locked($till),
                    $count,
                    $leftIn,
                    trim($note),
                    $by,
                    $key,
                    $witness,
                )),
        );
    }

    private function close(
        TillSession $session,
        int $number,
        Money $leftIn,
        string $note,
        Staff $by,
        string $key,
        ?Staff $witness,
    ): TillSession {
        $count = $session->counts()->with('ways')->firstWhere('number', $number);

        if ($session->state !== SessionState::Counted || $count === null) {
            throw Refused::because('not_counted', 'Count what is in the drawer first.');
        }

        if ($session->counts()->max('number') !== $number) {
            throw Refused::because('counted_meanwhile', 'It was counted again meanwhile.');
        }

        $this->assertExplained($count, $note, $by, $witness);
        $none = $this->house->money(0);
        // What should be there was settled when it was counted; what stays and what goes is of what is there.
        $toSafe = CashUp::of($none, $none, $none, $count->cash())->banked($leftIn);

        foreach ($count->ways as $way) {
            $off = $way->difference();
            $off->isZero() || $this->posting->document(
                $session,
                $off->isNegative() ? Purpose::TillShort : Purpose::TillOver,
                $off->abs(),
                $way->way,
                $by,
                "{$session->label()}: {$note}",
            );
        }

        $toSafe->isZero()
            || $this->posting->document(
                $session,
                Purpose::ToSafe,
                $toSafe,
                Drawer::CASH,
                $by,
                "Takings of {$session->label()}",
            );

        $session->update([
            'state' => SessionState::Closed,
            'unclosed' => null,
            'closed_by' => $by->id,
            'closed_at' => now(),
            'closed_on' => ShopTime::today(),
            'left_in' => $leftIn,
            'to_safe' => $toSafe,
            'note' => $note,
            'close_key' => $key,
            'witness_id' => $witness?->id,
        ]);
        $this->safe->keep($session, $count);

        return $session;
    }

    /**
     * Beyond a tolerance a difference wants a note; beyond a second one two people: who counted and who closes, or
     * where that is one, somebody else who may close.
     *
     * @throws Refused note_missing, witness_missing
     */
    private function assertExplained(TillCount $count, string $note, Staff $by, ?Staff $witness): void
    {
        $shop = $this->house->shop();

        if ($note === '' && $count->isOffByMoreThan($shop->note_over)) {
            throw Refused::because(
                'note_missing',
                'It is not as expected: write what explains it, or that nothing does.',
            );
        }

        if (! $count->isOffByMoreThan($shop->witness_over) || $count->counted_by !== $by->id) {
            return;
        }

        if ($witness === null || $witness->id === $by->id || ! $witness->mayDo(Ability::CloseTill)) {
            throw Refused::because(
                'witness_missing',
                "It is off by more than {$shop->witness_over->toString()}, and {$by->name} counted it too: another "
                    .'supervisor signs as well.',
            );
        }
    }
}
