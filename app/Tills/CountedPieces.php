<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Core\Money\Money;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;

/**
 * So many of a note or coin.
 *
 * @property int $count_id
 * @property Money $unit
 * @property int $pieces
 */
final class CountedPieces extends Record
{
    protected $table = 'till_count_units';

    protected $primaryKey = 'count_id';

    public $incrementing = false;

    protected $casts = ['unit' => MoneyCast::class];
}
