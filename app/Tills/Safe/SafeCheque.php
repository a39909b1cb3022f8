<?php

declare(strict_types=1);

namespace Elmstone\Tills\Safe;

use Elmstone\Core\Money\Money;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;

/**
 * A cheque that went from a drawer to the safe, and perhaps from there to the bank.
 *
 * @property int $id
 * @property int $location_id
 * @property int $session_id of whose drawer it came
 * @property int|null $document_id that it was taken with; null: it was on no list
 * @property int|null $position of the tender
 * @property string $number
 * @property string $payer
 * @property Money $amount
 * @property int|null $lodgement_id by which it was paid in
 */
final class SafeCheque extends Record
{
    protected $table = 'safe_cheques';

    protected $casts = ['amount' => MoneyCast::class];
}
