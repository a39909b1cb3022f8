<?php

declare(strict_types=1);

namespace Elmstone\Demo;

use Brick\Math\BigDecimal;
use Carbon\CarbonImmutable;
use Elmstone\Books\Drafts\DocumentDraft;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Register;
use Elmstone\Cards\CardRequest;
use Elmstone\Cards\CardState;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\PriceBooks;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Catalogue\StockMove;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Counter\Lines\LineOnSlip;
use Elmstone\Counter\Post\SaleDraft;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Settle\SettledSlip;
use Elmstone\Counter\Slip\BlankSlip;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipParty;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Ledger\LedgerEntry;
use Elmstone\Shares\ShareLedger;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Role;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use LogicException;
use Ramsey\Uuid\Uuid;

/**
 * Walk-in sales for every working day, a day at a time: slips are made up, then reckoned, settled and posted by what
 * reckons, settles and posts them at the counter; only the writing is done for a whole day at once.
 */
final class DemoSales
{
    /** @var non-empty-list<Item> */
    private array $items;

    /** @var non-empty-list<Till> */
    private array $tills;

    /** @var non-empty-list<int> staff who serve */
    private array $clerks;

    /** @var array<int, Item> */
    private array $byId;

    /** @var array<int, string> what each costs this morning, by item */
    private array $costs = [];

    /** @var array<int, array<int, BigDecimal|numeric-string>> what is left to sell on this day, by location and item */
    private array $left = [];

    private int $serial = 0;

    /** How many cards have paid: every authorisation is its own. */
    private int $cards = 0;

    /** @var list<array{int, int}|null> who sells together as slips name them, and who leads; mostly nobody does */
    private array $together = [];

    /** Those who charge; null: everybody pays at once. */
    private ?DemoAccounts $accounts = null;

    public function __construct(
        private readonly Chance $chance,
        private readonly House $house,
        private readonly Register $register,
        private readonly StockLedger $stock,
        private readonly ShareLedger $shares,
        private readonly ?DemoStock $shelves = null,
    ) {
        $this->items = self::some(
            Item::query()
                ->with(['breaks', 'promotions'])
                ->orderBy('id')
                ->get()
                ->all(),
        );
        $this->byId = (new Collection($this->items))->keyBy('id')->all();
        $this->tills = self::some(
            Till::query()->with('location.taxProfile.components')->orderBy('number')->get()->all(),
        );
        $this->clerks = self::some(
            Staff::query()
                ->whereIn('role', [Role::Clerk, Role::Supervisor])
                ->pluck('id')
                ->map(static fn (mixed $id): int => is_int($id) ? $id : 0)
                ->all(),
        );
    }

    /**
     * @template T
     *
     * @param  array<T>  $found
     * @return non-empty-list<T>
     */
    private static function some(array $found): array
    {
        return $found === []
            ? throw new LogicException('There is nobody and nothing to sell with.')
            : array_values($found);
    }

    /** From now on some of the sales are made by two together. */
    public function sharing(DemoShares $shares): void
    {
        $this->together = $shares->together($this->clerks);
    }

    /** From now on some of the sales are to customers by name, and some are charged. */
    public function with(DemoAccounts $accounts): void
    {
        $this->accounts = $accounts;
    }

    /** @return int how many sales it posted */
    public function sellOn(CarbonImmutable $day, int $least, int $most): int
    {
        $this->lookAround();
        $drafts = $this->drafts($day, $this->chance->between($least, $most));

        DB::transaction(function () use ($drafts): void {
            $moves = array_merge(...array_map(static fn (array $draft): array => $draft[1], $drafts));
            $this->stock->take($moves);
            $ids = $this->register->postAll(array_map(static fn (array $draft): DocumentDraft => $draft[0], $drafts));
            $this->enter($drafts, $ids);
            $this->shares->soldAll(array_map(
                static fn (int $id, array $draft): array => [$id, $draft[0], $draft[2]],
                $ids,
                $drafts,
            ));
            $rows = [];

            foreach ($drafts as $i => [$draft, $itsMoves]) {
                foreach ($itsMoves as $move) {
                    $rows[] = [$move, $draft->at->day, $ids[$i]];
                }
            }

            $this->stock->record('sale', $rows);
        });

        return count($drafts);
    }

