<?php

declare(strict_types=1);

namespace Elmstone\Core\Receivables;

use DateTimeImmutable;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;

/**
 * What a shop charges for money that is late: per overdue item past its grace days, never on an earlier finance charge,
 * and not on what unused credit would meet.
 */
final readonly class FinanceCharge
{
    /** @param  array<string, Money>  $perItem by item id, those that bear something */
    private function __construct(public array $perItem, public Money $amount)
    {
    }

    /**
     * @param  list<OpenItem>  $items charges and credits, as they stand on that day
     * @param  Percentage  $monthly in percent
     * @param  Money  $minimum of the sum, where there is anything to charge at all
     */
    public static function on(
        Currency $currency,
        DateTimeImmutable $asOf,
        array $items,
        Percentage $monthly,
        int $graceDays,
        Money $minimum,
    ): self {
        $perItem = [];

        foreach (OpenItem::afterCredits($items) as $item) {
            if (! $item->isFinanceCharge && $item->daysLate($asOf) > $graceDays) {
                $perItem[$item->id] = $item->open->percent($monthly);
            }
        }

        $sum = Money::sum($perItem, $currency);

        return new self($perItem, $perItem !== [] && $minimum->exceeds($sum) ? $minimum : $sum);
    }
}
