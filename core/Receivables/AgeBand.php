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
        $late = $item->daysLate($asOf);

        return match (true) {
            $item->kind === ItemKind::Credit => self::UnusedCredit,
            $late === 0 => self::NotDue,
            $late <= 30 => self::To30,
            $late <= 60 => self::To60,
            $late <= 90 => self::To90,
            default => self::Over90,
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
