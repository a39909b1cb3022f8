<?php

declare(strict_types=1);

namespace Elmstone\Held\Ledger;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Core\Money\Money;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Money that came to an account or left it, with its document. Insert-only.
 *
 * @property int $id
 * @property int $account_id
 * @property int $document_id
 * @property Movement $movement
 * @property string $kept_for the order it is kept for; empty: free
 * @property Money $amount below zero: it left
 * @property CarbonImmutable $business_date
 * @property-read HeldAccount $account
 * @property-read Document $document
 */
final class HeldEntry extends Record
{
    protected $table = 'held_entries';

    protected $casts = [
        'movement' => Movement::class,
        'amount' => MoneyCast::class,
        'business_date' => 'immutable_date:Y-m-d',
    ];

    /** @return BelongsTo<HeldAccount, $this> */
    public function account(): BelongsTo
    {
        return $this->belongsTo(HeldAccount::class);
    }

    /** @return BelongsTo<Document, $this> */
    public function document(): BelongsTo
    {
        return $this->belongsTo(Document::class);
    }
}
