<?php

declare(strict_types=1);

namespace Elmstone\Interchange;

use Elmstone\Customers\Customer;
use Elmstone\Receivables\Accounts\HouseAccount;
use Generator;
use Illuminate\Support\Facades\DB;

/** Customers as rows of a table: the columns that go out and may come in again. */
final readonly class CustomersTable
{
    public const COLUMNS = [
        'number', 'kind', 'name', 'phone', 'mail', 'street', 'postcode', 'town', 'country', 'tax_number', 'type',
        'discount', 'tags', 'limit', 'terms', 'terms_days',
    ];

    /** @return Generator<int, list<string>> */
    public function rows(): Generator
    {
        foreach (
            Customer::query()->with('type')->whereNull('merged_into_id')->orderBy('number')->lazy(1000) as $customer
        ) {
            $account = HouseAccount::query()->where('customer_id', $customer->id)->first();

            yield [
                (string) $customer->number,
                $customer->kind->value,
                $customer->name,
                $customer->phone,
                $customer->mail,
                $customer->street,
                $customer->postcode,
                $customer->town,
                $customer->country,
                $customer->tax_number,
                $customer->type->name ?? '',
                $customer->discount_percent === null ? '' : $customer->discount_percent->toString(),
                implode(
                    ', ',
                    DB::table('customer_tags')
                        ->where('customer_id', $customer->id)
                        ->orderBy('tag')
                        ->pluck('tag')
                        ->all(),
                ),
                $account === null ? '' : $account->credit_limit->toString(),
                $account->terms_kind->value ?? '',
                $account === null ? '' : (string) $account->terms_days,
            ];
        }
    }
}
