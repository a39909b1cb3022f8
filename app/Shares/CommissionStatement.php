<?php

declare(strict_types=1);

namespace Elmstone\Shares;

use Carbon\CarbonImmutable;
use Elmstone\Books\Figures\Posted;
use Elmstone\Core\Money\Money;
use Elmstone\Shop\House;
use Elmstone\Staff\Staff;
use Elmstone\Support\Report\Period;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/**
 * What a person's commission was before a period and not paid out, what was earned, taken back and paid out in it, and
 * what is owed at its end.
 */
final readonly class CommissionStatement
{
    /**
     * @param  list<StatementLine>  $lines
     * @param  list<CommissionPayment>  $payments in the period
     */
    private function __construct(
        public Staff $person,
        public Period $period,
        public Money $before,
        public array $lines,
        public array $payments,
        public Money $earned,
        public Money $paid,
    ) {
    }

    public static function of(Staff $person, Period $period, EarnedCommission $commission, House $house): self
    {
        $dayBefore = $period->from->subDay();
        $lines = $commission->lines($person->id, $period);
        $payments = array_values(self::payments($person->id)
            ->filter(static fn (CommissionPayment $payment): bool => $period->has($payment->day))
            ->all());

        return new self(
            $person,
            $period,
            $commission->until($person->id, $dayBefore)->minus(self::paidUntil($person->id, $dayBefore, $house)),
            $lines,
            $payments,
            Money::sum(array_map(static fn (StatementLine $line): Money => $line->earned, $lines), $house->currency()),
            Money::sum(array_map(static fn (CommissionPayment $of): Money => $of->amount, $payments),
                $house->currency()),
        );
    }

    /** What is owed at the end of the period. */
    public function owed(): Money
    {
        return $this->before->plus($this->earned)->minus($this->paid);
    }

    public function net(): Money
    {
        return Money::sum(
            array_map(static fn (StatementLine $line): Money => $line->net, $this->lines),
            $this->before->currency,
        );
    }

    /**
     * What of the commission earned up to a day nobody paid out yet, whenever the rest was paid.
     */
    public static function owedUntil(
        int $person,
        CarbonImmutable $day,
        EarnedCommission $commission,
        House $house,
    ): Money {
        return $commission->until($person, $day)->minus(self::paidUntil($person, null, $house));
    }

    /** What was paid out up to a day; null: ever. */
    public static function paidUntil(int $person, ?CarbonImmutable $day, House $house): Money
    {
        $paid = DB::table('commission_payments')->where('staff_id', $person);
        $day === null || $paid->where('business_date', '<=', $day->format('Y-m-d'));

        return $house->money((int) $paid->sum('amount'));
    }

    /** @return Collection<int, CommissionPayment> */
    private static function payments(int $person): Collection
    {
        return Posted::documents()
            ->join('commission_payments as p', 'p.document_id', '=', 'd.id')
            ->where('p.staff_id', $person)
            ->orderBy('p.document_id')
            ->get(['d.label', 'p.business_date', 'p.until', 'p.amount', 'd.currency'])
            ->map(CommissionPayment::read(...));
    }
}
