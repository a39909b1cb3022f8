<?php

declare(strict_types=1);

namespace Elmstone\Counter;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Reduction;
use Elmstone\Shop\Location;
use Elmstone\Shop\Till;
use Elmstone\Staff\Approval;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * The working paper of one customer at the counter, while it can still change. Changed through SlipDesk only.
 *
 * @property int $id
 * @property string $key names the slip, and is the idempotency key of what it becomes
 * @property int $location_id
 * @property int $till_id where it lies
 * @property int $staff_id who began it
 * @property SlipState $state
 * @property int $version rises with every change
 * @property string $customer_name
 * @property CarbonImmutable|null $business_date null: the day it is posted
 * @property string|null $discount_percent
 * @property int|null $discount_amount minor units
 * @property int|null $discount_approval_id
 * @property string $title
 * @property int $total minor units, as last reckoned
 * @property int|null $cash minor units counted so far
 * @property int|null $cheque minor units
 * @property string $cheque_number
 * @property PaperWay $paper
 * @property string $mail_to
 * @property int|null $document_id
 * @property CarbonImmutable $created_at
 * @property CarbonImmutable $updated_at
 * @property-read Location $location
 * @property-read Till $till
 * @property-read Document|null $document
 * @property-read Collection<int, LineOnSlip> $lines
 * @property-read Collection<int, CardPayment> $cards
 */
final class Slip extends Model
{
    /** As it was reckoned when it was last changed in this request, so that it need not be reckoned again to be drawn. */
    public ?ReckonedCounter $reckoned = null;

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected $casts = [
        'state' => SlipState::class,
        'paper' => PaperWay::class,
        'version' => 'int',
        'business_date' => 'immutable_date',
        'created_at' => 'immutable_datetime',
        'updated_at' => 'immutable_datetime',
    ];

    /** A slip that lies ready and is not written down before its first line. */
    public static function blank(string $key, Till $till, int $staffId): self
    {
        $slip = new self([
            'key' => $key, 'location_id' => $till->location_id, 'till_id' => $till->id, 'staff_id' => $staffId, 'state' => SlipState::Open, 'version' => 0,
            'customer_name' => '', 'business_date' => null, 'discount_percent' => null, 'discount_amount' => null, 'discount_approval_id' => null,
            'title' => '', 'total' => 0, 'cash' => null, 'cheque' => null, 'cheque_number' => '', 'paper' => PaperWay::Print, 'mail_to' => '', 'document_id' => null,
        ]);
        $slip->setRelations(['lines' => new Collection, 'cards' => new Collection, 'document' => null, 'location' => $till->location, 'till' => $till]);

        return $slip;
    }

    public function isPosted(): bool
    {
        return $this->state === SlipState::Posted;
    }

    public function discount(Currency $currency): ?Reduction
    {
        return Reductions::read($this->discount_percent, $this->discount_amount, $currency);
    }

    /** The day it would be posted on. */
    public function day(): CarbonImmutable
    {
        return $this->business_date ?? CarbonImmutable::today();
    }

    public function isBackdated(): bool
    {
        return ! $this->day()->isSameDay(CarbonImmutable::today());
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

    /** @return BelongsTo<Document, $this> */
    public function document(): BelongsTo
    {
        return $this->belongsTo(Document::class);
    }

    /** @return HasMany<LineOnSlip, $this> */
    public function lines(): HasMany
    {
        return $this->hasMany(LineOnSlip::class)->orderBy('position');
    }

    /** @return HasMany<CardPayment, $this> */
    public function cards(): HasMany
    {
        return $this->hasMany(CardPayment::class)->orderBy('id');
    }
}
