<?php

declare(strict_types=1);

namespace Elmstone\Agreements;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Staff\Staff;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What was changed in an agreement, by whom. Insert-only.
 *
 * @property int $id
 * @property int $agreement_id
 * @property int $staff_id
 * @property string $what
 * @property Money $total_before minor units
 * @property Money $total_after minor units
 * @property int $revision
 * @property CarbonImmutable $made_at
 * @property-read Staff $staff
 */
final class AgreementChange extends Record
{
    protected $table = 'agreement_changes';

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected $casts = [
        'total_before' => MoneyCast::class,
        'total_after' => MoneyCast::class,
        'made_at' => 'immutable_datetime',
    ];

    /** @return BelongsTo<Staff, $this> */
    public function staff(): BelongsTo
    {
        return $this->belongsTo(Staff::class);
    }
}
