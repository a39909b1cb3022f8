<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Elmstone\Books\Proof\Prove;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Till\CashCount;
use Elmstone\Core\Till\CountedUnit;
use Elmstone\Counter\Post\PostSale;
use Elmstone\Shop\Till;
use Elmstone\Tills\CloseTill;
use Elmstone\Tills\CountTill;
use Elmstone\Tills\OpenSessions;
use Elmstone\Tills\OpenTill;
use Elmstone\Tills\TillSession;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** One drawer, and several people at it at the same instant, as processes of their own. */
final class TillRaceTest extends RaceCase
{
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
                CashCount::of(Currency::of('USD'), [CountedUnit::of(self::usd('20'), 5)]),
                self::usd('0'),
                self::usd('0'),
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
                    app(PostSale::class)->handle($slip, $act);
                    $number === 2 && $i % 2 === 0 && OpenSessions::at(1) === null && $this->opens('50');
                } catch (Refused $refused) {
                    in_array($refused->rule, ['till_counted', 'already_open'], true) || throw $refused;
                }
            }
        });
        $this->assertSame([], app(Prove::class)->handle()->faults);
        $closed = TillSession::query()->where('state', 'closed')->count();
        $this->assertGreaterThan(0, $closed);
        $this->assertSame($closed, Document::query()->where('purpose', 'to_safe')->distinct('session_id')->count());
    }
}
