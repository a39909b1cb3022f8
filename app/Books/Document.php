<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Carbon\CarbonImmutable;
use Elmstone\Books\Drafts\Exempted;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Shop\Location;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Casts\PercentageCast;
use Elmstone\Support\Database\Record;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Show;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * What a slip became when it was posted. Read-only: the database refuses any change.
 *
 * @property int $id
 * @property DocumentKind $kind
 * @property Purpose $purpose
 * @property int $number
 * @property string $label
 * @property int $location_id
 * @property int $till_id
 * @property int|null $session_id of the drawer its money went through
 * @property int $staff_id who rang it up
 * @property int $seller_id whose sale it is
 * @property int|null $customer_id who it is for; null: a passer-by
 * @property CarbonImmutable $business_date
 * @property CarbonImmutable $posted_at
 * @property string $currency
 * @property bool $tax_included
 * @property string $tax_rounding
 * @property string $customer_name
 * @property Percentage|null $slip_discount_percent
 * @property Money|null $slip_discount_amount
 * @property Money $subtotal
 * @property Money $slip_discount
 * @property Money $net
 * @property Money $tax_total
 * @property Money $total
 * @property Money $cash_rounding
 * @property Money $change_given
 * @property string $note
 * @property string $idempotency_key
 * @property string $purchase_order
 * @property string $job
 * @property string $buyer
 * @property string $supplies the order whose goods leave by it; empty: none
 * @property string|null $exemption as Exempted writes it
 * @property string $own_terms in words, what of tax or price level was its own, and why
 * @property CarbonImmutable|null $due_date
 * @property string $terms
 * @property Money $on_account what it added to the customer's balance
 * @property Money|null $balance_before
 * @property Money $settlement_discount
 * @property Money $fee
 * @property Money $coupon_discount
 * @property int|null $refers_to_id
 * @property int|null $approval_id
 * @property-read self|null $refersTo
 * @property-read Location $location
 * @property-read Till $till
 * @property-read Staff $staff
 * @property-read Staff $seller
 * @property-read Collection<int, DocumentLine> $lines
 * @property-read Collection<int, DocumentTax> $taxes
 * @property-read Collection<int, DocumentTender> $tenders
 * @property-read Collection<int, DocumentCoupon> $coupons
 * @property-read Collection<int, DocumentConsigned> $consigned
 * @property-read Collection<int, DocumentHeld> $heldRows what it did to money held
 * @property-read Collection<int, JournalRow> $journal
 */
final class Document extends Record
{
    protected $table = 'documents';

    protected $casts = [
        'slip_discount_amount' => MoneyCast::class,
        'subtotal' => MoneyCast::class,
        'slip_discount' => MoneyCast::class,
        'net' => MoneyCast::class,
        'tax_total' => MoneyCast::class,
        'total' => MoneyCast::class,
        'cash_rounding' => MoneyCast::class,
        'change_given' => MoneyCast::class,
        'on_account' => MoneyCast::class,
        'balance_before' => MoneyCast::class,
        'settlement_discount' => MoneyCast::class,
        'fee' => MoneyCast::class,
        'coupon_discount' => MoneyCast::class,
        'slip_discount_percent' => PercentageCast::class,
        'kind' => DocumentKind::class,
        'purpose' => Purpose::class,
        'due_date' => 'immutable_date',
        'business_date' => 'immutable_date',
        'posted_at' => 'immutable_datetime',
        'tax_included' => 'bool',
    ];

    public function getRouteKeyName(): string
    {
        return 'label';
    }

    /**
     * What it comes to, among other documents: below zero where it goes back to the customer, as a credit note's total
     * is anyway.
     */
    public function signedTotal(): Money
    {
        return $this->kind === DocumentKind::Refund ? $this->total->negated() : $this->total;
    }

    public function currency(): Currency
    {
        return Currency::of($this->currency);
    }

    public function none(): Money
    {
        return Money::zero($this->currency());
    }

    public function title(): string
    {
        return $this->purpose->title($this->kind);
    }

    /** What it did to the money held of a kind; below zero: it left. */
    public function held(HeldKind $kind): Money
    {
        return $this->heldRows->firstWhere('kind', $kind)->amount ?? $this->none();
    }

