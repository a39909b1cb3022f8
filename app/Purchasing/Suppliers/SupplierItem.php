<?php

declare(strict_types=1);

namespace Elmstone\Purchasing\Suppliers;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Support\Casts\UnitPriceCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What a supplier calls an item, and asks for it.
 *
 * @property int $item_id
 * @property int $supplier_id
 * @property string $their_code
 * @property UnitPrice $cost per unit of the item's price
 * @property string $pack it is bought in multiples of this
 * @property bool $is_first where it is bought as a rule
 * @property-read Supplier $supplier
 */
final class SupplierItem extends Record
{
    protected $table = 'item_suppliers';

    public $incrementing = false;

    protected $casts = ['cost' => UnitPriceCast::class, 'is_first' => 'bool'];

    /** @return BelongsTo<Supplier, $this> */
    public function supplier(): BelongsTo
    {
        return $this->belongsTo(Supplier::class);
    }

    /** So many, in whole packs. */
    public function inPacks(BigDecimal $quantity): BigDecimal
    {
        $pack = BigDecimal::of($this->pack);

        return $quantity->dividedBy($pack, 0, RoundingMode::CEILING)->multipliedBy($pack)->stripTrailingZeros();
    }
}
