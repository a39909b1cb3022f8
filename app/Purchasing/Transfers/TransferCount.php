<?php

declare(strict_types=1);

namespace Elmstone\Purchasing\Transfers;

use Elmstone\Books\Document;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * So much of a line was counted in, or is missing.
 *
 * @property int $document_id
 * @property int $position of the transfer
 * @property int $transfer_id
 * @property string $quantity
 * @property bool $is_missing
 * @property string $why
 * @property-read Document $document
 */
final class TransferCount extends Record
{
    protected $table = 'transfer_counts';

    public $incrementing = false;

    protected $casts = ['is_missing' => 'bool'];

    /** @return BelongsTo<Document, $this> */
    public function document(): BelongsTo
    {
        return $this->belongsTo(Document::class);
    }
}