    /** What a receipt brought to a kind of held money, what it used of the same as a tender not taken off. */
    public function broughtTo(HeldKind $kind): Money
    {
        return $this->held($kind)->plus($this->paidBy($kind->tender()));
    }

    /** What its goods cost. */
    public function cost(): Money
    {
        return Money::sum($this->lines->pluck('cost'), $this->currency());
    }

    /** What was paid by a way, change taken off. */
    public function paidBy(?TenderKind $way): Money
    {
        return Money::sum($this->tenders->where('kind', $way)->pluck('amount'), $this->currency());
    }

    /** What it does, where it has no lines: "Paid on account", "Deposit 50.00, paid on layaway 20.00". */
    public function words(): string
    {
        $moved = [
            'towards the account' => $this->on_account->plus($this->settlement_discount)->negated(),
            'deposit' => $this->broughtTo(HeldKind::Deposit),
            'on layaway' => $this->broughtTo(HeldKind::Layaway),
            'on the order' => $this->broughtTo(HeldKind::Order),
            'gift cards' => $this->broughtTo(HeldKind::GiftCard),
        ];
        $parts = array_filter($moved, static fn (Money $amount): bool => ! $amount->isZero());

        return match (true) {
            $this->purpose !== Purpose::Payment => $this->purpose->words($this->refersTo?->label),
            array_keys($parts) === ['deposit'] => 'Deposit',
            array_keys($parts) === ['gift cards'] => 'Gift card',
            array_keys($parts) === ['on layaway'] => 'Paid on layaway',
            array_keys($parts) === ['on the order'] => 'Paid on the order',
            count($parts) < 2 => 'Paid on account',
            default => ucfirst(
                implode(
                    ', ',
                    array_map(
                        static fn (string $words, Money $amount): string => "{$words} ".Show::money($amount),
                        array_keys($parts),
                        $parts,
                    ),
                ),
            ),
        };
    }

    /** The balance after it, for the paper; null: it does not touch an account. */
    public function balanceAfter(): ?Money
    {
        return $this->balance_before?->plus($this->on_account);
    }

    /** Whether its day is another than the one it was typed in on. */
    public function isBackdated(): bool
    {
        return ! $this->business_date->isSameDay(ShopTime::dayOf($this->posted_at));
    }

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

    /** @return BelongsTo<Staff, $this> */
    public function staff(): BelongsTo
    {
        return $this->belongsTo(Staff::class);
    }

    /** @return BelongsTo<Staff, $this> */
    public function seller(): BelongsTo
    {
        return $this->belongsTo(Staff::class);
    }

    /** @return BelongsTo<self, $this> */
    public function refersTo(): BelongsTo
    {
        return $this->belongsTo(self::class, 'refers_to_id');
    }

    /** @return HasMany<DocumentLine, $this> */
    public function lines(): HasMany
    {
        return $this->hasMany(DocumentLine::class)->orderBy('position');
    }

    /** @return HasMany<DocumentTax, $this> */
    public function taxes(): HasMany
    {
        return $this->hasMany(DocumentTax::class)->orderBy('position');
    }

    /** @return HasMany<DocumentTender, $this> */
    public function tenders(): HasMany
    {
        return $this->hasMany(DocumentTender::class)->orderBy('position');
    }

    /** @return HasMany<DocumentCoupon, $this> */
    public function coupons(): HasMany
    {
        return $this->hasMany(DocumentCoupon::class)->orderBy('position');
    }

    /** @return HasMany<DocumentConsigned, $this> lines of what belonged to somebody else */
    public function consigned(): HasMany
    {
        return $this->hasMany(DocumentConsigned::class)->orderBy('position');
    }

    /** @return HasMany<DocumentHeld, $this> */
    public function heldRows(): HasMany
    {
        return $this->hasMany(DocumentHeld::class)->orderBy('kind');
    }

    /** @return HasMany<JournalRow, $this> */
    public function journal(): HasMany
    {
        return $this->hasMany(JournalRow::class)->orderBy('position');
    }
}
