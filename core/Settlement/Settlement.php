<?php

declare(strict_types=1);

namespace Elmstone\Core\Settlement;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;

/**
 * How tenders meet a total: what each of them pays, the change, and what is left. docs/rules.md, "Settlement".
 *
 * A total below zero is settled the same way with the money going out: every figure here is then positive and means
 * money paid to the customer, and `cashRounding` is what they get more (or, below zero, less) than the exact amount.
 */
final readonly class Settlement
{
    /**
     * @param  list<Tender>  $applied what each tender really pays, in the order given; Σ applied + outstanding =
     *     |total| + cash rounding
     */
    private function __construct(
        public Money $total,
        public array $applied,
        public Money $cashRounding,
        public Money $change,
        public Money $outstanding,
    ) {
    }

    /**
     * @param  list<Tender>  $tenders
     *
     * @throws Refused over_tendered when tenders other than cash come to more than the total
     */
    public static function of(Money $total, array $tenders, ?CashStep $step = null): self
    {
        $currency = $total->currency;
        $amount = static fn (Tender $tender): Money => $tender->amount;
        $cash = Money::sum(
            array_map($amount, array_filter($tenders, static fn (Tender $tender): bool => $tender->isCash())),
            $currency,
        );
        $others = Money::sum(array_map($amount, $tenders), $currency)->minus($cash);
        $due = $total->abs()->minus($others);

        if ($due->isNegative()) {
            throw Refused::because(
                'over_tendered',
                "That is {$due->negated()->toString()} more than is due. Only cash can be over, because only cash "
                    .'gives change.',
            );
        }

        [$rounding, $change, $outstanding] = self::meet($due, $cash, $cash->isPositive() ? $step : null);

        return new self($total, self::applied($tenders, $change), $rounding, $change, $outstanding);
    }

    public function isMet(): bool
    {
        return $this->outstanding->isZero();
    }

    /** @return array{Money, Money, Money} cash rounding, change, outstanding */
    private static function meet(Money $due, Money $cash, ?CashStep $step): array
    {
        $zero = Money::zero($due->currency);
        $rounded = $step?->nearest($due) ?? $due;

        return match (true) {
            ! $rounded->exceeds($cash) => [$rounded->minus($due), $cash->minus($rounded), $zero],
            ! $due->exceeds($cash) => [$zero, $cash->minus($due), $zero],
            default => [$zero, $zero, $due->minus($cash)],
        };
    }

    /**
     * Change comes out of the cash, the last counted first.
     *
     * @param  list<Tender>  $tenders
     * @return list<Tender>
     */
    private static function applied(array $tenders, Money $change): array
    {
        $applied = [];

        foreach (array_reverse($tenders) as $tender) {
            $back = $tender->isCash() ? Money::min($tender->amount, $change) : Money::zero($change->currency);
            $change = $change->minus($back);
            $applied[] = Tender::of($tender->kind, $tender->amount->minus($back));
        }

        return array_reverse($applied);
    }
}
