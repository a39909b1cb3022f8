<?php

declare(strict_types=1);

namespace Elmstone\Orders;

use Brick\Math\BigDecimal;
use Elmstone\Support\Database\Record;

/**
 * What was picked of a line of an order and has not left yet. Changed through PickOrder only.
 *
 * @property int $agreement_id
 * @property int $position
 * @property string $quantity
 * @property list<string>|null $serials
 * @property string $act the last one, so that one sent again counts once
 */
final class Pick extends Record
{
    protected $table = 'order_picks';

    public $incrementing = false;

    protected $casts = ['serials' => 'array'];

    /** So many of them, as far as they are set aside still. */
    public function of(OrderLine $line): BigDecimal
    {
        $picked = BigDecimal::of($this->quantity)->stripTrailingZeros();

        return $picked->isGreaterThan($line->isAside()) ? $line->isAside() : $picked;
    }
}
