<?php

declare(strict_types=1);

namespace Elmstone\Returns;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Percentage;
use Elmstone\Support\Casts\PercentageCast;
use Elmstone\Support\Database\Record;

/**
 * What the shop takes back: within how many days, for which restocking fee, in what state.
 *
 * @property int $id
 * @property string $name
 * @property bool $returnable
 * @property int|null $days null: for ever
 * @property Percentage $fee_percent
 * @property string $words
 */
final class ReturnPolicy extends Record
{
    protected $table = 'return_policies';

    protected $casts = [
        'fee_percent' => PercentageCast::class,
        'returnable' => 'bool', 'days' => 'int',
    ];

    /** Why something sold on a day is outside it; nothing where it is inside. */
    public function outside(CarbonImmutable $sold, CarbonImmutable $day): string
    {
        $age = (int) $sold->startOfDay()->diffInDays($day->startOfDay());

        return match (true) {
            ! $this->returnable => 'not taken back',
            $this->days !== null && $age > $this->days => "bought {$age} days ago; {$this->days} are allowed",
            default => '',
        };
    }

    /** "within 30 days, 15 % restocking fee" */
    public function summary(): string
    {
        $parts = array_filter(
            [
                $this->returnable
                    ? ($this->days === null
                        ? 'at any time'
                        : "within {$this->days} days")
                    : 'not taken back',
                $this->returnable && $this->hasFee()
                    ? $this->fee_percent->toString().' % restocking fee'
                    : '',
                $this->returnable ? $this->words : '',
            ],
            static fn (string $part): bool => $part !== '',
        );

        return implode(', ', $parts);
    }

    public function hasFee(): bool
    {
        return ! $this->fee_percent->value->isZero();
    }
}
