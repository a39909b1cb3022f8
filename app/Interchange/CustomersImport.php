<?php

declare(strict_types=1);

namespace Elmstone\Interchange;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Core\Receivables\TermsKind;
use Elmstone\Customers\Customer;
use Elmstone\Customers\CustomerKind;
use Elmstone\Customers\CustomerType;
use Elmstone\Customers\Drafts\CustomerDraft;
use Elmstone\Customers\Naming;
use Elmstone\Customers\SaveCustomer;
use Elmstone\Receivables\Accounts\AccountTerms;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Accounts\ManageAccount;
use Elmstone\Receivables\Statements\StatementKind;
use Elmstone\Receivables\Statements\StatementWay;
use Elmstone\Shop\House;
use Elmstone\Staff\Staff;
use Elmstone\Support\Tables\ImportReport;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/**
 * Brings customers in from a table. A dry run reads every row and says of each bad one what is wrong; only a table
 * without a bad row is brought in, all of it or nothing. A row with a number changes that customer; one without makes a
 * new one. An empty cell leaves what there is; a dash alone empties it.
 */
final class CustomersImport
{
    private const MOST_COMPLAINTS = 200;

    private const REASON = 'brought in from a table';

    /** More would keep whoever waits for it waiting too long. */
    private const MOST_ROWS = 10_000;

    /** @var array<string, int> types by name, in lower case */
    private array $types = [];

    /** @var array<int, int> ids by number */
    private array $known = [];

    /**
     * @var array<string, string> what customers in the shop are told apart by: the customer's number, or the line that
     *     has it
     */
    private array $seen = [];

    /** @var Collection<int, Customer> by number */
    private Collection $customers;

    /** @var Collection<int, HouseAccount> by customer */
    private Collection $accounts;

    public function __construct(
        private readonly House $house,
        private readonly SaveCustomer $save,
        private readonly ManageAccount $manage,
    ) {
    }

    /** @throws Refused not_a_table, no_name_column, unknown_column, too_many_rows */
    public function dryRun(string $csv): ImportReport
    {
        return $this->report($csv);
    }

    /** @throws Refused bad_rows, and whatever dryRun refuses */
    public function bringIn(string $csv, Staff $by): ImportReport
    {
        $report = $this->report($csv);

        if ($report->bad > 0) {
            throw Refused::because('bad_rows', "{$report->bad} rows are not right yet; nothing was brought in.");
        }

        return DB::transaction(function () use ($csv, $by, $report): ImportReport {
            // Accounts are locked before customers everywhere.
            foreach ((new CsvRows($csv))->rows() as $row) {
                $this->keepTerms(self::written($row), $by);
            }

            foreach ((new CsvRows($csv))->rows() as $row) {
                $this->keep(self::written($row), $by);
            }

            return $report;
        });
    }

    private function report(string $csv): ImportReport
    {
        $table = new CsvRows($csv);
        $this->assertColumns($table->head);
        $this->types = array_change_key_case(CustomerType::query()->pluck('id', 'name')->all());
        $this->known = Customer::query()->pluck('id', 'number')->all();
        $this->seen = [];
        $this->customers = Customer::query()->whereNull('merged_into_id')->get()->keyBy('number');
        $this->accounts = HouseAccount::query()->get()->keyBy('customer_id');

        foreach (
            DB::table('customers')
                ->whereNull('merged_into_id')
                ->get(['number', 'name_key', 'mail', 'phone_digits']) as $customer
        ) {
            $this->remember(
                self::marks((string) $customer->name_key, (string) $customer->mail, (string) $customer->phone_digits),
                "customer {$customer->number}",
            );
        }

        $report = new ImportReport;
        $numbers = [];

        foreach ($table->rows() as $line => $row) {
            if ($report->rows >= self::MOST_ROWS) {
                throw Refused::because(
                    'too_many_rows',
                    'That is more than '
                        .number_format(self::MOST_ROWS)
                        .' customers. Split the file; nothing was brought in.',
                );
            }

            $row = self::written($row);

            try {
                $this->check($row, $line, $numbers);
                $this->count($report, $row, $line);
            } catch (Refused $refused) {
                $report->complain($line, $row['name'] ?? '', $refused->getMessage(), self::MOST_COMPLAINTS);
            }
        }

        return $report->rows === 0 ? throw Refused::because('not_a_table', 'There is no row under the head.') : $report;
    }

    /** @param  list<string>  $head */
    private function assertColumns(array $head): void
    {
        $unknown = array_diff(
            array_filter($head, static fn (string $name): bool => $name !== ''),
            CustomersTable::COLUMNS,
        );

        match (true) {
            ! in_array('name', $head, true) => throw Refused::because(
                'no_name_column',
                'The first row must name the columns, “name” among them. Known are '
                    .implode(', ', CustomersTable::COLUMNS)
                    .'.',
            ),
            $unknown !== [] => throw Refused::because(
                'unknown_column',
                'There is no column “'
                    .reset($unknown)
                    .'” here. Known are '
                    .implode(', ', CustomersTable::COLUMNS)
                    .'.',
            ),
            default => null,
        };
    }

