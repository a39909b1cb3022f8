<?php

declare(strict_types=1);

namespace Elmstone\Purchasing;

use Brick\Math\BigDecimal;
use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Purchasing\Receiving\Delivery;
use Elmstone\Purchasing\Receiving\Receive;
use Elmstone\Purchasing\Suppliers\Supplier;
use Elmstone\Shop\Location;
use Elmstone\Staff\Staff;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * An order to a supplier, from its draft until everything is here or will not come. Changed by PurchaseDesk and Receive
 * only, under its lock.
 *
 * @property int $id
 * @property string $label "PUR-000012"
 * @property string $key
 * @property int $supplier_id
 * @property int $location_id where the goods are to come
 * @property int $staff_id
 * @property PurchaseState $state
 * @property CarbonImmutable $made_on
 * @property CarbonImmutable|null $sent_on
 * @property CarbonImmutable|null $expected_on
 * @property CarbonImmutable|null $ended_on
 * @property string $note
 * @property int $version
 * @property-read Supplier $supplier
 * @property-read Location $location
 * @property-read Staff $staff
 * @property-read Collection<int, PurchaseLine> $lines
 * @property-read Collection<int, Delivery> $deliveries
 */
final class Purchase extends Record
{
    protected $table = 'purchases';

    /** @var Collection<int, PurchaseLine>|null out of which they were put by position */
    private ?Collection $linesOf = null;

    /** @var array<int, PurchaseLine> by position */
    private array $linesAt = [];

    protected $casts = [
        'state' => PurchaseState::class,
        'made_on' => 'immutable_date',
        'sent_on' => 'immutable_date',
        'expected_on' => 'immutable_date',
        'ended_on' => 'immutable_date',
        'version' => 'int',
    ];

    protected static function booted(): void
    {
        // Its number follows from its id.
        self::created(static function (self $purchase): void {
            $purchase->forceFill(['label' => sprintf('PUR-%06d', $purchase->id)])->save();
        });
    }

    public function getRouteKeyName(): string
    {
        return 'label';
    }

    /** @return BelongsTo<Supplier, $this> */
    public function supplier(): BelongsTo
    {
        return $this->belongsTo(Supplier::class);
    }

    /** @return BelongsTo<Location, $this> */
    public function location(): BelongsTo
    {
        return $this->belongsTo(Location::class);
    }

    /** @return BelongsTo<Staff, $this> */
    public function staff(): BelongsTo
    {
        return $this->belongsTo(Staff::class);
    }

    /** @return HasMany<PurchaseLine, $this> */
    public function lines(): HasMany
    {
        return $this->hasMany(PurchaseLine::class)->orderBy('position');
    }

    public function at(int $position): ?PurchaseLine
    {
        if ($this->linesOf !== $this->lines) {
            $this->linesOf = $this->lines;
            $this->linesAt = $this->lines->keyBy('position')->all();
        }

        return $this->linesAt[$position] ?? null;
    }

    /** @return HasMany<Delivery, $this> */
    public function deliveries(): HasMany
    {
        return $this->hasMany(Delivery::class)->orderBy('document_id');
    }

    /** What is still to come, at the cost expected. */
    public function toCome(Currency $currency): Money
    {
        return Money::sum(
            $this->lines->map(static fn (PurchaseLine $line): Money => $line->worth($line->toCome(), $currency)),
            $currency,
        );
    }

    /** What was ordered, at the cost expected. */
    public function total(Currency $currency): Money
    {
        return Money::sum(
            $this->lines->map(static fn (PurchaseLine $line): Money => $line->worth(
                BigDecimal::of($line->quantity),
                $currency,
            )),
            $currency,
        );
    }

    public function isLate(CarbonImmutable $day): bool
    {
        return $this->state === PurchaseState::Sent && $this->expected_on !== null && $this->expected_on < $day;
    }
}
