<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

use Brick\Math\BigDecimal;
use Carbon\CarbonImmutable;
use Elmstone\Catalogue\Families\Family;
use Elmstone\Core\Consignment\Consigned;
use Elmstone\Core\Consignment\OwnerShare;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Support\Casts\UnitPriceCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * Something the shop sells.
 *
 * @property int $id
 * @property string $code
 * @property string|null $barcode
 * @property string $description
 * @property int $department_id
 * @property Unit $unit
 * @property int $price_per how many units the prices and the cost are for
 * @property UnitPrice $list_price
 * @property UnitPrice|null $floor_price the lowest price the house accepts
 * @property UnitPrice $cost moving average
 * @property string $tax_class
 * @property bool $may_discount
 * @property bool $net_price never discounted
 * @property bool $active
 * @property int|null $return_policy_id null: as its department has it
 * @property bool $divisible sold in parts though it is counted in pieces
 * @property bool $has_serials asked for when it is sold or set aside
 * @property bool $has_belongings whether something goes with it
 * @property string $shelf where it stands; empty: not known
 * @property string $weight of one unit, in the shop's unit of weight; 0: not known
 * @property string|null $content of one unit, in content_unit; null: not said
 * @property string $content_unit
 * @property string $clerk_words what whoever sells it should know or say
 * @property UnitPrice|null $marked_price marked down by age; null: not
 * @property CarbonImmutable|null $marked_on
 * @property int|null $family_id
 * @property int|null $first_value the row of its family's grid
 * @property int|null $second_value the column
 * @property int|null $owner_id whose it is until it is sold; null: the house's
 * @property string|null $owner_percent
 * @property CarbonImmutable $updated_at
 * @property-read Department $department
 * @property-read Collection<int, QuantityBreakRecord> $breaks
 * @property-read Collection<int, PromotionRecord> $promotions
 * @property-read Collection<int, Stock> $stock
 * @property-read Family|null $family
 * @property-read Collection<int, Item> $belongings
 * @property-read Collection<int, PriceChange> $priceChanges
 */
final class Item extends Record
{
    protected $table = 'items';

    public $timestamps = true;

    protected $casts = [
        'list_price' => UnitPriceCast::class,
        'floor_price' => UnitPriceCast::class,
        'cost' => UnitPriceCast::class,
        'marked_price' => UnitPriceCast::class,
        'marked_on' => 'immutable_date',
        'unit' => Unit::class,
        'price_per' => 'int',
        'may_discount' => 'bool',
        'net_price' => 'bool',
        'active' => 'bool',
        'has_serials' => 'bool',
        'divisible' => 'bool',
        'has_belongings' => 'bool',
        'first_value' => 'int',
        'second_value' => 'int',
        'updated_at' => 'immutable_datetime',
    ];

    /**
     * Columns of a line it stands on; how many, and at what price, is the line's own.
     *
     * @return array<string, mixed>
     */
    public function onLine(): array
    {
        return [
            'item_id' => $this->id,
            'code' => $this->code,
            'description' => $this->description,
            'department_id' => $this->department_id,
            'unit' => $this->unit->value,
            'price_per' => $this->price_per,
            'tax_class' => $this->tax_class,
            'cost' => $this->cost,
        ];
    }

    /** @return BelongsTo<Department, $this> */
    public function department(): BelongsTo
    {
        return $this->belongsTo(Department::class);
    }

    /** @return BelongsTo<Family, $this> */
    public function family(): BelongsTo
    {
        return $this->belongsTo(Family::class);
    }

    /** @return HasMany<QuantityBreakRecord, $this> */
    public function breaks(): HasMany
    {
        return $this->hasMany(QuantityBreakRecord::class)->orderBy('from_quantity');
    }

    /** @return HasMany<PromotionRecord, $this> */
    public function promotions(): HasMany
    {
        return $this->hasMany(PromotionRecord::class)->orderBy('from_date');
    }

    /** @return HasMany<Stock, $this> */
    public function stock(): HasMany
    {
        return $this->hasMany(Stock::class)->orderBy('location_id');
    }

    /** @return BelongsToMany<self, $this> what goes with it, as far as it is on sale */
    public function belongings(): BelongsToMany
    {
        return $this->belongsToMany(self::class, 'item_belongings', 'item_id', 'belongs_id')
            ->where('active', true)
            ->orderBy('item_belongings.position');
    }

    /** @return HasMany<PriceChange, $this> */
    public function priceChanges(): HasMany
    {
        return $this->hasMany(PriceChange::class)->orderByDesc('id');
    }

    /** Whose it is until it is sold, and what they have of it then; null: the house's. */
    public function consigned(): ?Consigned
    {
        return $this->owner_id === null || $this->owner_percent === null
            ? null
            : new Consigned($this->owner_id, OwnerShare::percent($this->owner_percent));
    }

    /** @throws Refused whole_pieces where it is half of something that is sold whole */
    public function assertSoldIn(Quantity $quantity): void
    {
        $quantity->isWhole() || $this->divisible || $this->unit->isDivisible() || throw Refused::because(
            'whole_pieces',
            "“{$this->description}” is sold whole: type a whole number. If it may be divided, its page can say so.",
        );
    }

    /** Of all locations together, as far as they were read. */
    public function onHand(): BigDecimal
    {
        return BigDecimal::sum(BigDecimal::zero(), ...$this->stock->map(
            static fn (Stock $one): BigDecimal => BigDecimal::of($one->on_hand),
        )->all());
    }

    /** Whether a line or slip discount may come off it. */
    public function takesDiscount(): bool
    {
        return $this->may_discount && ! $this->net_price;
    }
}