    /**
     * @param  non-empty-list<array{DocumentDraft, list<StockMove>, int|null}>  $drafts
     * @param  non-empty-list<int>  $ids
     */
    private function enter(array $drafts, array $ids): void
    {
        $entries = [];

        foreach ($drafts as $i => [$draft]) {
            if ($draft->party->customerId !== null && ! $draft->onAccount()->isZero()) {
                $entries[$draft->party->customerId][] = new LedgerEntry(
                    $ids[$i],
                    $draft,
                    HouseAccount::query()->findOrFail($draft->party->customerId)->terms(),
                );
            }
        }

        if ($entries !== []) {
            $this->accounts?->enter($entries);
        }
    }

    /** What is there this morning, and what it costs. */
    private function lookAround(): void
    {
        /** @var array<int, numeric-string> $costs */
        $costs = DB::table('items')->pluck('cost', 'id')->all();

        foreach (array_diff_assoc($costs, $this->costs) as $id => $cost) {
            $this->byId[$id]->cost = UnitPrice::of($cost);
        }

        $this->costs = $costs;

        $locations = array_unique(array_map(static fn (Till $till): int => $till->location_id, $this->tills));

        foreach ($locations as $location) {
            $this->left[$location] = $this->shelves?->available($location) ?? [];
        }
    }

    /** @return non-empty-list<array{DocumentDraft, list<StockMove>, int|null}> */
    private function drafts(CarbonImmutable $day, int $count): array
    {
        $times = [];

        do {
            $times[] = $this->chance->between(7 * 3600 + 1800, 17 * 3600 + 1800);
        } while (count($times) < $count);

        sort($times);

        return array_map(
            fn (int $time): array => $this->draft($day, ShopTime::beginning($day)->addSeconds($time)),
            $times,
        );
    }

    /** @return array{DocumentDraft, list<StockMove>, int|null} */
    private function draft(CarbonImmutable $day, CarbonImmutable $at): array
    {
        $till = $this->chance->oneOf(self::some(DemoTills::on($day, $this->tills)));
        $clerk = $this->chance->oneOf($this->clerks);
        $slip = BlankSlip::of(Uuid::uuid5(Uuid::NAMESPACE_OID, 'demo-'.++$this->serial)->toString(), $till, $clerk);
        $slip->business_date = $day;
        $account = $this->customer($slip, $day);
        $slip->setRelation('lines', new Collection($this->lines($day, $slip)));

        if ($slip->customer_id === null && $this->chance->in(4)) {
            $slip->discount_percent = Percentage::of('3');
        }

        $account === null ? $this->pay($slip) : $this->charge($slip, $account, $day);
        $reckoned = ReckonedCounter::of($slip, $this->house);
        $settlement = $reckoned->settlement ?? throw new LogicException('A made-up sale must be settled.');
        $draft = new SaleDraft(
            $reckoned,
            $account === null
                ? SlipParty::of($slip, null, null)
                : SlipParty::of($slip, $account->terms(), $this->accounts?->balance($account->customer_id)),
        );

        if ($account !== null && $slip->charge !== null) {
            $this->accounts?->charged($account->customer_id, $slip->charge);
        }

        $posted = PostedAt::till($till, $clerk, $day)->at($at);
        [$sharing, $lead] = $this->together === []
            ? [null, $clerk]
            : $this->together[$this->serial % count($this->together)] ?? [null, $clerk];

        return [
            $draft->document(SettledSlip::sale($reckoned, $settlement), $posted->soldBy($lead)), $draft->moves(),
            $sharing,
        ];
    }

    /** @return HouseAccount|null whose account is charged; null: it is paid at once */
    private function customer(Slip $slip, CarbonImmutable $at): ?HouseAccount
    {
        if ($this->accounts === null || ! $this->chance->in(38)) {
            return null;
        }

        $account = $this->chance->in(65) ? $this->accounts->account($at) : null;
        $customer = $account === null ? $this->accounts->passerBy() : $this->accounts->customer($account->customer_id);
        $slip
            ->forceFill(['customer_id' => $customer->id, 'customer_name' => $customer->name])
            ->setRelation('customer', $customer);

        return $account;
    }

