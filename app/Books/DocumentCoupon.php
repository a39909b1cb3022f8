<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Casts\PercentageCast;
use Elmstone\Support\Database\Record;

/**
 * @property int $document_id
 * @property int $position
 * @property int $coupon_id
 * @property string $code
 * @property string $description
 * @property Percentage|null $percent
 * @property Money|null $amount null: a percentage
 * @property list<int>|null $for_lines
 * @property Money|null $least_spend
 * @property bool $alone
 * @property Money $taken
 */
final class DocumentCoupon extends Record
{
    protected $table = 'document_coupons';

    public $incrementing = false;

    protected $casts = [
        'amount' => MoneyCast::class,
        'least_spend' => MoneyCast::class,
        'taken' => MoneyCast::class,
        'percent' => PercentageCast::class,
        'for_lines' => 'array', 'alone' => 'bool',
    ];
}
