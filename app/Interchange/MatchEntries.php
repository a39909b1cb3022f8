<?php

declare(strict_types=1);

namespace Elmstone\Interchange;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Receivables\Suggestion;
use Elmstone\Customers\Customer;
use Elmstone\Customers\Naming;
use Elmstone\Receivables\OpenItemRecord;
use Elmstone\Shop\House;
use Illuminate\Support\Collection;

/**
 * Finds out whom payments are from and what they pay: by the invoices the reference names, by the account number in it, by the payer's name, and last by
 * an amount that only one open item has. Reads everything open once, however many payments there are.
 */
final class MatchEntries
{
    /** @var array<string, list<OpenItemRecord>> open charges by the digits of their number */
    private array $byNumber = [];

    /** @var array<int, list<OpenItemRecord>> by amount */
    private array $byAmount = [];

    /** @var array<int, list<OpenItemRecord>> by customer */
    private array $byCustomer = [];

    /** @var array<string, list<int>> customers by the key of their name */
    private array $names = [];

    /** @var array<string, int> customers by account number */
    private array $accounts = [];

    public function __construct(private readonly House $house)
    {
        foreach (OpenItemRecord::query()->where('open', '>', 0)->where('kind', 'charge')->orderBy('due_date')->orderBy('business_date')->orderBy('document_id')->get() as $item) {
            $this->byNumber[ltrim(preg_replace('/\D/', '', $item->label) ?? '', '0')][] = $item;
            $this->byAmount[$item->open][] = $item;
            $this->byCustomer[$item->customer_id][] = $item;
        }

        foreach (Customer::query()->toBase()->join('house_accounts as a', 'a.customer_id', '=', 'customers.id')->whereNull('merged_into_id')->get(['customers.id', 'number', 'name_key']) as $customer) {
            $this->names[(string) $customer->name_key][] = (int) $customer->id;
            $this->accounts[(string) $customer->number] = (int) $customer->id;
        }
    }

    /** @return array{customer_id: int|null, shares: array<string, int>|null, why: string} */
    public function match(BankEntryRead $entry): array
    {
        preg_match_all('/\d{3,}/', $entry->reference, $found);
        $numbers = array_map(static fn (string $digits): string => ltrim($digits, '0'), $found[0]);
        $named = array_merge(...array_values(array_intersect_key($this->byNumber, array_flip($numbers))));
        $customers = array_unique(array_map(static fn (OpenItemRecord $item): int => $item->customer_id, $named));

        if (count($customers) === 1) {
            return $this->onNamed(reset($customers), $named, $entry->amount);
        }

        $account = array_values(array_intersect_key($this->accounts, array_flip($numbers)));
        $byName = $this->names[Naming::key($entry->payer)] ?? [];

        return match (true) {
            count($account) === 1 => $this->onAccount($account[0], $entry->amount, 'account number in the reference'),
            count($byName) === 1 => $this->onAccount($byName[0], $entry->amount, 'name of the payer'),
            count($this->byAmount[$entry->amount->minor] ?? []) === 1 => $this->byAmountAlone($this->byAmount[$entry->amount->minor][0]),
            default => ['customer_id' => null, 'shares' => null, 'why' => ''],
        };
    }

    /**
     * @param  list<OpenItemRecord>  $items
     * @return array{customer_id: int, shares: array<string, int>|null, why: string}
     */
    private function onNamed(int $customer, array $items, Money $amount): array
    {
        $sum = array_sum(array_map(static fn (OpenItemRecord $item): int => $item->open, $items));
        $words = count($items) === 1 ? "names {$items[0]->label}" : 'names '.count($items).' invoices';

        if ($sum === $amount->minor) {
            return ['customer_id' => $customer, 'shares' => self::whole($items), 'why' => "{$words}, exactly"];
        }

        $less = array_sum(array_map(fn (OpenItemRecord $item): int => $item->toValue($this->house->currency(), $item->discount_until)->discount->minor, $items));

        return $less > 0 && $sum - $less === $amount->minor
            ? ['customer_id' => $customer, 'shares' => $this->lessDiscount($items), 'why' => "{$words}, less settlement discount"]
            : ['customer_id' => $customer, 'shares' => $this->asFarAsItGoes($items, $amount->minor), 'why' => "{$words}, which come to ".$this->house->money($sum)->toString()];
    }

    /** @return array{customer_id: int, shares: array<string, int>|null, why: string} */
    private function onAccount(int $customer, Money $amount, string $why): array
    {
        $items = new Collection($this->byCustomer[$customer] ?? []);
        $suggestion = $items->count() > 200 ? null : Suggestion::for($amount, array_values($items->map(fn (OpenItemRecord $item) => $item->toValue($this->house->currency()))->all()));
        $exact = $suggestion->matches[0] ?? null;

        return $exact !== null && ! $suggestion->more && count($suggestion->matches) === 1
            ? ['customer_id' => $customer, 'shares' => self::whole(array_values($items->whereIn('label', $exact)->all())), 'why' => "{$why}; exactly ".(count($exact) === 1 ? $exact[0] : count($exact).' items')]
            : ['customer_id' => $customer, 'shares' => null, 'why' => $why];
    }

    /** @return array{customer_id: int, shares: array<string, int>, why: string} */
    private function byAmountAlone(OpenItemRecord $item): array
    {
        return ['customer_id' => $item->customer_id, 'shares' => [$item->label => $item->open], 'why' => "only {$item->label} has this amount"];
    }

    /**
     * @param  list<OpenItemRecord>  $items
     * @return array<string, int>
     */
    private static function whole(array $items): array
    {
        return array_combine(array_map(static fn (OpenItemRecord $item): string => $item->label, $items), array_map(static fn (OpenItemRecord $item): int => $item->open, $items));
    }

    /**
     * @param  list<OpenItemRecord>  $items
     * @return array<string, int>
     */
    private function lessDiscount(array $items): array
    {
        $shares = [];

        foreach ($items as $item) {
            $shares[$item->label] = $item->open - $item->toValue($this->house->currency(), $item->discount_until)->discount->minor;
        }

        return $shares;
    }

    /**
     * @param  list<OpenItemRecord>  $items
     * @return array<string, int>
     */
    private function asFarAsItGoes(array $items, int $left): array
    {
        $shares = [];

        foreach ($items as $item) {
            $part = min($left, $item->open);
            $left -= $part;

            if ($part > 0) {
                $shares[$item->label] = $part;
            }
        }

        return $shares;
    }
}
