<?php

declare(strict_types=1);

namespace Elmstone\Purchasing\Suppliers;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Core\Money\Money;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What a supplier asks for goods that came in.
 *
 * @property int $id
 * @property int $supplier_id
 * @property string $number theirs
 * @property CarbonImmutable $dated
 * @property Money $amount
 * @property int $document_id
 * @property-read Document $document
 * @property-read Supplier $supplier
 */
final class SupplierInvoice extends Record
{
    protected $table = 'supplier_invoices';

    protected $casts = ['amount' => MoneyCast::class, 'dated' => 'immutable_date'];

    /** @return BelongsTo<Document, $this> */
    public function document(): BelongsTo
    {
        return $this->belongsTo(Document::class);
    }

    /** @return BelongsTo<Supplier, $this> */
    public function supplier(): BelongsTo
    {
        return $this->belongsTo(Supplier::class);
    }
}
