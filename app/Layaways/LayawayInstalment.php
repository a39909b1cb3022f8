<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;

/**
 * @property int $agreement_id
 * @property int $revision
 * @property int $position
 * @property CarbonImmutable $due
 * @property Money $amount minor units
 */
final class LayawayInstalment extends Record
{
    protected $table = 'layaway_instalments';

    public $incrementing = false;

    protected $casts = [
        'amount' => MoneyCast::class,
        'due' => 'immutable_date', 'revision' => 'int',
    ];
}
