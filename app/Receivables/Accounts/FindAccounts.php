<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Accounts;

use Elmstone\Customers\Customer;
use Elmstone\Customers\CustomerSearch;
use Illuminate\Database\Eloquent\Collection;

/** Finds customers with how their accounts stand. */
final readonly class FindAccounts
{
    public function __construct(private CustomerSearch $search)
    {
    }

    /** @return list<AccountFound> */
    public function find(string $text, int $limit): array
    {
        $customers = $this->search->find($text, $limit);
        $accounts = $customers->isEmpty()
            ? new Collection
            : HouseAccount::query()->whereIn('customer_id', $customers->modelKeys())->get()->keyBy('customer_id');

        return array_values(
            $customers
                ->map(function (Customer $customer) use ($accounts): AccountFound {
                    $account = $accounts->get($customer->id);

                    return new AccountFound(
                        $customer,
                        $account?->balance,
                        $account === null ? null : $account->credit_limit->minus($account->balance),
                        $account->stopped ?? false,
                    );
                })
                ->all(),
        );
    }
}
