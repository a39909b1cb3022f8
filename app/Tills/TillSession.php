<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * One drawer from its float to its close. A closed one never changes.
 *
 * @property int $id
 * @property int $till_id
 * @property int $location_id
 * @property int $number of the till's own, without gaps
 * @property SessionState $state
 * @property int $opened_by
 * @property CarbonImmutable $opened_at
 * @property CarbonImmutable $opened_on
 * @property int|null $holder_id whose drawer it is; null: of whoever is at the till
 * @property Money $carried what the close before left in
 * @property Money $float_amount what was in it when it was opened
 * @property int|null $closed_by
 * @property CarbonImmutable|null $closed_at
 * @property CarbonImmutable|null $closed_on
 * @property Money|null $left_in the next float
 * @property Money|null $to_safe
 * @property string $note
 * @property int|null $witness_id who signed a large difference too
 * @property-read Till $till
 * @property-read Staff $opener
 * @property-read Staff|null $closer
 * @property-read Staff|null $holder
 * @property-read Staff|null $witness
 * @property-read Collection<int, TillCount> $counts
 */
final class TillSession extends Record
{
    protected $table = 'till_sessions';

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected $casts = [
        'state' => SessionState::class,
        'opened_at' => 'immutable_datetime',
        'opened_on' => 'immutable_date',
        'closed_at' => 'immutable_datetime',
        'closed_on' => 'immutable_date',
        'carried' => MoneyCast::class,
        'float_amount' => MoneyCast::class,
        'left_in' => MoneyCast::class,
        'to_safe' => MoneyCast::class,
    ];

    /** @return BelongsTo<Till, $this> */
    public function till(): BelongsTo
    {
        return $this->belongsTo(Till::class);
    }

    /** @return BelongsTo<Staff, $this> */
    public function opener(): BelongsTo
    {
        return $this->belongsTo(Staff::class, 'opened_by');
    }

    /** @return BelongsTo<Staff, $this> */
    public function closer(): BelongsTo
    {
        return $this->belongsTo(Staff::class, 'closed_by');
    }

    /** @return BelongsTo<Staff, $this> */
    public function holder(): BelongsTo
    {
        return $this->belongsTo(Staff::class, 'holder_id');
    }

    /** @return BelongsTo<Staff, $this> */
    public function witness(): BelongsTo
    {
        return $this->belongsTo(Staff::class, 'witness_id');
    }

    /** @return HasMany<TillCount, $this> */
    public function counts(): HasMany
    {
        return $this->hasMany(TillCount::class, 'session_id')->orderBy('number');
    }

    /** "T1-0007" */
    public function label(): string
    {
        return sprintf('T%d-%04d', $this->till->number, $this->number);
    }
}
