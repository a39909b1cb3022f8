<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Books\Books;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Posting;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;

/**
 * Closes a drawer on its last count: what is over or short is posted, what is not left in goes to the safe, all in one
 * or not at all. A closed session never changes.
 */
final class CloseTill
{
    public function __construct(
        private readonly Books $books,
        private readonly Drawer $drawer,
        private readonly DrawerPosting $posting,
    ) {
    }

    /**
     * @param  int  $count the number of the count it is closed on
     * @param  string  $key the same key closes once
     *
     * @throws Refused not_open, not_counted, counted_meanwhile, note_missing, left_in_too_large, bad_amount
     */
    public function handle(Till $till, int $count, Money $leftIn, string $note, Staff $by, string $key): TillSession
    {
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
    ): TillSession {
        $count = $session->counts()->with('ways')->firstWhere('number', $number);

        if ($session->state !== SessionState::Counted || $count === null) {
            throw Refused::because('not_counted', 'Count what is in the drawer first.');
        }

        if ($session->counts()->max('number') !== $number) {
            throw Refused::because('counted_meanwhile', 'It was counted again meanwhile.');
        }

        if ($note === '' && ! $count->isRight()) {
            throw Refused::because(
                'note_missing',
                'It is not as expected: write what explains it, or that nothing does.',
            );
        }

        $toSafe = $this->drawer->cashUp($session, $count->cash())->banked($leftIn);

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
        ]);

        return $session;
    }
}
