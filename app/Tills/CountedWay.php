<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;

/**
 * Of one way of paying: what should have been there, and what was.
 *
 * @property int $count_id
 * @property TenderKind $way
 * @property Money $expected
 * @property Money $counted
 */
final class CountedWay extends Record
{
    protected $table = 'till_count_ways';

    protected $primaryKey = 'count_id';

    public $incrementing = false;

    protected $casts = [
        'way' => TenderKind::class,
        'expected' => MoneyCast::class,
        'counted' => MoneyCast::class,
    ];

    /** Below zero: it is short. */
    public function difference(): Money
    {
        return $this->counted->minus($this->expected);
    }
}
