<?php

declare(strict_types=1);

namespace Elmstone\Interchange;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Customers\Customer;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One payment from a bank's file, and whom it is thought to be from.
 *
 * @property int $id
 * @property int $bank_file_id
 * @property int $position
 * @property string $fingerprint
 * @property CarbonImmutable $booked_on
 * @property int $amount minor units
 * @property string $payer
 * @property string $reference
 * @property int|null $customer_id
 * @property array<string, int>|null $shares minor units by document label; null: oldest due first
 * @property string $why how it was matched
 * @property string $state open, posted or aside
 * @property int|null $document_id
 * @property-read Customer|null $customer
 * @property-read Document|null $document
 */
final class BankEntry extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected $casts = ['booked_on' => 'immutable_date', 'amount' => 'int', 'shares' => 'array'];

    /** @return BelongsTo<Customer, $this> */
    public function customer(): BelongsTo
    {
        return $this->belongsTo(Customer::class);
    }

    /** @return BelongsTo<Document, $this> */
    public function document(): BelongsTo
    {
        return $this->belongsTo(Document::class);
    }
}
