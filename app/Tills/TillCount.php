<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Staff\Staff;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * What somebody counted in a drawer, beside what was expected then. A recount is another one; all stay.
 *
 * @property int $id
 * @property int $session_id
 * @property int $number
 * @property int $counted_by
 * @property CarbonImmutable $counted_at
 * @property bool $cards_reported by the terminal itself; else typed
 * @property Money $other_cheques that were on no list
 * @property-read Staff $counter
 * @property-read Collection<int, CountedWay> $ways
 * @property-read Collection<int, CountedPieces> $pieces
 */
final class TillCount extends Record
{
    protected $table = 'till_counts';

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected $casts = [
        'counted_at' => 'immutable_datetime',
        'cards_reported' => 'bool',
        'other_cheques' => MoneyCast::class,
    ];

    /** @return BelongsTo<Staff, $this> */
    public function counter(): BelongsTo
    {
        return $this->belongsTo(Staff::class, 'counted_by');
    }

    /** @return HasMany<CountedWay, $this> */
    public function ways(): HasMany
    {
        return $this->hasMany(CountedWay::class, 'count_id')->orderByRaw("FIELD(way, 'cash', 'cheque', 'card')");
    }

    /** @return HasMany<CountedPieces, $this> */
    public function pieces(): HasMany
    {
        return $this->hasMany(CountedPieces::class, 'count_id')->orderByDesc('unit');
    }

    public function cash(): Money
    {
        return $this->ways->firstOrFail('way', Drawer::CASH)->counted;
    }

    public function isRight(): bool
    {
        return ! $this->isOffByMoreThan($this->cash()->minus($this->cash()));
    }

    /** Whether any way of paying is off by more, whichever way. */
    public function isOffByMoreThan(Money $tolerance): bool
    {
        return $this->ways->contains(
            static fn (CountedWay $way): bool => $way->difference()->abs()->exceeds($tolerance),
        );
    }
}
