<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Elmstone\Books\Proof\Prove;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Till\CashCount;
use Elmstone\Core\Till\CountedUnit;
use Elmstone\Counter\Post\PostSale;
use Elmstone\Shop\Till;
use Elmstone\Support\ShopTime;
use Elmstone\Tills\CashMove;
use Elmstone\Tills\CloseTill;
use Elmstone\Tills\Counted;
use Elmstone\Tills\CountTill;
use Elmstone\Tills\Days\CloseDay;
use Elmstone\Tills\Days\Closing;
use Elmstone\Tills\MoveCash;
use Elmstone\Tills\OpenSessions;
use Elmstone\Tills\OpenTill;
use Elmstone\Tills\Safe\FetchCash;
use Elmstone\Tills\Safe\Lodgement;
use Elmstone\Tills\Safe\MeetCredit;
use Elmstone\Tills\Safe\PayIn;
use Elmstone\Tills\TillSession;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** One drawer, and several people at it at the same instant, as processes of their own. */
final class TillRaceTest extends RaceCase
{
    protected function tillsAreOpen(): bool
    {
        return false;
    }

    private static function usd(string $major): Money
    {
        return Money::of($major, Currency::of('USD'));
    }

    private function opens(string $float): TillSession
    {
        return app(OpenTill::class)->handle(
            Till::query()->findOrFail(1),
            self::usd($float),
            $this->staff('201'),
            (string) Str::uuid(),
        );
    }

    /** Counts a few notes, and closes on that; what somebody else does first is in the way. */
    private function countAndClose(): void
    {
        $till = Till::query()->findOrFail(1);

        try {
            $seen = (int) DB::table('till_counts')
                ->where('session_id', OpenSessions::at(1)?->id)
                ->max('number');
            $count = app(CountTill::class)->handle(
                $till,
                new Counted(
                    CashCount::of(Currency::of('USD'), [CountedUnit::of(self::usd('20'), 5)]),
                    [],
                    self::usd('0'),
                    self::usd('0'),
                    true,
                ),
                $seen,
                $this->staff('201'),
            );
            app(CloseTill::class)->handle(
                $till,
                $count->number,
                self::usd('50'),
                'nothing explains it',
                $this->staff('201'),
                (string) Str::uuid(),
            );
        } catch (Refused) {
            // Somebody else was first.
        }
    }

    public function test_opened_by_everyone_at_once_it_is_open_once(): void
    {
        $this->atOnce(function (int $number): void {
            try {
                $this->opens('100');
            } catch (Refused) {
                // Somebody else was first.
            }
        });
        $this->assertSame(
            [1, 1],
            [TillSession::query()->count(), Document::query()->where('purpose', 'float_in')->count()],
        );
    }

    public function test_one_form_sent_by_everyone_at_once_opens_moves_and_closes_once(): void
    {
        $keys = [(string) Str::uuid(), (string) Str::uuid(), (string) Str::uuid()];
        $till = Till::query()->findOrFail(1);
        $by = $this->staff('201');
        $this->atOnce(static fn (int $number): TillSession => app(OpenTill::class)->handle(
            $till,
            self::usd('100'),
            $by,
            $keys[0],
        ));
        $this->atOnce(static fn (int $number): int => app(MoveCash::class)->handle(
            $till,
            new CashMove(Purpose::CashDrop, self::usd('20')),
            $by,
            $keys[1],
        ));
        $count = app(CountTill::class)->handle(
            $till,
            new Counted(CashCount::of(Currency::of('USD'), []), [], self::usd('0'), self::usd('5'), true),
            0,
            $by,
        );
        $this->atOnce(static fn (int $number): TillSession => app(CloseTill::class)->handle(
            $till,
            $count->number,
            self::usd('0'),
            'nothing explains it',
            $by,
            $keys[2],
        ));
        $this->assertSame(
            ['cash_drop', 'float_in', 'till_over', 'till_short'],
            Document::query()->toBase()->where('kind', 'adjustment')->orderBy('purpose')->pluck('purpose')->all(),
        );
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }

