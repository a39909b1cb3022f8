<?php

declare(strict_types=1);

namespace Elmstone\Paper;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Something that must still happen after a posting: paper, mail, the drawer. Written down with the posting, done once.
 *
 * @property int $id
 * @property string $key the same is written once
 * @property string $what who sends it
 * @property int|null $document_id
 * @property int $till_id
 * @property int $staff_id
 * @property array<string, mixed> $data
 * @property string $state waiting, sent or left
 * @property int $tries
 * @property CarbonImmutable $next_try_at
 * @property string $trouble why it did not go
 * @property CarbonImmutable $made_at
 * @property CarbonImmutable|null $ended_at
 * @property-read Till $till
 * @property-read Staff $staff
 * @property-read Document|null $document
 */
final class Outgoing extends Record
{
    protected $table = 'outbox';

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected $casts = [
        'data' => 'array',
        'tries' => 'int',
        'next_try_at' => 'immutable_datetime',
        'made_at' => 'immutable_datetime',
        'ended_at' => 'immutable_datetime',
    ];

    /** A drawer that opens long after the customer has gone is a drawer that stands open. */
    public function isFresh(): bool
    {
        return $this->made_at->greaterThan(CarbonImmutable::now()->subMinute());
    }

    public function text(string $name): string
    {
        return is_string($this->data[$name] ?? null) ? $this->data[$name] : '';
    }

    /** @return BelongsTo<Till, $this> */
    public function till(): BelongsTo
    {
        return $this->belongsTo(Till::class);
    }

    /** @return BelongsTo<Staff, $this> */
    public function staff(): BelongsTo
    {
        return $this->belongsTo(Staff::class);
    }

    /** @return BelongsTo<Document, $this> */
    public function document(): BelongsTo
    {
        return $this->belongsTo(Document::class);
    }
}
