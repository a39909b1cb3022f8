<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Ledger;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * So much of a payment or credit set against a charge, or taken back from it. Insert-only.
 *
 * @property int $id
 * @property int $customer_id
 * @property int $credit_id
 * @property int $charge_id
 * @property Money $amount minor units; below zero: taken back
 * @property Money $discount the part of it that is a settlement discount
 * @property CarbonImmutable $business_date
 * @property int $staff_id
 * @property string $reason
 * @property int|null $takes_back_id
 * @property string $act
 * @property-read OpenItemRecord $credit
 * @property-read OpenItemRecord $charge
 */
final class AllocationRecord extends Record
{
    protected $table = 'allocations';

    protected $casts = [
        'amount' => MoneyCast::class,
        'discount' => MoneyCast::class,
        'business_date' => 'immutable_date',
    ];

    /** @return BelongsTo<OpenItemRecord, $this> */
    public function credit(): BelongsTo
    {
        return $this->belongsTo(OpenItemRecord::class, 'credit_id', 'document_id');
    }

    /** @return BelongsTo<OpenItemRecord, $this> */
    public function charge(): BelongsTo
    {
        return $this->belongsTo(OpenItemRecord::class, 'charge_id', 'document_id');
    }
}
