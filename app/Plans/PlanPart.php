<?php

declare(strict_types=1);

namespace Elmstone\Plans;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Core\Money\Money;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One part of a plan: a charge of its own on the account, with its own due date. Insert-only.
 *
 * @property int $plan_id
 * @property int $position
 * @property int $document_id
 * @property CarbonImmutable $due
 * @property Money $amount minor units
 * @property-read OpenItemRecord $item
 * @property-read Document $document
 */
final class PlanPart extends Record
{
    protected $table = 'plan_parts';

    public $incrementing = false;

    protected $casts = [
        'amount' => MoneyCast::class,
        'due' => 'immutable_date',
    ];

    /** @return BelongsTo<OpenItemRecord, $this> */
    public function item(): BelongsTo
    {
        return $this->belongsTo(OpenItemRecord::class, 'document_id', 'document_id');
    }

    /** @return BelongsTo<Document, $this> */
    public function document(): BelongsTo
    {
        return $this->belongsTo(Document::class);
    }
}
