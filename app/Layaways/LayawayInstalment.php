<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Carbon\CarbonImmutable;
use Elmstone\Support\Database\Record;

/**
 * @property int $agreement_id
 * @property int $revision
 * @property int $position
 * @property CarbonImmutable $due
 * @property int $amount minor units
 */
final class LayawayInstalment extends Record
{
    protected $table = 'layaway_instalments';

    public $incrementing = false;

    protected $casts = ['due' => 'immutable_date', 'amount' => 'int', 'revision' => 'int'];
}
