<?php

declare(strict_types=1);

namespace Elmstone\Reports;

use Carbon\CarbonImmutable;
use Elmstone\Core\Forecast\CashForecast;
use Elmstone\Core\Money\Money;
use Elmstone\Receivables\Ledger\PayingHabits;
use Elmstone\Shop\House;
use Elmstone\Support\ShopTime;

/** What will come in from accounts, and how right the same forecast was week by week in the last quarter. */
final readonly class MoneyToCome
{
    public const WEEKS = 8;

    /** How many weeks it is tried on. */
    private const TRIED = 13;

    public function __construct(private PayingHabits $habits, private House $house)
    {
    }

    /** From today on, with all that is known now. */
    public function now(int $weeks = self::WEEKS): CashForecast
    {
        $today = ShopTime::today();

        return $this->forecast($today, $weeks, $today->addDay());
    }

    /** From a day on, as it was known that morning. */
    public function from(CarbonImmutable $day, int $weeks = self::WEEKS): CashForecast
    {
        return $this->forecast($day, $weeks, $day);
    }

    /** @param  CarbonImmutable  $known what was posted and said before this day */
    private function forecast(CarbonImmutable $day, int $weeks, CarbonImmutable $known): CashForecast
    {
        return CashForecast::of(
            $this->house->currency(), $day, $weeks, $this->habits->payers($known), self::seed($day),
        );
    }

    /** A day's forecast is the same however often it is asked for. */
    private static function seed(CarbonImmutable $day): int
    {
        return (int) $day->format('Ymd');
    }

    /**
     * Each week of the last quarter as it would have been forecast on its first day, and what came on what was open
     * then.
     *
     * @return list<TriedWeek>
     */
    public function tried(CarbonImmutable $today): array
    {
        $weeks = [];

        for ($ago = self::TRIED; $ago > 0; $ago--) {
            $day = $today->subWeeks($ago);
            $week = $this->from($day, 1)->weeks[0];
            $came = Money::max(
                $this->habits->came($day, $day, $day->addDays(6)), $this->house->money(0),
            );
            $weeks[] = new TriedWeek($week, $came);
        }

        return $weeks;
    }
}
