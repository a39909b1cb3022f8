<?php

declare(strict_types=1);

namespace Elmstone\Reports;

use Carbon\CarbonImmutable;
use Elmstone\Core\Forecast\CashForecast;
use Elmstone\Core\Money\Money;
use Elmstone\Shop\House;
use Elmstone\Support\ForecastsPayers;
use Elmstone\Support\ShopTime;

/**
 * What will come in from accounts, plans and layaways, and how right the same forecast was week by week in the last
 * quarter.
 */
final readonly class MoneyToCome
{
    public const WEEKS = 8;

    /** How many weeks it is tried on. */
    private const TRIED = 13;

    /** @param  iterable<ForecastsPayers>  $rooms */
    public function __construct(private iterable $rooms, private House $house)
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
        $payers = [];

        foreach ($this->rooms as $room) {
            array_push($payers, ...$room->payers($known));
        }

        return CashForecast::of($this->house->currency(), $day, $weeks, $payers, self::seed($day));
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
            $weeks[] = new TriedWeek($week, Money::max($this->came($day, $day->addDays(6)), $this->house->money(0)));
        }

        return $weeks;
    }

    private function came(CarbonImmutable $day, CarbonImmutable $until): Money
    {
        $came = $this->house->money(0);

        foreach ($this->rooms as $room) {
            $came = $came->plus($room->came($day, $day, $until));
        }

        return $came;
    }
}
