<?php

declare(strict_types=1);

namespace Elmstone\Work;

use Carbon\CarbonImmutable;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Something that takes longer than anybody waits for a page: who wants it, how far it is, and what came of it.
 *
 * @property int $id
 * @property string $what as the room that does it names it
 * @property int $staff_id
 * @property int|null $till_id
 * @property array<string, mixed> $data what it needs to know
 * @property string $state waiting, running, done, refused or broken
 * @property int $done pieces of it
 * @property int $of pieces in all; 0: not known yet
 * @property string $words what came of it, for people
 * @property array<string, mixed>|null $result
 * @property CarbonImmutable $made_at
 * @property CarbonImmutable|null $begun_at
 * @property CarbonImmutable|null $ended_at
 * @property Staff $staff
 * @property Till|null $till
 */
final class Work extends Record
{
    protected $table = 'works';

    protected $casts = [
        'data' => 'array', 'result' => 'array', 'done' => 'int', 'of' => 'int', 'staff_id' => 'int', 'till_id' => 'int',
        'made_at' => 'immutable_datetime', 'begun_at' => 'immutable_datetime', 'ended_at' => 'immutable_datetime',
    ];

    public function isEnded(): bool
    {
        return ! in_array($this->state, ['waiting', 'running'], true);
    }

    /** @return int of a hundred */
    public function percent(): int
    {
        return $this->of === 0 ? 0 : min(100, intdiv(100 * $this->done, $this->of));
    }

    /** @return BelongsTo<Staff, $this> */
    public function staff(): BelongsTo
    {
        return $this->belongsTo(Staff::class);
    }

    /** @return BelongsTo<Till, $this> */
    public function till(): BelongsTo
    {
        return $this->belongsTo(Till::class);
    }
}
