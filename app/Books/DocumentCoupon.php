<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Illuminate\Database\Eloquent\Model;

/**
 * @property int $document_id
 * @property int $position
 * @property int $coupon_id
 * @property string $code
 * @property string $description
 * @property string|null $percent
 * @property int|null $amount minor units; null: a percentage
 * @property list<int>|null $for_lines
 * @property int|null $least_spend
 * @property bool $alone
 * @property int $taken minor units
 */
final class DocumentCoupon extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $guarded = [];

    protected $casts = ['for_lines' => 'array', 'alone' => 'bool'];
}
