<?php

declare(strict_types=1);

namespace Elmstone\Customers;

use Carbon\CarbonImmutable;
use Elmstone\Staff\Staff;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Something left for whoever serves them next.
 *
 * @property int $id
 * @property int $customer_id
 * @property int $staff_id
 * @property string $text
 * @property bool $at_counter
 * @property CarbonImmutable $written_at
 * @property CarbonImmutable|null $gone_at
 * @property-read Staff $staff
 */
final class CustomerNote extends Record
{
    protected $table = 'customer_notes';

    protected $casts = [
        'at_counter' => 'bool',
        'written_at' => 'immutable_datetime',
        'gone_at' => 'immutable_datetime',
    ];

    /** @return BelongsTo<Staff, $this> */
    public function staff(): BelongsTo
    {
        return $this->belongsTo(Staff::class);
    }
}
