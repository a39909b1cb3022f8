<?php

declare(strict_types=1);

namespace Elmstone\Counter\Slip;

use Carbon\CarbonImmutable;
use Elmstone\Core\Layaway\Rhythm;
use Elmstone\Core\Money\Money;
use Elmstone\Layaways\AgreedTerms;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;

/**
 * That a slip is to be held as a layaway, and under which terms.
 *
 * @property int $slip_id
 * @property Money $deposit minor units
 * @property int $count of payments after the deposit
 * @property Rhythm $rhythm
 * @property CarbonImmutable $first_due
 * @property CarbonImmutable $expires_on
 * @property int $grace_days
 * @property string $terms as AgreedTerms writes them
 * @property string|null $signature strokes of the pen, as an SVG path
 * @property string $signed_by
 * @property string $signed_for digest of what was signed
 */
final class SlipHold extends Record
{
    protected $table = 'slip_holds';

    protected $primaryKey = 'slip_id';

    public $incrementing = false;

    protected $casts = [
        'deposit' => MoneyCast::class,
        'rhythm' => Rhythm::class,
        'first_due' => 'immutable_date',
        'expires_on' => 'immutable_date',

        'count' => 'int',
        'grace_days' => 'int',
    ];

    public function agreedTerms(): AgreedTerms
    {
        return AgreedTerms::fromJson($this->terms);
    }
}
