<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Opening;

use Elmstone\Books\Accounts;
use Elmstone\Books\Books;
use Elmstone\Books\Drafts\DocumentDraft;
use Elmstone\Books\Drafts\Party;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Posting;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Refused;
use Elmstone\Customers\Customer;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Adjustments\AdjustAccount;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Receivables\Ledger\LedgerEntry;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Show;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;

/**
 * Brings the open items of the books before these onto the accounts: each by a document of its own against opening
 * balances, with its due day; all of them or none, and each number of a customer once.
 */
final readonly class PostOpening
{
    private const ROWS_AT_ONCE = 500;

    public function __construct(private Books $books, private Ledger $ledger, private AdjustAccount $adjust)
    {
    }

    /**
     * @param  non-empty-list<OpeningItem>  $items
     * @param  string  $key the same: the same items once
     * @param  callable(int): void  $brought how many more are written
     *
     * @throws Refused brought_before, no_account, day_closed
     */
    public function handle(array $items, string $key, Till $till, Staff $by, callable $brought): void
    {
        $customers = array_values(array_unique(self::customers($items)));

        $this->books->post(
            Posting::under($key)
                ->locking(fn (): Collection => $this->ledger->lockAll($customers))
                ->writing(function (Collection $accounts) use ($items, $customers, $key, $till, $by, $brought): int {
                    $till->location->assertOpenOn(ShopTime::today());
                    count($customers) === $accounts->count() || throw Refused::because(
                        'no_account', 'One of the customers has no house account any more. Look at the file again.',
                    );
                    $this->assertNew($items);
                    $this->write($items, $accounts, $key, PostedAt::till($till, $by->id, ShopTime::today()), $brought);

                    return count($items);
                }),
        );
    }

    /**
     * @param  list<OpeningItem>  $items
     * @return list<int>
     */
    private static function customers(array $items): array
    {
        return array_map(static fn (OpeningItem $item): int => $item->customer, $items);
    }

    /**
     * @param  list<OpeningItem>  $items
     *
     * @throws Refused brought_before
     */
    private function assertNew(array $items): void
    {
        $before = self::brought(self::customers($items));

        foreach ($items as $item) {
            isset($before["{$item->customer} {$item->number}"]) && throw Refused::because(
                'brought_before', "{$item->number} was brought in meanwhile; nothing was brought in now.",
            );
        }
    }

    /**
     * @param  list<int>  $customers
     * @return array<string, true> "customer number" of each that was brought in
     */
    public static function brought(array $customers): array
    {
        $brought = [];

        foreach (array_chunk(array_unique($customers), self::ROWS_AT_ONCE) as $some) {
            foreach (
                DB::table('opening_items')->whereIn('customer_id', $some)->get(['customer_id', 'number']) as $row
            ) {
                $brought["{$row->customer_id} {$row->number}"] = true;
            }
        }

        return $brought;
    }

    /**
     * @param  non-empty-list<OpeningItem>  $items
     * @param  Collection<int, HouseAccount>  $accounts by customer, locked
     * @param  callable(int): void  $brought
     */
    private function write(
        array $items,
        Collection $accounts,
        string $key,
        PostedAt $at,
        callable $brought,
    ): void {
        $names = Customer::query()->whereIn('id', $accounts->modelKeys())->pluck('name', 'id');
        $balances = $accounts->map(static fn (HouseAccount $account) => $account->balance)->all();
        $drafts = [];

        foreach ($items as $item) {
            $name = $names->get($item->customer);
            $drafts[] = $this->draft($item, new Party(
                $item->customer,
                is_string($name) ? $name : '',
                due: $item->open->isPositive() ? $item->due : null,
                balanceBefore: $balances[$item->customer],
            ), $key, $at);
            $balances[$item->customer] = $balances[$item->customer]->plus($item->open);
        }

        [$entries, $rows] = [[], []];

        foreach (array_chunk($drafts, self::ROWS_AT_ONCE) as $some) {
            $documents = $this->books->documents($some);

            foreach ($documents as $i => $document) {
                $item = $items[count($rows)];
                $entries[$item->customer][] = new LedgerEntry($document, $some[$i]);
                $rows[] = [
                    'document_id' => $document,
                    'customer_id' => $item->customer,
                    'number' => $item->number,
                    'dated' => $item->dated->format('Y-m-d'),
                ];
            }

            $brought(count($documents));
        }

        foreach ($entries as $customer => $some) {
            $this->ledger->enter($accounts->firstOrFail('customer_id', $customer), $some);
        }

        foreach (array_chunk($rows, self::ROWS_AT_ONCE) as $some) {
            DB::table('opening_items')->insert($some);
        }
    }

    private function draft(OpeningItem $item, Party $party, string $key, PostedAt $at): DocumentDraft
    {
        return $this->adjust->draft(
            $party,
            $item->open->isPositive() ? Purpose::OpeningOwed : Purpose::OpeningCredit,
            $item->open,
            [[Accounts::OPENING, $item->open->negated()]],
            $at,
            Uuid::uuid5(Uuid::fromString($key), "{$item->customer} {$item->number}")->toString(),
            "{$item->number} of ".Show::date($item->dated),
        );
    }
}
