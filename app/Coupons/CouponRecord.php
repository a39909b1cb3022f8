<?php

declare(strict_types=1);

namespace Elmstone\Coupons;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Reduction;
use Elmstone\Core\Slip\Coupon;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Casts\PercentageCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Collection;
use LogicException;

/**
 * A coupon the shop has given out.
 *
 * @property int $id
 * @property string $code
 * @property string $description
 * @property Percentage|null $percent
 * @property Money|null $amount minor units
 * @property list<int>|null $items ids; null with departments null: the whole slip
 * @property list<int>|null $departments ids
 * @property Money|null $least_spend minor units
 * @property CarbonImmutable $starts_on
 * @property CarbonImmutable|null $ends_on its last day
 * @property int|null $most_uses null: any number
 * @property int $uses
 * @property bool $alone
 * @property bool $active
 */
final class CouponRecord extends Record
{
    protected $table = 'coupons';

    protected $casts = [
        'amount' => MoneyCast::class,
        'least_spend' => MoneyCast::class,
        'percent' => PercentageCast::class,
        'items' => 'array',
        'departments' => 'array',
        'starts_on' => 'immutable_date',
        'ends_on' => 'immutable_date',
        'alone' => 'bool',
        'active' => 'bool',
        'uses' => 'int',
        'most_uses' => 'int',
    ];

    /**
     * Those in force for everybody, the newest first: one that counts once was given to somebody, who has its code.
     *
     * @return Collection<int, self> by id
     */
    public static function inForceOn(CarbonImmutable $day, int $most): Collection
    {
        return self::query()
            ->where('active', true)
            ->where('starts_on', '<=', $day->format('Y-m-d'))
            ->where(static fn ($ends) => $ends->whereNull('ends_on')->orWhere('ends_on', '>=', $day->format('Y-m-d')))
            ->where(
                static fn ($uses) => $uses->whereNull('most_uses')->orWhere(
                    static fn ($some) => $some->where('most_uses', '>', 1)->whereColumn('uses', '<', 'most_uses'),
                ),
            )
            ->orderByDesc('id')
            ->limit($most)
            ->get()
            ->keyBy('id');
    }

    /** @param  list<string>|null  $lines ids of the lines it is for; null: all */
    public function toValue(?array $lines): Coupon
    {
        return new Coupon(
            $this->code,
            Reduction::stored($this->percent, $this->amount)
                ?? throw new LogicException("Coupon {$this->code} takes nothing off."),
            $lines,
            $this->least_spend,
            $this->alone,
        );
    }

    public function isForAll(): bool
    {
        return $this->items === null && $this->departments === null;
    }

    public function isFor(?int $item, ?int $department): bool
    {
        return $this->isForAll()
            || in_array($item, $this->items ?? [], true)
            || in_array($department, $this->departments ?? [], true);
    }

    /** Why it cannot be used on a day; nothing where it can. */
    public function hindrance(CarbonImmutable $day): string
    {
        return match (true) {
            ! $this->active => 'was withdrawn',
            $this->starts_on->greaterThan($day) => 'counts from '.$this->starts_on->format('j M Y'),
            $this->ends_on?->lessThan($day->startOfDay()) === true => 'ended on '.$this->ends_on->format('j M Y'),
            $this->most_uses !== null && $this->uses >= $this->most_uses => $this->most_uses === 1
                ? 'was used already'
                : "was used {$this->uses} times, which is all",
            default => '',
        };
    }
}
