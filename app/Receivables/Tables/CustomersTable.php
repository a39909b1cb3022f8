<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Tables;

use Elmstone\Core\Money\Refused;
use Elmstone\Customers\Customer;
use Elmstone\Customers\Drafts\CustomerDraft;
use Elmstone\Customers\SaveCustomer;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Accounts\ManageAccount;
use Elmstone\Staff\Ability;
use Elmstone\Staff\Staff;
use Elmstone\Support\Tables\BringsIn;
use Elmstone\Support\Tables\ChangedMeanwhile;
use Elmstone\Support\Tables\ImportReport;
use Illuminate\Contracts\Auth\Factory;

/** Customers with their house accounts. A row with a number changes that customer; one without makes a new one. */
final readonly class CustomersTable implements BringsIn
{
    private const AT_ONCE = 1000;

    private const REASON = 'brought in from a table';

    public function __construct(
        private CustomerRows $read,
        private SaveCustomer $save,
        private ManageAccount $manage,
        private Factory $auth,
    ) {
    }

    public function key(): string
    {
        return 'customers';
    }

    public function title(): string
    {
        return 'Customers';
    }

    /** By a file nobody opens an account who may not do so otherwise. */
    public function abilities(): array
    {
        return [Ability::ManageAccounts->value];
    }

    public function words(): string
    {
        return 'With their house accounts. A row with a number changes that customer; a row without one makes a new '
            .'one. A limit opens a house account. An empty cell leaves what there is; a dash alone empties it.';
    }

    public function columns(): array
    {
        return [
            'number', 'kind', 'name', 'phone', 'mail', 'street', 'postcode', 'town', 'country', 'tax_number', 'type',
            'discount', 'tags', 'limit', 'terms', 'terms_days',
        ];
    }

    public function needed(): array
    {
        return ['name'];
    }

    public function most(): int
    {
        return 50_000;
    }

    public function example(): array
    {
        return [
            [
                '', 'firm', 'Sample Roofing', '555 0100', 'books@example.com', '1 Sample Street', '00000', 'Sampleton',
                '', '', '', '', 'roofers', '500.00', 'net', '30',
            ],
            ['', 'person', 'Sample Buyer', '555 0101', '', '', '', '', '', '', '', '', '', '', '', ''],
        ];
    }

    public function rows(): iterable
    {
        $customers = Customer::query()->with('type')->whereNull('merged_into_id');

        foreach ($customers->lazyById(self::AT_ONCE, 'number')->chunk(self::AT_ONCE) as $some) {
            $ids = array_values($some->map(static fn (Customer $customer): int => $customer->id)->all());
            $accounts = HouseAccount::query()->whereIn('customer_id', $ids)->get()->keyBy('customer_id');
            $tags = Customer::tagsOf($ids);

            foreach ($some as $customer) {
                yield self::row($customer, $accounts->get($customer->id), $tags[$customer->id] ?? []);
            }
        }
    }

    public function check(iterable $rows, ImportReport $report): void
    {
        $this->read->each(
            $rows,
            function (int $line, CustomerRow|Refused $row, string $name) use ($report): void {
                if ($row instanceof Refused) {
                    $report->complain($line, $name, $row->getMessage());

                    return;
                }

                $customer = $this->read->customer($row);
                $changes = $customer === null ? [] : $this->read->changes($customer, $row);
                $report->fine($customer !== null, $customer !== null && $changes === []);
                $changes === [] || $report->changes($line, $customer->name ?? '', $changes);
            },
        );
    }

    public function write(iterable $rows, string $digest, callable $brought): void
    {
        $by = $this->auth->guard()->user();
        $by instanceof Staff || throw Refused::because('nobody', 'Nobody is signed in.');
        $all = [];
        $this->read->each($rows, static function (int $line, CustomerRow|Refused $row) use (&$all): void {
            $row instanceof Refused && throw ChangedMeanwhile::at($line, $row);
            $all[] = $row;
        });
        // Accounts are locked before customers everywhere.
        array_walk($all, fn (CustomerRow $row) => $this->keepTerms($row, $by));

        foreach ($all as $row) {
            $this->keep($row, $by);
            $brought();
        }
    }

    private function keep(CustomerRow $row, Staff $by): void
    {
        $customer = $this->read->customer($row);
        $draft = new CustomerDraft($this->read->fields($row), tags: $row->tags(), sureItIsNew: true);
        $kept = $this->save->handle($customer, $draft, $by);
        $terms = $customer === null ? $this->read->terms($row, null) : null;
        $terms === null || $this->manage->open($kept, $terms, self::REASON, $by);
    }

    /** What the row says of the account of a customer there is. */
    private function keepTerms(CustomerRow $row, Staff $by): void
    {
        $customer = $this->read->customer($row);
        $terms = $customer === null ? null : $this->read->terms($row, $this->read->account($customer));
        $customer === null || $terms === null || $this->manage->save($customer, $terms, self::REASON, $by, null);
    }

    /**
     * @param  list<string>  $tags
     * @return list<string>
     */
    private static function row(Customer $customer, ?HouseAccount $account, array $tags): array
    {
        return [
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
            $customer->discount_percent?->toString() ?? '',
            implode(', ', $tags),
            $account?->credit_limit->toString() ?? '',
            $account->terms_kind->value ?? '',
            $account === null ? '' : (string) $account->terms_days,
        ];
    }
}
