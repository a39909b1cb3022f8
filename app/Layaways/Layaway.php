<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Core\Layaway\Instalment;
use Elmstone\Core\Layaway\Ladder;
use Elmstone\Core\Layaway\LayawayStanding;
use Elmstone\Core\Layaway\Rhythm;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Reduction;
use Elmstone\Customers\Customer;
use Elmstone\Held\Ledger\HeldAccount;
use Elmstone\Held\Ledger\HeldEntry;
use Elmstone\Shop\Location;
use Elmstone\Staff\Staff;
use Illuminate\Database\Eloquent\Casts\Attribute;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * Goods set aside for a customer against a deposit and further payments. Its money and its state are changed through
 * LayawayLedger only, under the row's lock.
 *
 * @property int $id
 * @property string $label "LAY-000012"
 * @property string $key
 * @property int $location_id
 * @property int $customer_id
 * @property int $staff_id whose sale it is
 * @property LayawayState $state
 * @property CarbonImmutable $made_on
 * @property CarbonImmutable $expires_on
 * @property int $grace_days
 * @property CarbonImmutable $lapses_on the last day on which it still holds
 * @property Rhythm $rhythm
 * @property string $terms as AgreedTerms writes them
 * @property string $tax as TaxAsAgreed writes it
 * @property string|null $discount_percent
 * @property int|null $discount_amount minor units
 * @property string $purchase_order
 * @property string $job
 * @property string $buyer
 * @property int $total minor units
 * @property int $account_id of money held, where what is paid stands
 * @property-read int $held minor units paid and still here
 * @property int $revision of lines and schedule
 * @property int $paid_before minor units paid before this schedule was made
 * @property CarbonImmutable|null $next_due
 * @property int $next_open minor units
 * @property CarbonImmutable|null $behind_from
 * @property CarbonImmutable|null $paid_on
 * @property string $shelf
 * @property string|null $signature strokes of the pen, as an SVG path
 * @property string $signed_by
 * @property CarbonImmutable|null $signed_at
 * @property int|null $document_id the invoice it became
 * @property CarbonImmutable|null $ended_on
 * @property int $version
 * @property-read Customer $customer
 * @property-read Location $location
 * @property-read Staff $staff
 * @property-read Document|null $document
 * @property-read Collection<int, LayawayLine> $allLines
 * @property-read Collection<int, LayawayInstalment> $allInstalments
 * @property-read HeldAccount $account
 * @property-read Collection<int, HeldEntry> $entries
 * @property-read Collection<int, LayawayChange> $changesMade
 */
final class Layaway extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected $with = ['account'];

    protected $casts = [
        'state' => LayawayState::class,
        'rhythm' => Rhythm::class,
        'made_on' => 'immutable_date',
        'expires_on' => 'immutable_date',
        'lapses_on' => 'immutable_date',
        'next_due' => 'immutable_date',
        'behind_from' => 'immutable_date',
        'paid_on' => 'immutable_date',
        'ended_on' => 'immutable_date',
        'signed_at' => 'immutable_datetime',
        'total' => 'int',
        'version' => 'int',
    ];

    public function getRouteKeyName(): string
    {
        return 'label';
    }

    public function agreedTerms(): AgreedTerms
    {
        return AgreedTerms::fromJson($this->terms);
    }

    public function taxAsAgreed(): TaxAsAgreed
    {
        return TaxAsAgreed::fromJson($this->tax);
    }

    public function discount(Currency $currency): ?Reduction
    {
        return match (true) {
            $this->discount_percent !== null => Reduction::percent($this->discount_percent),
            $this->discount_amount !== null => Reduction::amount(Money::ofMinor($this->discount_amount, $currency)),
            default => null,
        };
    }

    public function standing(Currency $currency): LayawayStanding
    {
        return LayawayStanding::of(Money::ofMinor($this->total, $currency), $this->agreedTerms()->toValue($currency), [
            Money::ofMinor($this->held, $currency),
        ]);
    }

    public function remaining(): int
    {
        return $this->total - $this->held;
    }

    /** @return Collection<int, LayawayLine> as they are agreed now */
    public function lines(): Collection
    {
        return $this->allLines->where('revision', $this->revision)->values();
    }

    /** @return list<Instalment> of the schedule that was made last */
    public function instalments(Currency $currency): array
    {
        return array_values(
            $this->allInstalments
                ->where('revision', $this->allInstalments->max('revision'))
                ->map(
                    static fn (LayawayInstalment $part): Instalment => new Instalment(
                        $part->due,
                        Money::ofMinor($part->amount, $currency),
                    ),
                )
                ->all(),
        );
    }

    public function ladder(Currency $currency, CarbonImmutable $day): Ladder
    {
        return Ladder::of(
            $this->instalments($currency),
            Money::ofMinor(max(0, $this->held - $this->paid_before), $currency),
            $day,
        );
    }

    public function isBehind(CarbonImmutable $day): bool
    {
        return $this->state === LayawayState::Running
            && $this->written('behind_from') !== ''
            && $this->written('behind_from') <= $day->format('Y-m-d');
    }

    public function isExpired(CarbonImmutable $day): bool
    {
        return $this->state === LayawayState::Running && $this->written('lapses_on') < $day->format('Y-m-d');
    }

    /** A date as it is kept, "2027-01-31": lists compare many, and need not read each into a date for that. */
    private function written(string $name): string
    {
        $kept = $this->attributes[$name] ?? '';

        return is_string($kept) ? substr($kept, 0, 10) : '';
    }

    /** In one word, as of a day. */
    public function stateWord(CarbonImmutable $day): string
    {
        return match (true) {
            $this->isExpired($day) => 'expired',
            $this->isBehind($day) => 'behind',
            $this->state === LayawayState::Ready => 'paid in full',
            default => $this->state->value,
        };
    }

    /** @return BelongsTo<Customer, $this> */
    public function customer(): BelongsTo
    {
        return $this->belongsTo(Customer::class);
    }

    /** @return BelongsTo<Location, $this> */
    public function location(): BelongsTo
    {
        return $this->belongsTo(Location::class);
    }

    /** @return BelongsTo<Staff, $this> */
    public function staff(): BelongsTo
    {
        return $this->belongsTo(Staff::class);
    }

    /** @return BelongsTo<Document, $this> */
    public function document(): BelongsTo
    {
        return $this->belongsTo(Document::class);
    }

    /** @return HasMany<LayawayLine, $this> of every revision */
    public function allLines(): HasMany
    {
        return $this->hasMany(LayawayLine::class)->orderBy('revision')->orderBy('position');
    }

    /** @return HasMany<LayawayInstalment, $this> of every revision */
    public function allInstalments(): HasMany
    {
        return $this->hasMany(LayawayInstalment::class)->orderBy('revision')->orderBy('position');
    }

    /** @return Attribute<int, never> */
    protected function held(): Attribute
    {
        return Attribute::get(fn (): int => $this->account->balance->minor)->withoutObjectCaching();
    }

    /** @return BelongsTo<HeldAccount, $this> */
    public function account(): BelongsTo
    {
        return $this->belongsTo(HeldAccount::class);
    }

    /** @return HasMany<HeldEntry, $this> */
    public function entries(): HasMany
    {
        return $this->hasMany(HeldEntry::class, 'account_id', 'account_id')->orderBy('id');
    }

    /** @return HasMany<LayawayChange, $this> */
    public function changesMade(): HasMany
    {
        return $this->hasMany(LayawayChange::class)->orderBy('id');
    }
}
