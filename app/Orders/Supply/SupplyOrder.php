<?php

declare(strict_types=1);

namespace Elmstone\Orders\Supply;

use Brick\Math\BigDecimal;
use Elmstone\Agreements\AgreedLine;
use Elmstone\Agreements\KeepAsDeposit;
use Elmstone\Books\Books;
use Elmstone\Books\Drafts\DraftTender;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Catalogue\GoodsMoving;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\Serials;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Catalogue\StockMove;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Held\Ledger\HeldAccount;
use Elmstone\Held\Ledger\Movement;
use Elmstone\Orders\Order;
use Elmstone\Orders\OrderLedger;
use Elmstone\Orders\OrderTerms;
use Elmstone\Orders\OrderWay;
use Elmstone\Orders\Picking\Pick;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Receivables\Ledger\LedgerEntry;
use Elmstone\Shares\ShareLedger;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;
use Elmstone\Shop\Settings;
use Elmstone\Support\Show;
use LogicException;
use Ramsey\Uuid\Uuid;

/**
 * Goods of an order leave: an invoice of what leaves, at the agreed prices and the taxes of the day, paid by the
 * deposit as far as it reaches, the rest charged where the order is to be charged. In a posting; account, order and
 * goods locked.
 */
final class SupplyOrder
{
    public function __construct(
        private readonly House $house,
        private readonly Books $books,
        private readonly OrderLedger $ledger,
        private readonly Ledger $accounts,
        private readonly StockLedger $stock,
        private readonly Serials $serials,
        private readonly KeepAsDeposit $keep,
        private readonly SupplyDraft $drafts,
        private readonly OrderTerms $terms,
        private readonly Settings $settings,
        private readonly ShareLedger $shares,
    ) {
    }

    /** The goods that leave, before they are locked. */
    public static function moving(Order $order, Leaving $leaving, GoodsMoving $moving): GoodsMoving
    {
        foreach ($leaving->quantities as $position => $quantity) {
            $line = $order->at($position);
            $line?->item_id === null
                || $moving->out($line->item_id, $line->location_id, $leaving->serials[$position] ?? []);
        }

        return $moving;
    }

    /**
     * @param  HouseAccount|null  $account what is charged to, locked; null: nothing may be charged
     * @param  HeldAccount  $deposits of the customer, locked: what is over in the end becomes one
     * @param  string  $key of the invoice
     * @return int the invoice's document id
     *
     * @throws Refused not_open, nothing_leaves, more_than_left, line_cancelled, other_location, serial_missing,
     *     serial_count, set_aside_for_others, not_paid, not_an_account, day_closed
     */
    public function post(
        Order $order,
        Leaving $leaving,
        PostedAt $at,
        ?HouseAccount $account,
        HeldAccount $deposits,
        string $key,
    ): int {
        $order->loadMissing(['allLines.item', 'location', 'customer']);
        $location = Location::query()->with('taxProfile.components')->findOrFail($at->locationId);
        $location->assertOpenOn($at->day);
        self::assertMayLeave($order, $leaving, $location);
        $supply = SupplyFigures::of($order, $leaving, $location, $at, $this->house, $this->terms);
        $leaving = $supply->leaving;
        $rounding = $supply->rounding();
        $tenders = $this->tenders($order, $supply->reckoned->total->plus($rounding), $account);
        $moves = $this->takeGoods($order, $leaving);
        $isCharged = self::by($tenders, TenderKind::HouseAccount)->isPositive();
        $draft = $this->drafts->of($order, $supply, $location, $at, $isCharged ? $account : null, $key)
            ->settledBy($tenders, $rounding);
        $document = $this->books->document($draft);
        $this->shares->sold($document, $draft, $order->sharing_id);
        $this->stock->record(
            'sale',
            array_map(static fn (StockMove $move): array => [$move, $at->day, $document], $moves),
        );
        $this->serials->sell($document, $this->serialsOf($order, $leaving), $order->id);
        $account === null
            || $this->accounts->enter($account, [new LedgerEntry($document, $draft, $account->terms())]);
        $this->ledger->leave($order, $document, Movement::Used, self::by($tenders, TenderKind::OrderMoney), $at->day);
        $this->ledger->supplied($order, $supply->figures);
        Pick::left($order->id, $leaving->quantities, $leaving->serials);
        $this->dropFreightOfNothing($order);
        $this->ledger->settle($order, $account, $at->day);
        $order->isOpen() || $this->keepTheRest($order, $deposits, $at, $key);

        return $document;
    }

    /**
     * Whether so much may leave there at all.
     *
     * @throws Refused not_open, nothing_leaves, line_cancelled, more_than_left, other_location, serial_missing,
     *     serial_count
     */
    public static function assertMayLeave(Order $order, Leaving $leaving, Location $location): void
    {
        $order->isOpen()
            || throw Refused::because('not_open', "{$order->label} is {$order->state->value} already.");
        $leaving->isEmpty()
            && throw Refused::because('nothing_leaves', "Say how much of {$order->label} leaves.");

        foreach ($leaving->quantities as $position => $quantity) {
            $line = $order->line($position);
            $progress = $order->at($position);
            $left = $progress?->left() ?? BigDecimal::zero();

            match (true) {
                $line === null || $progress === null => throw Refused::because(
                    'not_there',
                    "{$order->label} has no line {$position}.",
                ),
                $left->isZero() && BigDecimal::of($progress->cancelled)->isPositive() => throw Refused::because(
                    'line_cancelled',
                    "“{$line->description}” on {$order->label} was cancelled.",
                ),
                $quantity->isGreaterThan($left) => throw Refused::because(
                    'more_than_left',
                    $left->isZero()
                        ? "All of “{$line->description}” was supplied already."
                        : "Only {$left} of “{$line->description}” can still be supplied on {$order->label}.",
                ),
                ! $line->isFee() && $progress->location_id !== $location->id => throw Refused::because(
                    'other_location',
                    "“{$line->description}” leaves at "
                        .Location::query()->findOrFail($progress->location_id)->name.', not here.',
                ),
                $line->item?->has_serials === true => Serials::assertComplete(
                    $line->description,
                    Quantity::of((string) $quantity),
                    $leaving->serials[$position] ?? [],
                ),
                default => null,
            };
        }
    }

