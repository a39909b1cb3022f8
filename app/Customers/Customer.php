<?php

declare(strict_types=1);

namespace Elmstone\Customers;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Books\Drafts\Exempted;
use Elmstone\Catalogue\PriceTerms;
use Elmstone\Core\Money\Percentage;
use Elmstone\Support\Casts\PercentageCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Facades\DB;

/**
 * A person or firm the shop knows by name.
 *
 * @property int $id
 * @property int $number also their account number
 * @property CustomerKind $kind
 * @property string $name
 * @property string $phone
 * @property string $phone_digits
 * @property string $mail
 * @property string $street
 * @property string $postcode
 * @property string $town
 * @property string $country ISO 3166-1 alpha-2
 * @property string $tax_number
 * @property int|null $customer_type_id
 * @property Percentage|null $discount_percent their own; null: their type's
 * @property list<string>|null $exempt tax components, or ["*"]
 * @property string $certificate
 * @property CarbonImmutable|null $certificate_expires
 * @property array<string, string>|null $refused_ways why, by the kind of tender; null: all are taken
 * @property CarbonImmutable|null $rewards_on takes part in the rewards since
 * @property string $name_key
 * @property string $search
 * @property int|null $merged_into_id
 * @property int $version
 * @property CarbonImmutable $created_at
 * @property-read CustomerType|null $type
 * @property-read self|null $mergedInto
 * @property-read Collection<int, Contact> $contacts
 * @property-read Collection<int, Address> $addresses
 * @property-read Collection<int, CustomerNote> $notes
 * @property-read Collection<int, ContractPrice> $contractPrices
 * @property CarbonImmutable|null $erased_at when their personal data was erased
 */
final class Customer extends Record
{
    protected $table = 'customers';

    public $timestamps = true;

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected $casts = [
        'erased_at' => 'immutable_datetime',
        'discount_percent' => PercentageCast::class,
        'kind' => CustomerKind::class,
        'exempt' => 'array',
        'refused_ways' => 'array',
        'certificate_expires' => 'immutable_date',
        'rewards_on' => 'immutable_date',
        'created_at' => 'immutable_datetime',
    ];

    public function getRouteKeyName(): string
    {
        return 'number';
    }

    public function isMerged(): bool
    {
        return $this->merged_into_id !== null;
    }

    /** What they need not pay on a day; null: nothing, or their certificate has run out. */
    public function isExemptOn(CarbonImmutable $day): bool
    {
        return $this->claimsExemption()
            && $this->certificate_expires !== null
            && $day->startOfDay()->lessThanOrEqualTo($this->certificate_expires);
    }

    public function claimsExemption(): bool
    {
        return $this->exempt !== null && $this->exempt !== [];
    }

    public function isExemptFromEverything(): bool
    {
        return in_array(Exempted::EVERYTHING, $this->exempt ?? [], true);
    }

    /** Their own discount, else their type's. */
    public function standingDiscount(): ?Percentage
    {
        $discount = $this->discount_percent ?? $this->type?->discount_percent;

        return $discount === null || $discount->value->isZero() ? null : $discount;
    }

    /** The type and its level must be loaded. */
    public function priceTerms(): PriceTerms
    {
        return new PriceTerms(
            $this->id,
            $this->type?->price_level_id,
            $this->type?->priceLevel->percent_off ?? Percentage::of('0'),
            $this->standingDiscount(),
        );
    }

    public function place(): string
    {
        return trim("{$this->postcode} {$this->town}");
    }

    /** @return list<string> */
    public function tags(): array
    {
        return self::tagsOf([$this->id])[$this->id] ?? [];
    }

    /**
     * @param  list<int>  $customers
     * @return array<int, list<string>> of those who have any, in order
     */
    public static function tagsOf(array $customers): array
    {
        $tags = [];
        $rows = DB::table('customer_tags')->whereIn('customer_id', $customers)->orderBy('tag')->get();

        foreach ($rows as $row) {
            $tags[(int) $row->customer_id][] = (string) $row->tag;
        }

        return $tags;
    }

    /** @return BelongsTo<CustomerType, $this> */
    public function type(): BelongsTo
    {
        return $this->belongsTo(CustomerType::class, 'customer_type_id');
    }

    /** @return BelongsTo<self, $this> */
    public function mergedInto(): BelongsTo
    {
        return $this->belongsTo(self::class, 'merged_into_id');
    }

    /** @return HasMany<Contact, $this> */
    public function contacts(): HasMany
    {
        return $this->hasMany(Contact::class)->orderBy('name');
    }

    /** @return HasMany<Address, $this> */
    public function addresses(): HasMany
    {
        return $this->hasMany(Address::class)->orderBy('label');
    }

    /** @return HasMany<CustomerNote, $this> the ones that still hold */
    public function notes(): HasMany
    {
        return $this->hasMany(CustomerNote::class)->whereNull('gone_at')->latest('id');
    }

    /** @return HasMany<ContractPrice, $this> */
    public function contractPrices(): HasMany
    {
        return $this->hasMany(ContractPrice::class)->orderBy('item_id');
    }

    /** @return HasMany<Document, $this> */
    public function documents(): HasMany
    {
        return $this->hasMany(Document::class);
    }
}
