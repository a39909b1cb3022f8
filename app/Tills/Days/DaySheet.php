<?php

declare(strict_types=1);

namespace Elmstone\Tills\Days;

use Brick\Math\BigRational;
use Carbon\CarbonImmutable;
use Elmstone\Books\Accounts;
use Elmstone\Books\Figures\DayFigures;
use Elmstone\Books\Figures\DepartmentSales;
use Elmstone\Books\Figures\SalesOfAnHour;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;

/**
 * One day on one page: what was sold and what came in for it on one side, the ways it was paid on the other, and both
 * come to the same.
 */
final readonly class DaySheet
{
    private const WEEKS = 4;

    /** Goods at cost: they move against each other alone. */
    private const GOODS = [
        Accounts::INVENTORY, Accounts::COST_OF_GOODS, Accounts::WRITTEN_OFF, Accounts::SUPPLIER_CLAIMS,
        Accounts::RECEIVED, Accounts::OPENING, Accounts::STOCK_DIFFERENCES,
    ];

    /** Money that is held for somebody. */
    private const HELD = [
        Accounts::DEPOSITS_HELD, Accounts::LAYAWAY_MONEY, Accounts::GIFT_CARDS, Accounts::STORE_CREDIT,
    ];

    /** Where money is, what is charged, and what went out besides. */
    private const WAYS = [
        'cash', 'card_clearing', 'cheques', Accounts::BANK, Accounts::RECEIVABLES, Accounts::SAFE, Accounts::ON_WAY,
        Accounts::EXCHANGE_CLEARING, Accounts::PLAN_CLEARING, Accounts::CARD_FEES, Accounts::BANK_DIFFERENCES,
        Accounts::OVER_SHORT, Accounts::CARD_DIFFERENCES, 'bad_debt',
    ];

    /** What the ways are called where somebody reads a day, and no ledger. */
    private const CALLED = [
        'cash' => 'Cash',
        'card_clearing' => 'Card',
        'cheques' => 'Cheque',
        Accounts::BANK => 'Bank transfer',
        Accounts::RECEIVABLES => 'Accounts: charged, less paid',
    ];

    /**
     * @param  Location|null  $location null: the whole house
     * @param  list<DepartmentSales>  $departments
     * @param  list<array{name: string, rate: string, base: Money, amount: Money}>  $taxes
     * @param  list<SalesOfAnHour>  $hours
     * @param  array<string, array{count: int, net: Money}>  $before the same weekday, by day
     * @param  list<DayRow>  $left what it was for
     * @param  list<DayRow>  $right how it was paid
     * @param  list<DayRow>  $held money that is held, in and out
     * @param  list<array{purpose: Purpose, count: int, total: Money}>  $places what went from drawer to safe to bank
     */
    private function __construct(
        public CarbonImmutable $day,
        public ?Location $location,
        public array $departments,
        public array $taxes,
        public array $hours,
        public array $before,
        public array $left,
        public array $right,
        public array $held,
        public array $places,
        private Money $none,
    ) {
    }

    public static function of(CarbonImmutable $day, ?Location $location, House $house): self
    {
        $figures = new DayFigures($house, $day, $location?->id);
        [$left, $right, $held] = [[], [], []];

        foreach ($figures->accounts() as $code => ['name' => $name, 'debit' => $debit, 'credit' => $credit]) {
            if (in_array($code, self::GOODS, true)) {
                continue;
            }

            $isWay = in_array($code, self::WAYS, true) || isset(Accounts::PETTY[$code]);
            $row = $isWay
                ? new DayRow(self::CALLED[$code] ?? $name, $debit, $credit)
                : new DayRow($name, $credit, $debit);
            $isWay ? $right[] = $row : $left[] = $row;
            in_array($code, self::HELD, true) && $held[] = $row;
        }

        return new self(
            $day,
            $location,
            $figures->departments(),
            $figures->taxes(),
            $figures->hours(),
            $figures->weeksBefore(self::WEEKS),
            $left,
            $right,
            $held,
            $figures->places(),
            $house->money(0),
        );
    }

    /** @param  list<DayRow>  $rows */
    public function sum(array $rows): Money
    {
        return Money::sum(
            array_map(static fn (DayRow $row): Money => $row->net(), $rows),
            $this->none->currency,
        );
    }

    /** What was sold, less what came back, before tax. */
    public function net(): Money
    {
        return $this->total(static fn (DepartmentSales $one): Money => $one->net);
    }

    /** @param  callable(DepartmentSales): Money  $of */
    public function total(callable $of): Money
    {
        return Money::sum(array_map($of, $this->departments), $this->none->currency);
    }

    public function sales(): int
    {
        return array_sum(array_map(static fn (SalesOfAnHour $one): int => $one->sales, $this->hours));
    }

    public function returns(): int
    {
        return array_sum(array_map(static fn (SalesOfAnHour $one): int => $one->returns, $this->hours));
    }

    /** What a sale comes to on average, what came back taken off; null: there were none. */
    public function average(): ?Money
    {
        return $this->sales() === 0 ? null : $this->evenly($this->net(), $this->sales());
    }

    /** @return array<string, array{sales: int, net: Money}> by person */
    public function people(): array
    {
        $people = [];

        foreach ($this->hours as $one) {
            $before = $people[$one->person] ?? ['sales' => 0, 'net' => $this->none];
            $people[$one->person] = [
                'sales' => $before['sales'] + $one->sales,
                'net' => $before['net']->plus($one->net),
            ];
        }

        return $people;
    }

    /** @return array<int, Money> net by hour of the day, from the first with a sale to the last */
    public function byHour(): array
    {
        $hours = [];

        foreach ($this->hours as $one) {
            $one->hour === null
                || $hours[$one->hour] = ($hours[$one->hour] ?? $this->none)->plus($one->net);
        }

        if ($hours === []) {
            return [];
        }

        $all = array_fill_keys(range(min(array_keys($hours)), max(array_keys($hours))), $this->none);

        return array_replace($all, $hours);
    }

    /** What the same weekday came to on average over the weeks before in which there was one; null: in none. */
    public function usual(): ?Money
    {
        $traded = array_filter($this->before, static fn (array $one): bool => $one['count'] > 0);

        return $traded === []
            ? null
            : $this->evenly(Money::sum(array_column($traded, 'net'), $this->none->currency), count($traded));
    }

    /** @param  int  $many above zero */
    private function evenly(Money $sum, int $many): Money
    {
        return Money::round(BigRational::of($sum->toString())->dividedBy($many), $sum->currency);
    }
}
