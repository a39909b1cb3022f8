<?php

declare(strict_types=1);

namespace Elmstone\Counter\Slip;

use Elmstone\Core\Money\Money;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;

/**
 * A layaway that is paid on, a coupon, a gift card sold or paid with: as the slip keeps it.
 *
 * @property int $id
 * @property int $slip_id
 * @property PartKind $kind
 * @property int $position
 * @property int|null $agreement_id
 * @property int|null $coupon_id
 * @property int|null $gift_card_id null: a new card
 * @property Money $amount minor units
 * @property bool|null $leaves whether the goods of a layaway leave; null: not said
 * @property string|null $goods what of an order leaves, as OrderPart writes it
 * @property string $code what is kept of a gift card's number; empty: drawn when it is posted
 * @property string $number of a new card that brings its own: the number, encrypted, until it is posted
 */
final class SlipPart extends Record
{
    protected $table = 'slip_parts';

    protected $casts = [
        'amount' => MoneyCast::class,
        'kind' => PartKind::class, 'leaves' => 'bool',
    ];
}
