<?php

declare(strict_types=1);

namespace Elmstone\Counter\Slip;

use Elmstone\Books\Document;
use Elmstone\Cards\CardRequest;
use Elmstone\Counter\Lines\LineOnSlip;
use Elmstone\Customers\Contact;
use Elmstone\Customers\Customer;
use Elmstone\Layaways\Layaway;
use Elmstone\Orders\Order;
use Elmstone\Plans\Plan;
use Elmstone\Quotes\Quote;
use Elmstone\Shop\Location;
use Elmstone\Shop\Till;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;

/** What of other tables belongs to a slip. */
trait SlipRelations
{
    /** @return BelongsTo<Location, $this> */
    public function location(): BelongsTo
    {
        return $this->belongsTo(Location::class);
    }

    /** @return BelongsTo<Till, $this> */
    public function till(): BelongsTo
    {
        return $this->belongsTo(Till::class);
    }

    /** @return BelongsTo<Plan, $this> */
    public function plan(): BelongsTo
    {
        return $this->belongsTo(Plan::class);
    }

    /** @return BelongsTo<Customer, $this> */
    public function customer(): BelongsTo
    {
        return $this->belongsTo(Customer::class);
    }

    /** @return BelongsTo<Contact, $this> */
    public function contact(): BelongsTo
    {
        return $this->belongsTo(Contact::class);
    }

    /** @return BelongsTo<Document, $this> */
    public function receipt(): BelongsTo
    {
        return $this->belongsTo(Document::class, 'receipt_id');
    }

    /** @return BelongsTo<Document, $this> */
    public function document(): BelongsTo
    {
        return $this->belongsTo(Document::class);
    }

    /** @return BelongsTo<Layaway, $this> */
    public function heldAs(): BelongsTo
    {
        return $this->belongsTo(Layaway::class, 'agreement_id');
    }

    /** @return HasOne<SlipHold, $this> */
    public function hold(): HasOne
    {
        return $this->hasOne(SlipHold::class);
    }

    /** @return HasOne<SlipPromise, $this> what an order or a quote would be */
    public function promise(): HasOne
    {
        return $this->hasOne(SlipPromise::class);
    }

    /** @return BelongsTo<Order, $this> */
    public function order(): BelongsTo
    {
        return $this->belongsTo(Order::class, 'agreement_id');
    }

    /** @return BelongsTo<Quote, $this> */
    public function quote(): BelongsTo
    {
        return $this->belongsTo(Quote::class, 'agreement_id');
    }

    /** @return BelongsTo<Quote, $this> */
    public function takesUp(): BelongsTo
    {
        return $this->belongsTo(Quote::class, 'quote_id');
    }

    /** @return HasMany<LineOnSlip, $this> */
    public function lines(): HasMany
    {
        return $this->hasMany(LineOnSlip::class)->orderBy('position');
    }

    /** @return HasMany<CardRequest, $this> what terminals were asked for it */
    public function cards(): HasMany
    {
        return $this->hasMany(CardRequest::class, 'subject_id')->where('subject', 'slip')->orderBy('id');
    }

    /** @return HasMany<ReturnOnSlip, $this> */
    public function returns(): HasMany
    {
        return $this->hasMany(ReturnOnSlip::class)->orderBy('position');
    }

    /** @return BelongsTo<Document, $this> */
    public function creditNote(): BelongsTo
    {
        return $this->belongsTo(Document::class, 'credit_note_id');
    }
}
