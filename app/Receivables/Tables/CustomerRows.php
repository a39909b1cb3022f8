<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Tables;

use Elmstone\Core\Money\Refused;
use Elmstone\Customers\Customer;
use Elmstone\Customers\CustomerKind;
use Elmstone\Customers\CustomerType;
use Elmstone\Customers\Naming;
use Elmstone\Receivables\Accounts\AccountTerms;
use Elmstone\Receivables\Accounts\HouseAccount;
use Illuminate\Database\Eloquent\Collection;

/** Reads rows of customers, against those there are. */
final class CustomerRows
{
    /** @var array<string, int> types by name, in lower case */
    private array $types = [];

    /** @var Collection<int, Customer> by number */
    private Collection $customers;

    /** @var Collection<int, HouseAccount> by customer */
    private Collection $accounts;

    /**
     * @var array<string, string> what customers in the shop are told apart by: the customer's number, or the line that
     *     has it
     */
    private array $seen = [];

    /** @var array<int, int> lines of the customers so far */
    private array $lines = [];

    public function __construct(private readonly TermsOfRow $terms)
    {
    }

    /**
     * @param  iterable<int, array<string, string>>  $rows by line of the file
     * @param  callable(int, CustomerRow|Refused, string): void  $take line, the row or what is wrong with it, its name
     */
    public function each(iterable $rows, callable $take): void
    {
        $this->begin();

        foreach ($rows as $line => $cells) {
            $row = CustomerRow::of($cells);

            try {
                $this->check($row, $line);
                $take($line, $row, $row->cell('name'));
            } catch (Refused $refused) {
                $take($line, $refused, $row->cell('name'));
            }
        }
    }

    /** @return Customer|null the one it changes */
    public function customer(CustomerRow $row): ?Customer
    {
        return ctype_digit($row->cell('number')) ? $this->customers->get((int) $row->cell('number')) : null;
    }

    public function account(Customer $customer): ?HouseAccount
    {
        return $this->accounts->get($customer->id);
    }

    /** @return array<string, scalar|null> the customer’s own fields that the row says something of */
    public function fields(CustomerRow $row): array
    {
        return $row->fields($this->types);
    }

    public function terms(CustomerRow $row, ?HouseAccount $account): ?AccountTerms
    {
        return $this->terms->of($row, $account);
    }

    /** @return list<string> "mail: old → new" */
    public function changes(Customer $customer, CustomerRow $row): array
    {
        $types = array_flip($this->types);
        $was = static fn (string $field): string => match ($field) {
            'customer_type_id' => (string) ($types[$customer->customer_type_id ?? 0] ?? ''),
            'kind' => $customer->kind->value,
            'discount_percent' => $customer->discount_percent?->toString() ?? '',
            default => is_scalar($customer->getAttribute($field)) ? (string) $customer->getAttribute($field) : '',
        };
        $found = [];

        foreach ($this->fields($row) as $field => $value) {
            $found[] = [
                str_replace(['customer_type_id', 'discount_percent', '_'], ['type', 'discount', ' '], $field),
                $was($field),
                $field === 'customer_type_id' ? (string) ($types[(int) $value] ?? '') : (string) $value,
            ];
        }

        $tags = $row->tags();
        $tags === null || ($found[] = ['tags', implode(', ', $customer->tags()), implode(', ', $tags)]);
        array_push($found, ...$this->changesOfTerms($row, $this->account($customer)));

        return array_values(array_map(
            static fn (array $one): string => "{$one[0]}: ".($one[1] ?: 'nothing').' → '.($one[2] ?: 'nothing'),
            array_filter($found, static fn (array $one): bool => $one[1] !== $one[2]),
        ));
    }

    /** @return list<array{string, string, string}> */
    private function changesOfTerms(CustomerRow $row, ?HouseAccount $account): array
    {
        $terms = $this->terms($row, $account);

        return $terms === null ? [] : [
            ['limit', $account?->credit_limit->toString() ?? 'no account', $terms->limit->toString()],
            ['terms', $account?->terms()->words() ?? 'no account', $terms->terms()->words()],
        ];
    }

    private function begin(): void
    {
        $this->types = array_change_key_case(CustomerType::query()->pluck('id', 'name')->all());
        $this->customers = Customer::query()->whereNull('merged_into_id')->get()->keyBy('number');
        $this->accounts = HouseAccount::query()->get()->keyBy('customer_id');
        $this->seen = [];
        $this->lines = [];

        foreach ($this->customers as $customer) {
            $marks = self::marks($customer->name_key, $customer->mail, $customer->phone_digits);
            $this->seen += array_fill_keys($marks, "customer {$customer->number}");
        }
    }

    /** @throws Refused */
    private function check(CustomerRow $row, int $line): void
    {
        $this->checkCells($row);
        $number = $row->cell('number');
        $customer = $this->customer($row);
        $marks = self::marks(
            Naming::key($row->cell('name')), $row->cell('mail'), Naming::phone($row->cell('phone')),
        );
        $like = array_values(array_intersect_key($this->seen, array_flip($marks)))[0] ?? null;

        match (true) {
            $number !== '' && $customer === null => throw Refused::because(
                'bad_number',
                "There is no customer {$number}. Leave the number empty for a new one.",
            ),
            $customer !== null && isset($this->lines[$customer->id]) => throw Refused::because(
                'twice',
                "Customer {$number} stands on line {$this->lines[$customer->id]} already.",
            ),
            $number === '' && $like !== null => throw Refused::because(
                'possible_duplicate',
                "That looks like {$like}: same name, mail or phone. Give the number to change that one.",
            ),
            default => $this->terms($row, $customer === null ? null : $this->account($customer)),
        };

        $customer === null
            ? $this->seen += array_fill_keys($marks, "line {$line}")
            : $this->lines[$customer->id] = $line;
    }

    /** @throws Refused */
    private function checkCells(CustomerRow $row): void
    {
        [$mail, $kind, $country, $type] = array_map($row->cell(...), ['mail', 'kind', 'country', 'type']);

        match (true) {
            $row->cell('name') === '' => throw Refused::because('no_name', 'The name is missing.'),
            mb_strlen($row->cell('name')) > 120 => throw Refused::because(
                'too_long',
                'The name is longer than 120 letters.',
            ),
            $mail !== '' && filter_var($mail, FILTER_VALIDATE_EMAIL) === false => throw Refused::because(
                'bad_mail',
                "“{$mail}” is not a mail address.",
            ),
            $kind !== '' && CustomerKind::tryFrom(mb_strtolower($kind)) === null => throw Refused::because(
                'bad_kind',
                "“{$kind}” is neither person nor firm.",
            ),
            $country !== '' && preg_match('/^[A-Za-z]{2}$/D', $country) !== 1 => throw Refused::because(
                'bad_country',
                "“{$country}” is not a country of two letters.",
            ),
            $type !== '' && ! isset($this->types[mb_strtolower($type)]) => throw Refused::because(
                'bad_type',
                "There is no type “{$type}”.",
            ),
            default => $row->discount(),
        };
    }

    /** @return list<string> */
    private static function marks(string $nameKey, string $mail, string $phone): array
    {
        return [
            ...$nameKey === '' ? [] : ["name {$nameKey}"],
            ...$mail === '' ? [] : ['mail '.mb_strtolower($mail)],
            ...strlen($phone) < 6 ? [] : ["phone {$phone}"],
        ];
    }
}
