<?php

declare(strict_types=1);

namespace Elmstone\Reports\Pages;

use Elmstone\Core\Forecast\CashForecast;
use Elmstone\Core\Forecast\PayerForecast;
use Elmstone\Core\Money\Money;
use Elmstone\Customers\Customer;
use Elmstone\Reports\MoneyToCome;
use Elmstone\Reports\TriedWeek;
use Elmstone\Reports\WeekColumns;
use Elmstone\Shop\House;
use Elmstone\Support\Report\Column;
use Elmstone\Support\Report\Report;
use Elmstone\Support\ShopTime;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Collection;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** What will come in week by week, account by account, and how right it was. */
final class ForecastController
{
    public function __construct(private readonly MoneyToCome $coming, private readonly House $house)
    {
    }

    public function show(Request $request): View
    {
        $forecast = $this->coming->now();
        $tried = $request->boolean('tried') ? $this->coming->tried(ShopTime::today()) : [];

        return view('reports.forecast', [
            'forecast' => $forecast,
            'columns' => WeekColumns::svg($forecast->weeks),
            'report' => $this->report($forecast),
            'tried' => $tried,
            'triedColumns' => WeekColumns::svg(
                array_column($tried, 'week'), array_map(static fn (TriedWeek $one): Money => $one->came, $tried),
            ),
            'within' => count(array_filter($tried, static fn (TriedWeek $one): bool => $one->isWithin())),
            'house' => $this->house,
        ]);
    }

    public function csv(): StreamedResponse
    {
        return $this->report($this->coming->now())->csv();
    }

    /** @return Report<PayerForecast> accounts that something is expected of, the most first */
    private function report(CashForecast $forecast): Report
    {
        $rows = array_values(array_filter(
            $forecast->payers,
            static fn (PayerForecast $one): bool => ! self::all($one)->isZero(),
        ));
        usort($rows, static fn (PayerForecast $one, PayerForecast $other): int => self::all($other)
            ->compare(self::all($one)));
        $customers = Customer::query()->whereIn('id', array_map(
            static fn (PayerForecast $one): int => (int) $one->id, $rows,
        ))->get()->keyBy('id');
        $columns = [Column::text(
            'Account', 'account', static fn (PayerForecast $one): string => self::name($one, $customers),
        )->leading(static fn (PayerForecast $one): ?string => $customers->has((int) $one->id)
            ? route('accounts.show', $customers->get((int) $one->id))
            : null)];

        foreach ($forecast->weeks as $i => $week) {
            $columns[] = Column::money(
                $week->from->format('j M'), $week->from->format('Y-m-d'),
                static fn (PayerForecast $one): Money => $one->weeks[$i],
            )->blankAtZero()->totalling($week->expected);
        }

        return Report::of('Cash forecast', $rows, [
            ...$columns,
            Column::money('Later', 'later', static fn (PayerForecast $one): Money => $one->later)->blankAtZero()
                ->totalling($forecast->later),
            Column::text('Rests on', 'rests on', static fn (PayerForecast $one): string => match (true) {
                $one->invoices === 0 => 'the house’s habit',
                $one->ofTheHouse() > 0 => "{$one->invoices} paid, {$one->ofTheHouse()}/8 the house’s",
                default => "{$one->invoices} paid",
            })->small(),
        ])
            ->counting(count($rows), 'account', 'accounts')
            ->orElse('Nothing is open on any account.')
            ->savedAs('forecast', 'forecast.csv');
    }

    private static function all(PayerForecast $one): Money
    {
        return Money::sum([...$one->weeks, $one->later], $one->later->currency);
    }

    /** @param  Collection<int, Customer>  $customers */
    private static function name(PayerForecast $one, Collection $customers): string
    {
        $customer = $customers->get((int) $one->id);
        [, $what] = [...explode(' ', $one->id), ''];

        return trim("{$customer?->number} {$customer?->name}")
            .(['plan' => ', payment plan', 'layaway' => ', layaway'][$what] ?? '');
    }
}
