<?php

declare(strict_types=1);

namespace Elmstone\Counter\Slip;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Orders\OrderSource;
use Elmstone\Orders\OrderWay;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;

/**
 * That a slip is to become an order or a quote, and on which terms.
 *
 * @property int $slip_id
 * @property OrderSource $source
 * @property bool $is_charged what is supplied goes to the house account
 * @property OrderWay $way of lines that say nothing else
 * @property int|null $from_id where they leave; null: here
 * @property CarbonImmutable|null $wanted_on
 * @property string $wanted_when
 * @property string $deliver_to
 * @property string $note to the customer
 * @property Money $deposit minor units
 * @property CarbonImmutable|null $valid_until of a quote
 * @property CarbonImmutable|null $follow_up_on of a quote
 * @property string $party who a quote is for, where nobody we know
 * @property string|null $signature strokes of the pen, as an SVG path
 * @property string $signed_by
 * @property string $signed_for digest of what was signed
 */
final class SlipPromise extends Record
{
    protected $table = 'slip_promises';

    protected $primaryKey = 'slip_id';

    public $incrementing = false;

    protected $casts = [
        'source' => OrderSource::class,
        'way' => OrderWay::class,
        'is_charged' => 'bool',
        'deposit' => MoneyCast::class,
        'wanted_on' => 'immutable_date',
        'valid_until' => 'immutable_date',
        'follow_up_on' => 'immutable_date',
    ];
}