    /**
     * @param  array<string, string>  $row
     * @param  array<int|string, int>  $numbers numbers so far, and the lines they are on
     */
    private function check(array $row, int $line, array &$numbers): void
    {
        $number = $row['number'] ?? '';
        $marks = self::marks(Naming::key($row['name'] ?? ''), $row['mail'] ?? '', Naming::phone($row['phone'] ?? ''));
        [$mail, $kind, $country] = [$row['mail'] ?? '', $row['kind'] ?? '', $row['country'] ?? ''];
        $like = array_values(array_intersect_key($this->seen, array_flip($marks)))[0] ?? null;

        match (true) {
            ($row['name'] ?? '') === '' => throw Refused::because('no_name', 'The name is missing.'),
            mb_strlen($row['name']) > 120 => throw Refused::because('too_long', 'The name is longer than 120 letters.'),
            $number !== '' && (
                ! ctype_digit($number) || ! isset($this->known[(int) $number])
            ) => throw Refused::because(
                'bad_number',
                "There is no customer {$number}. Leave the number empty for a new one.",
            ),
            $number !== '' && isset($numbers[$number]) => throw Refused::because(
                'twice',
                "Customer {$number} stands on line {$numbers[$number]} already.",
            ),
            $number === '' && $like !== null => throw Refused::because(
                'possible_duplicate',
                "That looks like {$like}: same name, mail or phone. Give the number to change that one.",
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
            ($row['type'] ?? '') !== '' && ! isset($this->types[mb_strtolower($row['type'])]) => throw Refused::because(
                'bad_type',
                "There is no type “{$row['type']}”.",
            ),
            default => null,
        };

        $this->discount($row);
        $this->terms($row, $number === '' ? null : $this->accounts->get($this->known[(int) $number] ?? 0));

        if ($number !== '') {
            $numbers[$number] = $line;
        } else {
            $this->remember($marks, "line {$line}");
        }
    }

    /**
     * Only the cells that say something; one with a dash alone says that there shall be nothing.
     *
     * @param  array<string, string>  $row
     * @return array<string, string>
     */
    private static function written(array $row): array
    {
        return array_map(
            static fn (string $cell): string => in_array($cell, ['-', '–'], true) ? '' : $cell,
            array_filter($row, static fn (string $cell): bool => $cell !== ''),
        );
    }

    /** @param  array<string, string>  $row */
    private function count(ImportReport $report, array $row, int $line): void
    {
        if (($row['number'] ?? '') === '') {
            $report->fine(false);

            return;
        }

        $customer = $this->customers->get((int) $row['number']);
        $changes = $customer === null ? [] : $this->changes($customer, $row);
        $report->fine(true, $changes === []);
        $changes === [] || $report->changes($line, $customer->name ?? '', $changes, self::MOST_COMPLAINTS);
    }

    /**
     * @param  array<string, string>  $row
     * @return list<string> "mail: old → new"
     */
    private function changes(Customer $customer, array $row): array
    {
        $account = $this->accounts->get($customer->id);
        $fields = $this->fields($row);
        $types = array_flip($this->types);
        $was = fn (string $field): string => match ($field) {
            'customer_type_id' => (string) ($types[$customer->customer_type_id ?? 0] ?? ''),
            'kind' => $customer->kind->value,
            'discount_percent' => $customer->discount_percent === null
                ? ''
                : $customer->discount_percent->toString(),
            default => is_scalar($customer->getAttribute($field)) ? (string) $customer->getAttribute($field) : '',
        };
        $found = [];

        foreach ($fields as $field => $value) {
            $found[] = [
                str_replace(['customer_type_id', 'discount_percent', '_'], ['type', 'discount', ' '], $field),
                $was($field),
                $field === 'customer_type_id' ? (string) ($types[(int) $value] ?? '') : (string) $value,
            ];
        }

        array_key_exists('tags', $row)
            && ($found[] = ['tags', implode(', ', $customer->tags()), implode(', ', self::tags($row))]);
        $terms = $this->terms($row, $account);

        if ($terms !== null) {
            $found[] = [
                'limit',
                $account === null ? 'no account' : $account->credit_limit->toString(),
                $terms->limit->toString(),
            ];
            $found[] = [
                'terms',
                $account === null ? 'no account' : $account->terms()->words(),
                $terms->terms()->words(),
            ];
        }

        return array_values(
            array_map(
                static fn (array $one): string => "{$one[0]}: "
                    .($one[1] === '' ? 'nothing' : $one[1])
                    .' → '
                    .($one[2] === '' ? 'nothing' : $one[2]),
                array_filter($found, static fn (array $one): bool => $one[1] !== $one[2]),
            ),
        );
    }

    /**
     * @param  array<string, string>  $row
     * @return list<string>
     */
    private static function tags(array $row): array
    {
        return array_values(
            array_filter(
                array_map(trim(...), explode(',', $row['tags'] ?? '')),
                static fn (string $tag): bool => $tag !== '',
            ),
        );
    }

    /**
     * @param  array<string, string>  $row
     * @return array<string, scalar|null> the customer's own fields that the row says something of
     */
    private function fields(array $row): array
    {
        $fields = array_intersect_key(
            $row,
            array_flip(['name', 'phone', 'mail', 'street', 'postcode', 'town', 'tax_number']),
        );
        ($row['kind'] ?? '') !== '' && ($fields['kind'] = mb_strtolower($row['kind']));
        ($row['country'] ?? '') !== '' && ($fields['country'] = strtoupper($row['country']));
        array_key_exists('type', $row)
            && ($fields['customer_type_id'] = $this->types[mb_strtolower($row['type'])] ?? null);
        array_key_exists('discount', $row) && ($fields['discount_percent'] = $this->discount($row));

        return $fields;
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

    /** @param  list<string>  $marks */
    private function remember(array $marks, string $as): void
    {
        $this->seen += array_fill_keys($marks, $as);
    }

    /** @param  array<string, string>  $row */
    private function discount(array $row): ?string
    {
        return ($row['discount'] ?? '') === ''
            ? null
            : Percentage::ofWhole(TypedNumber::plain($row['discount']))->toString();
    }

    /**
     * What the account is to say: of one there is, what the row does not speak of stays.
     *
     * @param  array<string, string>  $row
     * @return AccountTerms|null null: no account is asked for, or nothing of it is changed
     */
    private function terms(array $row, ?HouseAccount $account): ?AccountTerms
    {
        $says = array_intersect_key($row, array_flip(['limit', 'terms', 'terms_days']));

        if ($says === [] || ($account === null && ($row['limit'] ?? '') === '')) {
            return null;
        }

        $limit = ($row['limit'] ?? '') === ''
                ? $account->credit_limit ?? $this->house->money(0)
                : $this->house->fitting(Money::of(TypedNumber::plain($row['limit']), $this->house->currency()));
        $limit->isNegative() && throw Refused::because('bad_limit', 'A limit cannot be below zero.');
        $kind = TermsKind::tryFrom($row['terms'] ?? ($account?->terms_kind->value ?? 'net'))
            ?? throw Refused::because(
                'bad_terms',
                "“{$row['terms']}” is not a kind of terms; known are net, after_month_end, day_of_next_month, at_once.",
            );
        $days = $row['terms_days'] ?? (string) ($account->terms_days ?? 30);
        $terms = new AccountTerms(
            $limit,
            $kind,
            ctype_digit($days)
                ? (int) $days
                : throw Refused::because('bad_terms', "“{$days}” is not a number of days."),
            $account?->discount_percent?->toString(),
            $account->discount_days ?? 0,
            $account->allowed_overdue_days ?? 15,
            $account->purchase_order_required ?? false,
            $account->statement_kind ?? StatementKind::OpenItem,
            $account->statement_way ?? (($row['mail'] ?? '') === '' ? StatementWay::Print : StatementWay::Mail),
            $account->finance_charges ?? true,
            $account?->buyer,
            $account->letters ?? true,
        );
        $terms->terms();

        return $terms;
    }

    /** @param  array<string, string>  $row */
    private function keep(array $row, Staff $by): void
    {
        $number = $row['number'] ?? '';
        $customer = $number === '' ? null : Customer::query()->where('number', (int) $number)->firstOrFail();
        $tags = array_key_exists('tags', $row) ? self::tags($row) : null;
        $kept = $this->save->handle(
            $customer,
            new CustomerDraft($this->fields($row), tags: $tags, sureItIsNew: true),
            $by,
        );
        $terms = $customer === null ? $this->terms($row, null) : null;
        $terms === null || $this->manage->open($kept, $terms, self::REASON, $by);
    }

    /**
     * What the row says of the account of a customer there is.
     *
     * @param  array<string, string>  $row
     */
    private function keepTerms(array $row, Staff $by): void
    {
        $customer = ($row['number'] ?? '') === '' ? null : $this->customers->get((int) $row['number']);
        $terms = $customer === null ? null : $this->terms($row, $this->accounts->get($customer->id));
        $customer === null || $terms === null || $this->manage->save($customer, $terms, self::REASON, $by, null);
    }
}
