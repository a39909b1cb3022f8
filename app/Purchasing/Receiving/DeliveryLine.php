<?php

declare(strict_types=1);

namespace Elmstone\Purchasing\Receiving;

use Elmstone\Core\Money\Money;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;

/**
 * What came in of one line of a purchase. Insert-only.
 *
 * @property int $document_id
 * @property int $position of the purchase
 * @property string $quantity taken in
 * @property string $refused not taken in
 * @property string $refused_why damaged, wrong
 * @property Money $amount without freight
 */
final class DeliveryLine extends Record
{
    protected $table = 'delivery_lines';

    public $incrementing = false;

    protected $casts = ['amount' => MoneyCast::class];
}
