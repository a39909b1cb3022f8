<?php

declare(strict_types=1);

namespace Elmstone\Customers;

use Brick\Math\BigDecimal;
use Carbon\CarbonImmutable;
use Elmstone\Books\Drafts\Exempted;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Customers\Drafts\AddressDraft;
use Elmstone\Customers\Drafts\ContactDraft;
use Elmstone\Customers\Drafts\ContractPriceDraft;
use Elmstone\Customers\Drafts\CustomerDraft;
use Elmstone\Shop\House;
use Elmstone\Staff\Ability;
use Elmstone\Staff\Staff;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Validator;

/** A customer as typed on their page. Prices, discounts and exemptions only count from who may change them. */
final class CustomerRequest extends FormRequest
{
    private const TEXTS = [
        'name' => 120,
        'phone' => 40,
        'mail' => 160,
        'street' => 120,
        'postcode' => 20,
        'town' => 80,
        'tax_number' => 40,
    ];

    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:120'],
            'kind' => [Rule::enum(CustomerKind::class)],
            'mail' => ['nullable', 'email', 'max:160'],
            'phone' => ['nullable', 'string', 'max:40'],
            'country' => ['nullable', 'regex:/^[A-Za-z]{2}$/'],
            'customer_type_id' => ['nullable', Rule::exists('customer_types', 'id')],
            'discount_percent' => ['nullable', 'regex:/^\d{1,3}([.,]\d{1,4})?$/'],
            'certificate' => ['nullable', 'string', 'max:40', 'required_with:exempt'],
            'certificate_expires' => ['nullable', 'date_format:Y-m-d', 'required_with:exempt'],
            'exempt' => ['array'],
            'refused' => ['array'],
            'refused.*' => ['string', Rule::in(array_column(RefusedWays::KINDS, 'value'))],
            'refused_why' => ['array'],
            'refused_why.*' => ['nullable', 'string', 'max:160'],
            'tags' => ['nullable', 'string', 'max:200'],
            'scan' => ['nullable', 'file', 'max:4096', 'mimetypes:application/pdf,image/png,image/jpeg'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'name.required' => 'A name is needed; the rest can wait.',
            'mail.email' => 'That is not a mail address.',
            'country.regex' => 'A country is two letters, such as US.',
            'discount_percent.regex' => 'A discount is a percentage such as 5 or 2.5.',
            'certificate.required_with' => 'An exemption needs the certificate’s number.',
            'certificate_expires.required_with' => 'An exemption needs the day the certificate expires.',
            'certificate_expires.date_format' => 'That is not a date.',
            'scan.mimetypes' => 'A scan is a PDF, PNG or JPEG.',
            'scan.max' => 'A scan may be 4 MB at most.',
        ];
    }

    /** @return list<callable(Validator): void> */
    public function after(): array
    {
        return [
            function (Validator $validator): void {
                foreach (
                    [
                        'contacts' => $this->contacts(...),
                        'contract' => $this->contractPrices(...),
                        'discount_percent' => $this->discount(...),
                    ] as $field => $read
                ) {
                    try {
                        $read();
                    } catch (Refused $refused) {
                        $validator->errors()->add($field, $refused->getMessage());
                    }
                }
            },
        ];
    }

    public function draft(): CustomerDraft
    {
        $fields = array_map(
            static fn (mixed $text): string => is_string($text) ? trim($text) : '',
            array_replace(array_fill_keys(array_keys(self::TEXTS), ''), $this->only(array_keys(self::TEXTS))),
        );
        $fields['kind'] = $this->string('kind', 'person')->value();
        $fields['country'] = strtoupper($this->string('country', 'US')->value()) ?: 'US';
        $mayPrice = $this->mayPrice();

        return new CustomerDraft(
            [...$fields, ...$mayPrice ? $this->priceFields() : ['customer_type_id' => $this->typeOrNone()]],
            $mayPrice ? $this->contacts() : $this->withRightsAsTheyAre($this->contacts()),
            $this->addresses(),
            $mayPrice ? $this->contractPrices() : null,
            $this->tags(),
            $this->boolean('sure'),
        );
    }

    private function mayPrice(): bool
    {
        $by = $this->user();

        return $by instanceof Staff && $by->mayDo(Ability::EditPrices);
    }

    /** Who may not change prices keeps the type there is; somebody new has none. */
    private function typeOrNone(): ?int
    {
        $customer = $this->route('customer');

        return $customer instanceof Customer ? $customer->customer_type_id : null;
    }

    /**
     * Who may not change prices changes nothing of who may buy and for how much: those there are keep their rights and
     * stay, somebody new has none yet.
     *
     * @param  list<ContactDraft>  $contacts
     * @return list<ContactDraft>
     */
    private function withRightsAsTheyAre(array $contacts): array
    {
        $customer = $this->route('customer');
        /** @var Collection<int, Contact> $known */
        $known = $customer instanceof Customer
                ? $customer->contacts()->where('active', true)->get()->keyBy('id')
                : new Collection;
        $kept = [];

        foreach ($contacts as $contact) {
            $kept[] = $contact->withRightsOf($contact->id === null ? null : $known->pull($contact->id));
        }

        foreach ($known as $one) {
            $kept[] = ContactDraft::of($one);
        }

        return $kept;
    }

    /** @return array<string, mixed> */
    private function priceFields(): array
    {
        $exempt = array_values(array_filter((array) $this->input('exempt', []), is_string(...)));

        return [
            'customer_type_id' => $this->filled('customer_type_id') ? $this->integer('customer_type_id') : null,
            'discount_percent' => $this->discount(),
            'exempt' => $exempt === []
                    ? null
                    : (in_array(Exempted::EVERYTHING, $exempt, true)
                        ? [Exempted::EVERYTHING]
                        : $exempt),
            'certificate' => $this->string('certificate')->trim()->value(),
            'certificate_expires' => $this->filled('certificate_expires')
                ? CarbonImmutable::parse($this->string('certificate_expires')->value())
                : null,
            ...$this->boolean('ways_shown') ? ['refused_ways' => $this->refusedWays()] : [],
        ];
    }

    /** @return array<string, string>|null why, by kind; null: all are taken */
    private function refusedWays(): ?array
    {
        $ways = [];

        foreach (array_filter((array) $this->input('refused', []), is_string(...)) as $kind) {
            $ways[$kind] = $this->string("refused_why.{$kind}")->trim()->value();
        }

        return $ways === [] ? null : $ways;
    }

    private function discount(): ?string
    {
        if (! $this->filled('discount_percent')) {
            return null;
        }

        $percent = BigDecimal::of(TypedNumber::plain($this->string('discount_percent')->value()));

        return $percent->isGreaterThan(100)
            ? throw Refused::because('bad_percent', 'A discount cannot be more than 100 %.')
            : (string) $percent;
    }

    /**
     * @return list<ContactDraft>
     *
     * @throws Refused bad_amount
     */
    private function contacts(): array
    {
        return $this->rowsOf(
            'contacts',
            'name',
            fn (array $row): ContactDraft => new ContactDraft(
                ctype_digit($row['id'] ?? '') ? (int) $row['id'] : null,
                mb_substr($row['name'], 0, 120),
                mb_substr($row['phone'] ?? '', 0, 40),
                mb_substr($row['mail'] ?? '', 0, 160),
                ($row['may_buy'] ?? '') === '1',
                ($row['spending_limit'] ?? '') === '' ? null : $this->money($row['spending_limit']),
            ),
        );
    }

    /** @return list<AddressDraft> */
    private function addresses(): array
    {
        return $this->rowsOf(
            'addresses',
            'street',
            static fn (array $row): AddressDraft => new AddressDraft(
                mb_substr($row['label'] ?? '', 0, 40),
                mb_substr($row['street'], 0, 120),
                mb_substr($row['postcode'] ?? '', 0, 20),
                mb_substr($row['town'] ?? '', 0, 80),
                'US',
            ),
        );
    }

    /**
     * @return list<ContractPriceDraft>
     *
     * @throws Refused not_found, bad_price, bad_dates
     */
    private function contractPrices(): array
    {
        return $this->rowsOf('contract', 'code', static function (array $row): ContractPriceDraft {
            $item = Item::query()->where('code', $row['code'])->first()
                ?? throw Refused::because('not_found', "There is no item {$row['code']}.");
            $from = ($row['from'] ?? '') === '' ? null : $row['from'];
            $until = ($row['until'] ?? '') === '' ? null : $row['until'];

            if ($from !== null && $until !== null && $from > $until) {
                throw Refused::because('bad_dates', "The contract price of {$item->code} ends before it begins.");
            }

            $price = UnitPrice::of(TypedNumber::plain($row['price'] ?? ''));

            return new ContractPriceDraft($item->id, $price, $from, $until);
        });
    }

    /** @return list<string> */
    private function tags(): array
    {
        $tags = array_map(
            static fn (string $tag): string => mb_substr(trim($tag), 0, 30),
            explode(',', $this->string('tags')->value()),
        );

        return array_values(array_filter($tags, static fn (string $tag): bool => $tag !== ''));
    }

    /**
     * Rows of a table on the page; a row without what names it is one that was left empty.
     *
     * @template TRow of object
     *
     * @param  callable(array<string, string>): TRow  $read
     * @return list<TRow>
     */
    private function rowsOf(string $name, string $telling, callable $read): array
    {
        $rows = [];

        foreach ((array) $this->input($name, []) as $row) {
            $texts = array_map(
                static fn (mixed $text): string => is_string($text) ? trim($text) : '',
                is_array($row) ? $row : [],
            );

            if (($texts[$telling] ?? '') !== '') {
                $rows[] = $read($texts);
            }
        }

        return $rows;
    }

    private function money(string $typed): Money
    {
        $house = app(House::class);
        $money = $house->fitting(Money::of(TypedNumber::plain($typed), $house->currency()));

        return $money->isNegative()
            ? throw Refused::because('bad_amount', 'A spending limit cannot be below zero.')
            : $money;
    }
}
