<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Money that came to a layaway or left it, with its document. Insert-only.
 *
 * @property int $id
 * @property int $layaway_id
 * @property int $document_id
 * @property EntryKind $kind
 * @property int $amount minor units; below zero: it left
 * @property CarbonImmutable $business_date
 * @property-read Document $document
 */
final class LayawayEntry extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected $casts = ['kind' => EntryKind::class, 'amount' => 'int', 'business_date' => 'immutable_date'];

    /** @return BelongsTo<Document, $this> */
    public function document(): BelongsTo
    {
        return $this->belongsTo(Document::class);
    }
}
