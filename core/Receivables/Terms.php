<?php

declare(strict_types=1);

namespace Elmstone\Core\Receivables;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use DateInterval;
use DateTimeImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Refused;

/**
 * When an invoice falls due, and the discount for settling early: "2 % in 10 days, net 30".
 */
final readonly class Terms
{
    /**
     * @param  int  $days days, or the day of next month
     * @param  int  $discountDays days from the invoice's date in which the discount holds
     */
    private function __construct(
        public TermsKind $kind,
        public int $days,
        public ?Percentage $discount,
        public int $discountDays,
    ) {
    }

    /** @throws Refused bad_terms */
    public static function of(TermsKind $kind, int $days = 0, ?Percentage $discount = null, int $discountDays = 0): self
    {
        $most = $kind === TermsKind::DayOfNextMonth ? 31 : 365;

        return match (true) {
            $kind->hasDays() && (
                $days < ($kind === TermsKind::DayOfNextMonth ? 1 : 0) || $days > $most
            ) => throw Refused::because(
                'bad_terms',
                $kind === TermsKind::DayOfNextMonth
                    ? 'A day of the month is between 1 and 31.'
                    : 'Terms are between 0 and 365 days.',
            ),
            $discount !== null && $discount->value->isGreaterThanOrEqualTo(100) => throw Refused::because(
                'bad_terms',
                'A settlement discount is less than 100 %.',
            ),
            $discount !== null && ($discountDays < 0 || $discountDays > 365) => throw Refused::because(
                'bad_terms',
                'A settlement discount holds between 0 and 365 days.',
            ),
            default => new self(
                $kind,
                $kind->hasDays() ? $days : 0,
                $discount !== null && $discount->value->isZero() ? null : $discount,
                $discountDays,
            ),
        };
    }

    /** A day that the month does not have becomes its last. */
    public function dueOn(DateTimeImmutable $date): DateTimeImmutable
    {
        return match ($this->kind) {
            TermsKind::Net => $date->add(new DateInterval("P{$this->days}D")),
            TermsKind::AfterMonthEnd => $date
                ->modify('last day of this month')
                ->add(new DateInterval("P{$this->days}D")),
            TermsKind::DayOfNextMonth => self::dayOf($date->modify('first day of next month'), $this->days),
            TermsKind::AtOnce => $date,
        };
    }

    /** The last day on which the settlement discount holds; null: there is none. */
    public function discountUntil(DateTimeImmutable $date): ?DateTimeImmutable
    {
        return $this->discount === null ? null : $date->add(new DateInterval("P{$this->discountDays}D"));
    }

    /**
     * What leaving the discount would cost in a year, as simple interest: d ÷ (100 − d) × 360 ÷ days it buys.
     * "2/10 net 30" is 36.7 %. The year of 360 days is the handbooks' (common practice).
     *
     * @return string|null percent to one place; null where the discount buys no time
     */
    public function yearlyCost(): ?string
    {
        $bought = $this->days - $this->discountDays;

        return $this->kind !== TermsKind::Net || $this->discount === null || $bought <= 0
            ? null
            : (string) BigDecimal::of($this->discount->value)
                ->multipliedBy(36000)
                ->dividedBy(
                    BigDecimal::of(100)->minus($this->discount->value)->multipliedBy($bought),
                    1,
                    RoundingMode::HALF_UP,
                );
    }

    /** The discount on paying so much off. */
    public static function discountOn(Money $open, Percentage $discount): Money
    {
        return $open->percent($discount);
    }

    /**
     * "net 30", "10 days after month end", "the 15th of next month", "due at once"; with "2 % in 10 days" before it.
     */
    public function words(): string
    {
        $due = match ($this->kind) {
            TermsKind::Net => "net {$this->days}",
            TermsKind::AfterMonthEnd => $this->days === 0 ? 'due at month end' : "{$this->days} days after month end",
            TermsKind::DayOfNextMonth => "due on day {$this->days} of next month",
            TermsKind::AtOnce => 'due at once',
        };

        return $this->discount === null
            ? $due
            : "{$this->discount->value->stripTrailingZeros()} % in {$this->discountDays} days, {$due}";
    }

    private static function dayOf(DateTimeImmutable $month, int $day): DateTimeImmutable
    {
        return $month->setDate(
            (int) $month->format('Y'),
            (int) $month->format('n'),
            min($day, (int) $month->format('t')),
        );
    }
}
