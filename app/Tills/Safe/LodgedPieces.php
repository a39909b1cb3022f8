<?php

declare(strict_types=1);

namespace Elmstone\Tills\Safe;

use Elmstone\Core\Money\Money;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;

/**
 * So many of a note or coin that were paid in.
 *
 * @property int $lodgement_id
 * @property Money $unit
 * @property int $pieces
 */
final class LodgedPieces extends Record
{
    protected $table = 'lodgement_units';

    protected $primaryKey = 'lodgement_id';

    public $incrementing = false;

    protected $casts = ['unit' => MoneyCast::class];
}