    /**
     * What it comes to, tax of the day in it: shown before it is posted.
     *
     * @throws Refused more_than_left
     */
    public function total(Order $order, Leaving $leaving, PostedAt $at): Money
    {
        $location = $this->place($at->locationId);

        return $leaving->isEmpty()
            ? $this->house->money(0)
            : SupplyFigures::of($order, $leaving, $location, $at, $this->house, $this->terms)->reckoned->total;
    }

    private function place(int $id): Location
    {
        return $this->settings->locations()->get($id) ?? throw new LogicException("There is no location {$id}.");
    }

    /** Taxes may have fallen since it was paid: what is over is the customer's. */
    private function keepTheRest(Order $order, HeldAccount $deposits, PostedAt $at, string $key): void
    {
        $order->held()->isPositive() && $this->keep->handle(
            $order,
            $deposits,
            $order->held(),
            $at,
            Uuid::uuid5(Uuid::fromString($key), 'over')->toString(),
            "Paid beyond what {$order->label} came to",
        );
    }

    /** Where all goods have left, the freight that nothing took along is none. */
    private function dropFreightOfNothing(Order $order): void
    {
        $freight = $order->lines()->filter(static fn (AgreedLine $line): bool => $line->isFreight());
        $goods = $order->lines()->reject(static fn (AgreedLine $line): bool => $line->isFreight());
        $isAllGone = $goods->every(
            static fn (AgreedLine $line): bool => $order->at($line->position)?->left()->isZero() === true,
        );

        foreach ($isAllGone ? $freight : [] as $line) {
            $left = $order->at($line->position)?->left() ?? BigDecimal::zero();
            $left->isZero() || $this->ledger->cancel($order, [$line->position => $left]);
        }
    }

    public static function isBrought(AgreedLine $line): bool
    {
        return ! $line->isFee() && OrderWay::tryFrom((string) $line->way)?->isBrought() === true;
    }

    /**
     * The deposit as far as it reaches, and the rest to the account.
     *
     * @return list<DraftTender>
     *
     * @throws Refused not_paid, not_an_account
     */
    private function tenders(Order $order, Money $total, ?HouseAccount $account): array
    {
        $held = Money::min($order->held(), $total);
        $rest = $total->minus($held);
        $tenders = $held->isPositive()
            ? [new DraftTender(Tender::of(TenderKind::OrderMoney, $held), $held, $order->label)]
            : [];

        if ($rest->isPositive()) {
            $order->is_charged || throw Refused::because(
                'not_paid',
                Show::money($rest)." of what leaves is not paid yet. Take it at the counter: {$order->label}.",
            );
            $account ?? throw Refused::because(
                'not_an_account',
                "{$order->customer->name} has no house account any more. Take the rest at the counter.",
            );
            $tenders[] = new DraftTender(Tender::of(TenderKind::HouseAccount, $rest), $rest);
        }

        return $tenders;
    }

    /** @param  list<DraftTender>  $tenders */
    private static function by(array $tenders, TenderKind $kind): Money
    {
        $currency = ($tenders[0] ?? null)?->tender->amount->currency;
        $own = array_filter($tenders, static fn (DraftTender $one): bool => $one->tender->kind === $kind);

        return Money::sum(
            array_map(static fn (DraftTender $one): Money => $one->tender->amount, $own),
            $currency ?? app(House::class)->currency(),
        );
    }

    /**
     * They leave stock: what was set aside first, then what is free; what is set aside for others stays.
     *
     * @return list<StockMove>
     *
     * @throws Refused set_aside_for_others
     */
    private function takeGoods(Order $order, Leaving $leaving): array
    {
        $moves = [];
        $freed = [];

        foreach ($leaving->quantities as $position => $quantity) {
            $line = $order->line($position);
            $progress = $order->at($position);

            if ($line === null || $progress?->item_id === null) {
                continue;
            }

            $aside = $progress->isAside();
            $freed[$position] = ($aside->isGreaterThan($quantity) ? $quantity : $aside)->negated();
            $cost = $line->item->cost ?? UnitPrice::of('0');
            $moves[] = new StockMove(
                $progress->item_id,
                $progress->location_id,
                $quantity->negated(),
                $cost,
                $cost->worth(Quantity::of((string) $quantity), $line->price_per, $this->house->currency())->negated(),
            );
        }

        $this->ledger->aside($order, $freed);
        $this->stock->take($moves);
        $short = $moves === [] ? [] : $this->stock->short($moves);

        foreach ($moves as $move) {
            in_array($move->itemId, $short, true) && throw Refused::because(
                'set_aside_for_others',
                'What there is of '.Item::query()->findOrFail($move->itemId)->code
                    .' is set aside for others. Supply what is there for this order; the rest waits.',
            );
        }

        return $moves;
    }

    /** @return array<int, list<string>> by item */
    private function serialsOf(Order $order, Leaving $leaving): array
    {
        $serials = [];

        foreach ($leaving->serials as $position => $ones) {
            $item = $order->at($position)?->item_id;
            $item === null || ($serials[$item] = [...$serials[$item] ?? [], ...$ones]);
        }

        return $serials;
    }
}