    private function charge(Slip $slip, HouseAccount $account, CarbonImmutable $at): void
    {
        $contact = $slip->customer?->contacts->first();
        $slip->setRelation('contact', $contact);
        $slip->forceFill([
            'charge' => ReckonedCounter::of($slip, $this->house)->sums->total,
            'contact_id' => $contact?->id,
            'purchase_order' => $account->purchase_order_required || $this->chance->in(30)
                    ? sprintf('PO-%04d', $this->chance->between(1000, 9999))
                    : '',
            'job' => $this->chance->in(25)
                ? $this->chance->oneOf([
                    'Mill Lane 14',
                    'Chapel roof',
                    'Weir Side flats',
                    'Kiln Road 3',
                    'Old schoolhouse',
                ])
                : '',
        ]);
    }

    /** @return non-empty-list<LineOnSlip> */
    private function lines(CarbonImmutable $at, Slip $slip): array
    {
        $lines = [];
        $i = 0;
        $count = min($this->chance->between(1, 5), $this->chance->between(1, 5));

        do {
            $i++;
            [$item, $quantity] = $this->something($slip->location_id);
            $quote = PriceBooks::of(
                $item,
                $slip->customer_id === null ? null : $this->accounts?->prices($slip->customer_id),
            )->quote($quantity, $at);
            $lines[] = (new LineOnSlip)->forceFill([
                'id' => $i,
                ...$item->onLine(),
                'quantity' => $quantity->toString(),
                'unit_price' => $quote->price->toString(),
                'price_rule' => $quote->rule,
                'price_source' => $quote->source->name ?? '',
                'list_price' => $quote->list->toString(),
                'discount_percent' => $quote->discount?->toString() ?? (
                    $item->takesDiscount() && $this->chance->in(6) ? '5' : null
                ),
                'standing_discount' => $quote->discount !== null,
                'discount_amount' => null,
                'may_discount' => $item->takesDiscount(),
                'floor_price' => $item->floor_price,
                'note' => '',
                'approval_id' => null,
            ]);
        } while ($i < $count);

        return $lines;
    }

    /** @return array{Item, Quantity} what is there in the house, and no more of it than there is */
    private function something(int $location): array
    {
        do {
            $item = $this->chance->oneOf($this->items);
            $wanted = BigDecimal::of($this->quantity($item));
            $left = BigDecimal::of($this->left[$location][$item->id] ?? 0)->minus($wanted);
        } while ($this->shelves !== null && $left->isNegative());

        $this->left[$location][$item->id] = $left;

        return [$item, Quantity::of((string) $wanted->stripTrailingZeros())];
    }

    private function quantity(Item $item): string
    {
        return match (true) {
            $item->price_per > 1 => (string) (50 * $this->chance->between(1, 8)),
            $item->unit->value === 'metre' => sprintf(
                '%d.%d',
                $this->chance->between(0, 8),
                $this->chance->between(1, 9),
            ),
            $item->list_price->value->isGreaterThan(60) => '1',
            default => (string) $this->chance->between(1, 8),
        };
    }

    private function pay(Slip $slip): void
    {
        $total = ReckonedCounter::of($slip, $this->house)->sums->total;
        $way = $this->chance->between(1, 100);
        $card = match (true) {
            $way <= 48 => $total->minor,
            $way <= 52 => intdiv($total->minor, 2),
            default => 0,
        };

        if ($card > 0) {
            $slip->setRelation(
                'cards',
                new Collection([
                    (new CardRequest)->forceFill([
                        'id' => 1,
                        'state' => CardState::Approved,
                        'asked' => $this->house->money($card),
                        'approved' => $this->house->money($card),
                        'card_type' => $this->chance->oneOf(['credit', 'debit']),
                        'last_four' => sprintf('%04d', $this->chance->between(0, 9999)),
                        'authorisation' => sprintf('%06d', (++$this->cards * 387_420_489 + 577_215) % 1_000_000),
                        'subject' => 'slip',
                        'subject_id' => 1,
                        'ordinal' => 1,
                        'against' => '',
                    ]),
                ]),
            );
        }

        $left = $total->minor - $card;

        if ($left > 0 && $way > 94) {
            $slip->cheque = $this->house->money($left);
            $slip->cheque_number = sprintf('%06d', $this->chance->between(100, 9999));
        } elseif ($left > 0) {
            $note = $this->chance->oneOf([1, 500, 1000, 2000]);
            $slip->cash = $this->house->money(intdiv($left + $note - 1, $note) * $note);
        }
    }
}
