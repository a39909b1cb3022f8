<?php

declare(strict_types=1);

namespace Elmstone\Purchasing\Receiving;

use Elmstone\Books\Document;
use Elmstone\Core\Money\Money;
use Elmstone\Purchasing\Purchase;
use Elmstone\Purchasing\Suppliers\SupplierInvoice;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * What came in of a purchase in one go.
 *
 * @property int $document_id
 * @property int $purchase_id
 * @property string $delivery_note the supplier's
 * @property Money $freight
 * @property Money $amount what the goods cost, freight in it
 * @property int|null $invoice_id null: not invoiced yet
 * @property-read Document $document
 * @property-read Purchase $purchase
 * @property-read SupplierInvoice|null $invoice
 * @property-read Collection<int, DeliveryLine> $lines
 */
final class Delivery extends Record
{
    protected $table = 'deliveries';

    protected $primaryKey = 'document_id';

    public $incrementing = false;

    protected $casts = ['freight' => MoneyCast::class, 'amount' => MoneyCast::class];

    /** @return BelongsTo<Document, $this> */
    public function document(): BelongsTo
    {
        return $this->belongsTo(Document::class);
    }

    /** @return BelongsTo<Purchase, $this> */
    public function purchase(): BelongsTo
    {
        return $this->belongsTo(Purchase::class);
    }

    /** @return BelongsTo<SupplierInvoice, $this> */
    public function invoice(): BelongsTo
    {
        return $this->belongsTo(SupplierInvoice::class, 'invoice_id');
    }

    /** @return HasMany<DeliveryLine, $this> */
    public function lines(): HasMany
    {
        return $this->hasMany(DeliveryLine::class, 'document_id')->orderBy('position');
    }
}
