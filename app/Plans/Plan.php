<?php

declare(strict_types=1);

namespace Elmstone\Plans;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Core\Layaway\Rhythm;
use Elmstone\Core\Money\Money;
use Elmstone\Customers\Customer;
use Elmstone\Staff\Staff;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * That an invoice on account is paid in parts. What is met of each part stands in the receivables ledger.
 *
 * @property int $id
 * @property string $label "PLN-000012"
 * @property int $customer_id
 * @property int $invoice_id
 * @property int|null $charge_id the invoice of the flat charge
 * @property int $document_id what took both over
 * @property int $staff_id
 * @property Money $principal minor units
 * @property Money $charge minor units
 * @property Rhythm $rhythm
 * @property CarbonImmutable $made_on
 * @property-read Customer $customer
 * @property-read Document $invoice
 * @property-read Document|null $chargeInvoice
 * @property-read Document $document
 * @property-read Staff $staff
 * @property-read Collection<int, PlanPart> $parts
 */
final class Plan extends Record
{
    protected $table = 'plans';

    protected $casts = [
        'principal' => MoneyCast::class,
        'charge' => MoneyCast::class,
        'rhythm' => Rhythm::class,
        'made_on' => 'immutable_date',
    ];

    public function getRouteKeyName(): string
    {
        return 'label';
    }

    /** What is left to pay of its parts. */
    public function open(): Money
    {
        return Money::sum(
            $this->parts->map(static fn (PlanPart $part): Money => $part->item->open),
            $this->principal->currency,
        );
    }

    public function total(): Money
    {
        return $this->principal->plus($this->charge);
    }

    /** @return BelongsTo<Customer, $this> */
    public function customer(): BelongsTo
    {
        return $this->belongsTo(Customer::class);
    }

    /** @return BelongsTo<Document, $this> */
    public function invoice(): BelongsTo
    {
        return $this->belongsTo(Document::class, 'invoice_id');
    }

    /** @return BelongsTo<Document, $this> */
    public function chargeInvoice(): BelongsTo
    {
        return $this->belongsTo(Document::class, 'charge_id');
    }

    /** @return BelongsTo<Document, $this> */
    public function document(): BelongsTo
    {
        return $this->belongsTo(Document::class);
    }

    /** @return BelongsTo<Staff, $this> */
    public function staff(): BelongsTo
    {
        return $this->belongsTo(Staff::class);
    }

    /** @return HasMany<PlanPart, $this> */
    public function parts(): HasMany
    {
        return $this->hasMany(PlanPart::class)->orderBy('position');
    }
}
