<?php

declare(strict_types=1);

namespace Elmstone\Customers;

use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Refused;
use Elmstone\Customers\Drafts\AddressDraft;
use Elmstone\Customers\Drafts\ContactDraft;
use Elmstone\Customers\Drafts\ContractPriceDraft;
use Elmstone\Customers\Drafts\CustomerDraft;
use Elmstone\Shop\Shop;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\DB;

/** Makes or changes a customer. What decides prices, tax and who may buy is put on record. */
final class SaveCustomer
{
    /** Kept on record when they change, by their name on it. */
    private const RECORDED = [
        'name' => 'name',
        'customer_type_id' => 'type',
        'discount_percent' => 'own discount',
        'exempt' => 'exempt from',
        'certificate' => 'certificate',
        'certificate_expires' => 'certificate expires',
        'refused_ways' => 'ways not taken',
        'mail' => 'mail',
        'phone' => 'phone',
    ];

    public function __construct(private readonly FindDuplicates $duplicates)
    {
    }

    /** @throws Refused possible_duplicate, erased, merged, changed_elsewhere */
    public function handle(?Customer $customer, CustomerDraft $draft, Staff $by, ?int $version = null): Customer
    {
        return DB::transaction(function () use ($customer, $draft, $by, $version): Customer {
            $customer = $customer === null ? new Customer
                : Customer::query()->lockForUpdate()->findOrFail($customer->id);
            $this->assertMayChange($customer, $version);
            $before = $this->recorded($customer);
            $customer->fill($draft->fields);
            $this->assertNew($customer, $draft);
            $customer->number ??= $this->nextNumber();
            $customer->phone_digits = Naming::phone($customer->phone ?? '');
            $customer->name_key = Naming::key($customer->name);
            $customer->version = ($customer->version ?? 0) + 1;
            $customer->save();
            $this->besides($customer, $draft);
            $this->index($customer);
            $this->record($customer, $before, $by);

            return $customer;
        }, 3);
    }

    private function assertMayChange(Customer $customer, ?int $version): void
    {
        if ($customer->exists && $customer->erased_at !== null) {
            throw Refused::because('erased', 'This customer was erased; make a new one.');
        }

        if ($customer->exists && $customer->isMerged()) {
            throw Refused::because('merged', 'This customer was merged into another; change that one.');
        }

        if ($customer->exists && $version !== null && $version !== $customer->version) {
            throw Refused::because(
                'changed_elsewhere',
                'Somebody else has changed this customer meanwhile. Load the page again, then make your change.',
            );
        }
    }

    private function assertNew(Customer $customer, CustomerDraft $draft): void
    {
        if ($customer->exists || $draft->sureItIsNew) {
            return;
        }

        $found = $this->duplicates->handle($customer->name, $customer->phone ?? '', $customer->mail ?? '');

        if ($found->isNotEmpty()) {
            throw PossibleDuplicate::of($found, $customer->phone ?? '', $customer->mail ?? '');
        }
    }

    private function nextNumber(): int
    {
        return Shop::nextCustomerNumber();
    }

    private function besides(Customer $customer, CustomerDraft $draft): void
    {
        if ($draft->contacts !== null) {
            $this->contacts($customer, $draft->contacts);
        }

        if ($draft->addresses !== null) {
            $customer->addresses()->delete();
            $customer->addresses()->createMany(
                array_map(static fn (AddressDraft $address): array => $address->columns(), $draft->addresses),
            );
        }

        if ($draft->contractPrices !== null) {
            $customer->contractPrices()->delete();
            $customer->contractPrices()->createMany(
                array_map(static fn (ContractPriceDraft $price): array => $price->columns(), $draft->contractPrices),
            );
        }

        if ($draft->tags !== null) {
            DB::table('customer_tags')->where('customer_id', $customer->id)->delete();
            DB::table('customer_tags')->insert(
                array_map(
                    static fn (string $tag): array => ['customer_id' => $customer->id, 'tag' => $tag],
                    array_values(array_unique($draft->tags)),
                ),
            );
        }
    }

    /**
     * Contacts stay, because slips name them; who is not listed any more may not buy any more.
     *
     * @param  list<ContactDraft>  $contacts
     */
    private function contacts(Customer $customer, array $contacts): void
    {
        $kept = [];

        foreach ($contacts as $contact) {
            $known = $contact->id === null ? null : $customer->contacts()->whereKey($contact->id)->first();
            $known ??= $customer->contacts()->make();
            $known->fill($contact->columns())->save();
            $kept[] = $known->getKey();
        }

        $customer
            ->contacts()
            ->whereKeyNot($kept)
            ->update(['active' => false]);
    }

    private function index(Customer $customer): void
    {
        $contacts = $customer->contacts()->where('active', true)->get();
        $customer
            ->forceFill([
                'search' => Naming::search(
                    (string) $customer->number,
                    $customer->name,
                    $customer->phone ?? '',
                    preg_replace('/\D/', '', $customer->phone ?? '') ?? '',
                    $customer->mail ?? '',
                    $customer->town ?? '',
                    ...$contacts
                        ->flatMap(
                            static fn (Contact $contact): array => [$contact->name, $contact->phone, $contact->mail],
                        )
                        ->all(),
                ),
            ])
            ->save();
    }

    /** @return array<string, string> */
    private function recorded(Customer $customer): array
    {
        $written = [];

        foreach (self::RECORDED as $field => $name) {
            $value = $customer->exists ? $customer->getAttribute($field) : null;
            $written[$name] = match (true) {
                $field === 'refused_ways' => RefusedWays::of($customer->exists ? $customer : null)->written(),
                is_array($value) => implode(', ', $value),
                $value instanceof Percentage => $value->toString(),
                $value instanceof \DateTimeInterface => $value->format('Y-m-d'),
                is_scalar($value) => (string) $value,
                default => '',
            };
        }

        $contacts = $customer->exists ? $customer->contacts()->where('active', true)->orderBy('id')->get() : [];
        $prices = $customer->exists
            ? DB::table('contract_prices as p')
                ->join('items as i', 'i.id', '=', 'p.item_id')
                ->where('p.customer_id', $customer->id)
                ->orderBy('i.code')
                ->get(['i.code', 'p.price'])
                ->all()
            : [];
        $rights = static fn (Contact $one): string => "{$one->name}: "
            .($one->may_buy
                ? 'may buy'.($one->spending_limit === null ? '' : " up to {$one->spending_limit->toString()}")
                : 'may not buy');
        $written['who may buy'] = implode('; ', array_map($rights, is_array($contacts) ? $contacts : $contacts->all()));
        $written['contract prices'] = implode(
            '; ',
            array_map(static fn (object $row): string => "{$row->code} {$row->price}", $prices),
        );

        return $written;
    }

    /** @param  array<string, string>  $before */
    private function record(Customer $customer, array $before, Staff $by): void
    {
        if ($customer->wasRecentlyCreated) {
            CustomerChanges::record($customer->id, $by, 'made', '', $customer->name);

            return;
        }

        foreach ($this->recorded($customer->refresh()) as $name => $after) {
            $after === $before[$name] || CustomerChanges::record($customer->id, $by, $name, $before[$name], $after);
        }
    }
}
