<?php

declare(strict_types=1);

namespace Elmstone\Core\Receivables;

use DateTimeImmutable;

/** The columns of an ageing, by days past due (30-day bands: common practice, no source). */
enum AgeBand: string
{
    case NotDue = 'not_due';
    case To30 = '1-30';
    case To60 = '31-60';
    case To90 = '61-90';
    case Over90 = 'over_90';
    case UnusedCredit = 'unused_credit';

    public static function of(OpenItem $item, DateTimeImmutable $asOf): self
    {
        if ($item->kind === ItemKind::Credit) {
            return self::UnusedCredit;
        }

        $late = $item->daysLate($asOf);

        foreach (self::charges() as $band) {
            if ($late <= $band->mostDaysLate()) {
                return $band;
            }
        }

        return self::Over90;
    }

    /** @return non-empty-list<self> those of charges, the least late first */
    public static function charges(): array
    {
        return [self::NotDue, self::To30, self::To60, self::To90, self::Over90];
    }

    /** How many days a charge in it is late at most; without end for the last. Credits are never late. */
    public function mostDaysLate(): int
    {
        return match ($this) {
            self::NotDue, self::UnusedCredit => 0,
            self::To30 => 30,
            self::To60 => 60,
            self::To90 => 90,
            self::Over90 => PHP_INT_MAX,
        };
    }

    public function label(): string
    {
        return match ($this) {
            self::NotDue => 'Not due',
            self::To30 => '1–30 days late',
            self::To60 => '31–60',
            self::To90 => '61–90',
            self::Over90 => 'Over 90',
            self::UnusedCredit => 'Unused credit',
        };
    }
}
