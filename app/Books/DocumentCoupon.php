<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Elmstone\Core\Money\Percentage;
use Elmstone\Support\Casts\PercentageCast;
use Elmstone\Support\Database\Record;

/**
 * @property int $document_id
 * @property int $position
 * @property int $coupon_id
 * @property string $code
 * @property string $description
 * @property Percentage|null $percent
 * @property int|null $amount minor units; null: a percentage
 * @property list<int>|null $for_lines
 * @property int|null $least_spend
 * @property bool $alone
 * @property int $taken minor units
 */
final class DocumentCoupon extends Record
{
    protected $table = 'document_coupons';

    public $incrementing = false;

    protected $casts = [
        'percent' => PercentageCast::class,
        'for_lines' => 'array', 'alone' => 'bool',
    ];
}
