<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * @property int $agreement_id
 * @property int $revision
 * @property int $position
 * @property CarbonImmutable $due
 * @property int $amount minor units
 */
final class LayawayInstalment extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $guarded = [];

    protected $casts = ['due' => 'immutable_date', 'amount' => 'int', 'revision' => 'int'];
}
