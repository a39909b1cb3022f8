<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Bank;

use Elmstone\Core\Money\Money;
use Elmstone\Customers\Customer;
use Elmstone\Customers\Naming;
use Elmstone\Interchange\Bank\Read\BankEntryRead;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Illuminate\Support\Facades\DB;

/** What is open, and who has an account: read once for all the payments of a file. */
final class OpenNow
{
    private const ROWS_AT_ONCE = 500;

    /** @var array<string, list<OpenItemRecord>> charges by the digits of their number */
    private array $byNumber = [];

    /** @var array<string, list<OpenItemRecord>> by what is open, in words */
    private array $byAmount = [];

    /** @var array<int, list<OpenItemRecord>> by customer, oldest due first */
    private array $byCustomer = [];

    /** @var array<string, list<int>> customers by the key of their name */
    private array $names = [];

    /** @var array<string, int> customers by account number */
    private array $accounts = [];

    /** @var array<int, string> number and name by customer */
    public array $called = [];

    /** @var array<string, string> what paid it, by the label of a charge that is paid already */
    private array $paid = [];

    /** @var array<string, list<int>> customers whose payments came from a bank account */
    private array $payers = [];

    /** @param  list<BankEntryRead>  $entries */
    public function __construct(array $entries)
    {
        foreach (
            OpenItemRecord::withCredits(
                OpenItemRecord::query()
                    ->where('open', '>', 0)
                    ->where('kind', 'charge')
                    ->orderBy('due_date')
                    ->orderBy('business_date')
                    ->orderBy('document_id')
                    ->get(),
            ) as $item
        ) {
            $this->byNumber[ltrim(preg_replace('/\D/', '', $item->label) ?? '', '0')][] = $item;
            $this->byAmount[$item->open->toString()][] = $item;
            $this->byCustomer[$item->customer_id][] = $item;
        }

        foreach (
            Customer::query()
                ->toBase()
                ->join('house_accounts as a', 'a.customer_id', '=', 'customers.id')
                ->whereNull('merged_into_id')
                ->get(['customers.id', 'number', 'name', 'name_key']) as $customer
        ) {
            $this->names[(string) $customer->name_key][] = (int) $customer->id;
            $this->accounts[(string) $customer->number] = (int) $customer->id;
            $this->called[(int) $customer->id] = "{$customer->number} {$customer->name}";
        }

        $this->readPaid($entries);
        $this->readPayers($entries);
    }

    /** @return list<OpenItemRecord> */
    public function numbered(string $number, string $called): array
    {
        $items = $this->byNumber[$number] ?? [];

        return $called === '' || $called === NamedNumbers::ACCOUNT
            ? $items
            : array_values(
                array_filter(
                    $items,
                    static fn (OpenItemRecord $item): bool => str_starts_with($item->label, "{$called}-"),
                ),
            );
    }

    /** @return list<OpenItemRecord> */
    public function ofCustomer(int $customer): array
    {
        return $this->byCustomer[$customer] ?? [];
    }

    /** @return list<OpenItemRecord> */
    public function ofAmount(Money $amount): array
    {
        return $this->byAmount[$amount->toString()] ?? [];
    }

    public function account(string $number): ?int
    {
        return $this->accounts[$number] ?? null;
    }

    /** @return list<int> customers of just this name */
    public function named(string $payer): array
    {
        return trim($payer) === '' ? [] : $this->names[Naming::key($payer)] ?? [];
    }

    /** @return list<int> customers that were paid for from this bank account before */
    public function fromAccount(string $account): array
    {
        return $this->payers[$account] ?? [];
    }

    /** What says that a charge is paid already: "INV-000123 is paid already". */
    public function paidAlready(string $label): ?string
    {
        return $this->paid[$label] ?? null;
    }

    /** @param  list<BankEntryRead>  $entries */
    private function readPaid(array $entries): void
    {
        $labels = [];

        foreach ($entries as $entry) {
            foreach (NamedNumbers::in($entry->reference) as $named) {
                if (
                    $named['called'] !== ''
                    && $named['called'] !== NamedNumbers::ACCOUNT
                    && strlen($named['number']) < 10
                ) {
                    $labels[sprintf('%s-%06d', $named['called'], $named['number'])] = true;
                }
            }
        }

        foreach (array_chunk(array_keys($labels), self::ROWS_AT_ONCE) as $chunk) {
            foreach (
                DB::table('open_items')
                    ->whereIn('label', $chunk)
                    ->where('kind', 'charge')
                    ->where('open', 0)
                    ->get(['label', 'moved_on']) as $item
            ) {
                $this->paid[(string) $item->label] = "{$item->label} is paid already, since {$item->moved_on}";
            }
        }
    }

    /** @param  list<BankEntryRead>  $entries */
    private function readPayers(array $entries): void
    {
        $accounts = array_values(
            array_filter(
                array_unique(array_map(static fn (BankEntryRead $entry): string => $entry->payerAccount, $entries)),
                static fn (string $account): bool => $account !== '',
            ),
        );

        foreach (array_chunk($accounts, self::ROWS_AT_ONCE) as $chunk) {
            foreach (
                DB::table('bank_entries')
                    ->whereIn('payer_account', $chunk)
                    ->where('state', 'posted')
                    ->distinct()
                    ->get(['payer_account', 'customer_id']) as $known
            ) {
                $this->payers[(string) $known->payer_account][] = (int) $known->customer_id;
            }
        }
    }
}