    public function test_closed_by_everyone_on_one_count_it_is_closed_once_and_the_others_are_told(): void
    {
        $this->opens('100');
        $till = Till::query()->findOrFail(1);
        $count = app(CountTill::class)->handle(
            $till,
            new Counted(CashCount::of(Currency::of('USD'), []), [], self::usd('0'), self::usd('0'), true),
            0,
            $this->staff('201'),
        );
        $this->atOnce(function (int $number) use ($till, $count): void {
            try {
                app(CloseTill::class)->handle(
                    $till,
                    $count->number,
                    self::usd('0'),
                    'all of it is gone',
                    $this->staff('201'),
                    (string) Str::uuid(),
                );
            } catch (Refused $refused) {
                $refused->rule === 'not_open' || throw $refused;
            }
        });
        $this->assertSame(1, Document::query()->where('purpose', 'till_short')->count());
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }

    public function test_closed_by_two_while_others_sell_each_sale_is_before_the_count_or_after_it(): void
    {
        $this->opens('100');
        $this->atOnce(function (int $number): void {
            for ($i = 0; $i < 8; $i++) {
                if ($number < 2) {
                    usleep(60_000);
                    $this->countAndClose();

                    continue;
                }

                [$slip, $act] = $this->settled($number, ['LH-1140']);

                try {
                    $number === 2 && OpenSessions::at(1) === null && $this->opens('50');
                    app(PostSale::class)->handle($slip, $act);
                } catch (Refused $refused) {
                    in_array($refused->rule, ['till_counted', 'till_not_open', 'already_open'], true)
                        || throw $refused;
                }
            }
        });
        $this->assertSame([], app(Prove::class)->handle()->faults);
        $closed = TillSession::query()->where('state', 'closed')->count();
        $this->assertGreaterThan(0, $closed);
        $this->assertSame($closed, Document::query()->where('purpose', 'to_safe')->distinct('session_id')->count());
    }

    public function test_a_day_closed_while_others_sell_has_what_was_posted_before_it_and_nothing_after(): void
    {
        $this->opens('0');
        [$slips, $location] = [[], Till::query()->findOrFail(1)->location_id];

        for ($i = 0; $i < self::TILLS; $i++) {
            $slips[$i] = $this->settled($i, ['LH-1140']);
        }

        // Until something is sold in it, the drawer does not hinder the close.
        DB::table('till_sessions')->where('till_id', 1)->update(['opened_on' => ShopTime::today()->addDay()]);
        $this->atOnce(function (int $number) use ($slips, $location): void {
            try {
                if ($number === 3) {
                    usleep(30_000);
                    app(CloseDay::class)->handle($location, ShopTime::today(), $this->staff('201'));
                } else {
                    app(PostSale::class)->handle(...$slips[$number]);
                }
            } catch (Refused $refused) {
                in_array($refused->rule, ['day_closed', 'sessions_open'], true) || throw $refused;
            }
        });
        // A sale that was first hinders the close by its open drawer; one that comes after it is refused.
        $this->assertSame(
            Closing::query()->exists() ? 0 : self::TILLS - 1,
            Document::query()->where('kind', 'invoice')->count(),
        );
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }

    public function test_what_lies_in_the_safe_is_paid_in_once_by_all_who_try_at_once(): void
    {
        $this->opens('100');
        $till = Till::query()->findOrFail(1);
        app(FetchCash::class)->handle($till, self::usd('150'), '', $this->staff('301'), (string) Str::uuid());
        $cash = CashCount::of(Currency::of('USD'), [CountedUnit::of(self::usd('20'), 2)]);
        $this->atOnce(function (int $number) use ($till, $cash): void {
            try {
                app(PayIn::class)->handle($till, $cash, [], '', $this->staff('301'), (string) Str::uuid());
            } catch (Refused $refused) {
                $refused->rule === 'more_than_in_safe' || throw $refused;
            }
        });
        // 150 came, 100 went into the drawer: one paying-in of 40 is all there is.
        $this->assertSame(1, Lodgement::query()->count());
        $lodgement = Lodgement::query()->sole();
        $this->atOnce(function (int $number) use ($till, $lodgement): void {
            try {
                app(MeetCredit::class)->handle(
                    $lodgement,
                    self::usd('40'),
                    ShopTime::today(),
                    $till,
                    $this->staff('301'),
                    (string) Str::uuid(),
                );
            } catch (Refused $refused) {
                $refused->rule === 'met_already' || throw $refused;
            }
        });
        $this->assertSame(1, Document::query()->where('purpose', 'bank_credited')->count());
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }
}
