<?php

declare(strict_types=1);

namespace Elmstone\Counter\Slip;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;

/**
 * What the payer of a slip has signed for.
 *
 * @property int $slip_id
 * @property Money $amount minor units, what was signed for
 * @property string|null $signature strokes of the pen, as an SVG path; null: they sign the paper
 * @property string $signed_by
 * @property CarbonImmutable $signed_at
 */
final class SlipSignature extends Record
{
    protected $table = 'slip_signatures';

    protected $primaryKey = 'slip_id';

    public $incrementing = false;

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected $casts = ['amount' => MoneyCast::class, 'signed_at' => 'immutable_datetime'];
}
