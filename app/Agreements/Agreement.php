<?php

declare(strict_types=1);

namespace Elmstone\Agreements;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Reduction;
use Elmstone\Customers\Customer;
use Elmstone\Held\Ledger\HeldAccount;
use Elmstone\Held\Ledger\HeldEntry;
use Elmstone\Shop\Location;
use Elmstone\Staff\Staff;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Casts\PercentageCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * What is promised to a customer: goods at agreed prices and taxes, in revisions, with what is set aside for it and
 * what is paid on it. Each kind of it is a model of its own over the same rows. Changed under the row's lock only.
 *
 * @property int $id
 * @property AgreementKind $kind
 * @property string $label "LAY-000012"
 * @property string $key of the slip it was made from
 * @property int $location_id where its goods lie
 * @property int $customer_id
 * @property int $staff_id who made it
 * @property int|null $sharing_id who sells it; null: who made it
 * @property int $account_id of money held, where what is paid stands
 * @property CarbonImmutable $made_on
 * @property string $tax as TaxAsAgreed writes it
 * @property Percentage|null $discount_percent
 * @property Money|null $discount_amount
 * @property string $purchase_order
 * @property string $job
 * @property string $buyer
 * @property Money $total
 * @property int $revision of its lines
 * @property string $shelf where the goods stand
 * @property string|null $signature strokes of the pen, as an SVG path
 * @property string $signed_by
 * @property CarbonImmutable|null $signed_at
 * @property int|null $document_id the invoice it became
 * @property CarbonImmutable|null $ended_on
 * @property int $version
 * @property-read HeldAccount $account
 * @property-read Customer $customer
 * @property-read Location $location
 * @property-read Staff $staff
 * @property-read Document|null $document
 * @property-read Collection<int, AgreedLine> $allLines
 * @property-read Collection<int, HeldEntry> $entries
 * @property-read Collection<int, AgreementChange> $changesMade
 */
abstract class Agreement extends Record
{
    protected $table = 'agreements';

    protected $with = ['account'];

    /** @var Collection<int, AgreedLine>|null the lines of a revision, picked out once */
    private ?Collection $linesNow = null;

    /** @var Collection<int, AgreedLine>|null out of which they were picked */
    private ?Collection $linesOf = null;

    private ?int $linesAt = null;

    abstract protected static function kind(): AgreementKind;

    protected static function booted(): void
    {
        $kind = static::kind();
        static::addGlobalScope('kind', static fn (Builder $query) => $query->where('agreements.kind', $kind));
        static::creating(static fn (self $agreement) => $agreement->forceFill(['kind' => $kind]));
        // Its number follows from its id.
        static::created(static function (self $agreement) use ($kind): void {
            $agreement->forceFill(['label' => $kind->label($agreement->id)])->save();
        });
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'discount_percent' => PercentageCast::class,
            'kind' => AgreementKind::class,
            'made_on' => 'immutable_date',
            'ended_on' => 'immutable_date',
            'signed_at' => 'immutable_datetime',
            'total' => MoneyCast::class,
            'discount_amount' => MoneyCast::class,
            'version' => 'int',
        ];
    }

    public function getRouteKeyName(): string
    {
        return 'label';
    }

    public function taxAsAgreed(): TaxAsAgreed
    {
        return TaxAsAgreed::fromJson($this->tax);
    }

    public function discount(): ?Reduction
    {
        return Reduction::stored($this->discount_percent, $this->discount_amount);
    }

    public function remaining(): Money
    {
        return $this->total->minus($this->held());
    }

    /** @return Collection<int, AgreedLine> as they are agreed now */
    public function lines(): Collection
    {
        if ($this->linesOf !== $this->allLines || $this->linesAt !== $this->revision) {
            [$this->linesOf, $this->linesAt] = [$this->allLines, $this->revision];
            $this->linesNow = $this->allLines->where('revision', $this->revision)->values();
        }

        return $this->linesNow ?? new Collection;
    }

    /** A date as it is kept, "2027-01-31": lists compare many, and need not read each into a date for that. */
    protected function written(string $name): string
    {
        $kept = $this->attributes[$name] ?? '';

        return is_string($kept) ? substr($kept, 0, 10) : '';
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

    /** @return HasMany<AgreedLine, $this> of every revision */
    public function allLines(): HasMany
    {
        return $this->hasMany(AgreedLine::class, 'agreement_id')->orderBy('revision')->orderBy('position');
    }

    /** What was paid towards it and is held. */
    public function held(): Money
    {
        return $this->account->balance;
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

    /** @return HasMany<AgreementChange, $this> */
    public function changesMade(): HasMany
    {
        return $this->hasMany(AgreementChange::class, 'agreement_id')->orderBy('id');
    }
}
