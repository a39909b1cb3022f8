<?php

declare(strict_types=1);

namespace Elmstone\Deliveries;

use Brick\Math\BigDecimal;
use Elmstone\Support\Database\Record;

/**
 * A lorry of the shop.
 *
 * @property int $id
 * @property int $location_id
 * @property string $name
 * @property string|null $carries kilograms; null: nobody has said
 * @property bool $active
 */
final class Vehicle extends Record
{
    protected $table = 'vehicles';

    protected $casts = ['active' => 'bool'];

    public function carriesAtMost(): ?BigDecimal
    {
        return $this->carries === null ? null : BigDecimal::of($this->carries)->stripTrailingZeros();
    }
}
