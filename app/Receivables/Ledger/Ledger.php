<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Ledger;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Receivables\ItemKind;
use Elmstone\Receivables\Accounts\HouseAccount;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use LogicException;

/**
 * The receivables ledger: the only place that writes open items, allocations and balances. Always under the lock of the
 * accounts concerned, which is taken before anything else is read in the transaction.
 */
final class Ledger
{
    private const ROWS_AT_ONCE = 500;

    public function __construct(private readonly Allocations $allocations)
    {
    }

    /** @throws Refused not_an_account */
    public function lock(int $customer): HouseAccount
    {
        return $this->lockIfAny($customer)
            ?? throw Refused::because('not_an_account', 'This customer has no house account. Open one first.');
    }

    public function lockIfAny(int $customer): ?HouseAccount
    {
        $this->assertInside();

        $account = HouseAccount::query()->where('customer_id', $customer)->lockForUpdate()->first();
        $account === null || $this->lockGroups([$account]);

        return $account;
    }

    /**
     * What a head office's branches may be charged with together is counted by one after the other.
     *
     * @param  iterable<HouseAccount>  $accounts
     */
    private function lockGroups(iterable $accounts): void
    {
        $heads = [];

        foreach ($accounts as $account) {
            $account->head_id === null || $heads[$account->head_id] = true;
        }

        $heads === [] || DB::table('account_groups')
            ->whereIn('head_id', array_keys($heads))
            ->orderBy('head_id')
            ->lockForUpdate()
            ->get();
    }

    /**
     * In the order of their ids, so that two who want the same never wait for each other.
     *
     * @param  array<int>  $customers
     * @return Collection<int, HouseAccount>
     */
    public function lockAll(array $customers): Collection
    {
        $this->assertInside();

        $accounts = HouseAccount::query()
            ->whereIn('customer_id', $customers)
            ->orderBy('customer_id')
            ->lockForUpdate()
            ->get()
            ->keyBy('customer_id');
        $this->lockGroups($accounts);

        return $accounts;
    }

    /**
     * Enters documents of one account in the order given.
     *
     * @param  list<LedgerEntry>  $entries
     */
    public function enter(HouseAccount $account, array $entries): void
    {
        $rows = [];
        $balance = $account->balance;

        foreach ($entries as $entry) {
            $effect = $entry->draft->onAccount();

            if ($effect->isZero()) {
                continue;
            }

            $day = $entry->draft->at->day;
            $balance = $balance->plus($effect);
            $rows[] = [
                'document_id' => $entry->documentId,
                'customer_id' => $account->customer_id,
                'label' => '',
                'kind' => ($effect->isPositive() ? ItemKind::Charge : ItemKind::Credit)->value,
                'purpose' => $entry->draft->purpose()->value,
                'business_date' => $day->format('Y-m-d'),
                'due_date' => ($entry->draft->party->due ?? $day)->format('Y-m-d'),
                'discount_percent' => $effect->isPositive() ? $entry->terms?->discount?->toString() : null,
                'discount_until' => $effect->isPositive()
                    ? $entry->terms?->discountUntil($day)?->format('Y-m-d')
                    : null,
                'amount' => $effect->abs(),
                'open' => $effect->abs(),
                'moved_on' => $day->format('Y-m-d'),
            ];
        }

        $this->write($rows);
        $account->forceFill(['balance' => $balance])->save();
    }

    /** So much more of what is ordered will be charged to the account, or less: it was supplied, or will not be. */
    public function expect(HouseAccount $account, Money $change): void
    {
        $this->assertInside();
        $account->forceFill(['orders' => $account->orders->plus($change)])->save();
    }

    /** @param  list<array{document_id: int, ...<string, scalar|Money|null>}>  $rows */
    private function write(array $rows): void
    {
        $labels = $rows === []
                ? []
                : DB::table('documents')
                    ->whereIn('id', array_column($rows, 'document_id'))
                    ->pluck('label', 'id')
                    ->all();

        foreach (array_chunk($rows, self::ROWS_AT_ONCE) as $chunk) {
            DB::table('open_items')->insert(
                array_map(
                    static fn (array $row): array => [...$row, 'label' => $labels[$row['document_id']]],
                    $chunk,
                ),
            );
        }
    }

    /**
     * Sets parts of one credit against charges.
     *
     * @param  array<int, Money>  $parts by the charge's document id
     * @param  array<int, Money>  $discounts what of each is a settlement discount
     *
     * @throws Refused over_allocated, not_open
     */
    public function allocate(
        HouseAccount $account,
        int $credit,
        array $parts,
        Setting $setting,
        array $discounts = [],
    ): void {
        $this->assertInside();
        $this->allocations->set($account, $credit, $parts, $setting, $discounts);
    }

    /**
     * Takes allocations back, each by a row of its own.
     *
     * @param  iterable<AllocationRecord>  $allocations
     *
     * @throws Refused already_taken_back
     */
    public function takeBack(HouseAccount $account, iterable $allocations, Setting $setting): void
    {
        $this->assertInside();
        $this->allocations->takeBack($account, $allocations, $setting);
    }

    private function assertInside(): void
    {
        if (DB::transactionLevel() === 0) {
            throw new LogicException('Accounts are locked inside a transaction.');
        }
    }
}
