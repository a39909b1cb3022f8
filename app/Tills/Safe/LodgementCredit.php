<?php

declare(strict_types=1);

namespace Elmstone\Tills\Safe;

use Elmstone\Books\Document;
use Elmstone\Core\Money\Money;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What the bank credited of a lodgement, or what of it was settled as a difference.
 *
 * @property int $document_id
 * @property int $lodgement_id
 * @property Money $amount by so much less is on its way
 * @property int|null $bank_entry_id of a bank's file
 * @property-read Document $document
 */
final class LodgementCredit extends Record
{
    protected $table = 'lodgement_credits';

    protected $primaryKey = 'document_id';

    public $incrementing = false;

    protected $casts = ['amount' => MoneyCast::class];

    /** @return BelongsTo<Document, $this> */
    public function document(): BelongsTo
    {
        return $this->belongsTo(Document::class);
    }
}
