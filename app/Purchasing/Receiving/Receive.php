<?php

declare(strict_types=1);

namespace Elmstone\Purchasing\Receiving;

use Brick\Math\BigDecimal;
use Elmstone\Books\Books;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Posting;
use Elmstone\Books\Purpose;
use Elmstone\Catalogue\GoodsMoving;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\Serials;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Purchasing\LandedCost;
use Elmstone\Paper\Outbox;
use Elmstone\Purchasing\Links;
use Elmstone\Purchasing\Purchase;
use Elmstone\Purchasing\PurchaseDesk;
use Elmstone\Purchasing\PurchaseLine;
use Elmstone\Purchasing\PurchaseState;
use Elmstone\Purchasing\WaitsForGoods;
use Elmstone\Purchasing\Wanted;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Stock\BringIn;
use Elmstone\Stock\Incoming;
use Elmstone\Support\Database\ManyRows;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;

/**
 * Goods of a purchase come in: to stock at what they cost with their share of the freight, and at once to who waits for
 * them, those they were bought for first, then the oldest. One document; the same key answers with the same.
 */
final class Receive
{
    public function __construct(
        private readonly Books $books,
        private readonly BringIn $bringIn,
        private readonly StockLedger $stock,
        private readonly WaitsForGoods $orders,
        private readonly ServeOldest $oldest,
        private readonly Links $links,
        private readonly House $house,
        private readonly Outbox $outbox,
    ) {
    }

    /**
     * @param  list<Arrived>  $arrived
     * @param  string  $key of the sheet
     *
     * @throws Refused changed_elsewhere, not_sent, nothing_comes, not_ordered_here, cost_missing, too_large,
     *     serial_missing, serial_count, day_closed
     */
    public function handle(
        int $purchase,
        int $version,
        array $arrived,
        Money $freight,
        string $deliveryNote,
        Till $till,
        Staff $by,
        string $key,
    ): Received {
        $waiting = $this->whoWaits($purchase, $arrived);
        $lock = function () use ($purchase, $arrived, $waiting): Purchase {
            $this->orders->lock($waiting);
            $locked = PurchaseDesk::lock($purchase, null);
            $moving = new GoodsMoving;

            foreach ($arrived as $one) {
                $moving->in($one->item->id, $locked->location_id)->pieces($one->item->id, $one->serials);
            }

            $this->stock->lock($moving);

            return $locked;
        };
        $document = $this->books->post(
            Posting::under($key)->locking($lock)->writing(
                fn (Purchase $locked): int => $this->write(
                    $locked, $version, $arrived, $freight, $deliveryNote, $till, $by, $key, $waiting,
                ),
            ),
        );

        return Received::of($document);
    }

    /**
     * @param  list<Arrived>  $arrived
     * @param  list<int>  $waiting agreements that are locked
     */
    private function write(
        Purchase $purchase,
        int $version,
        array $arrived,
        Money $freight,
        string $deliveryNote,
        Till $till,
        Staff $by,
        string $key,
        array $waiting,
    ): int {
        $purchase->version === $version || throw Refused::because(
            'changed_elsewhere',
            "Somebody has taken goods of {$purchase->label} in meanwhile, or changed it. Here is how it stands now.",
        );
        $purchase->state === PurchaseState::Sent
            || throw Refused::because('not_sent', "{$purchase->label} is {$purchase->state->words()}.");
        $till->location->assertOpenOn(ShopTime::today());
        $arrived = $this->onLines($purchase, $arrived);
        $taken = array_values(array_filter(
            $arrived,
            static fn (Arrived $one): bool => $one->quantity->isPositive(),
        ));
        $taken === [] && throw Refused::because('nothing_comes', 'Type how many came in, or what was refused.');
        $amounts = array_map(fn (Arrived $one): Money => $this->amount($purchase, $one), $taken);
        $landed = LandedCost::shares($freight, $amounts);
        $at = PostedAt::till($till, $by->id, ShopTime::today())->of($purchase->location_id);
        $document = $this->bringIn->post(
            self::goods($taken, $landed), Purpose::GoodsIn, $at, $key, "{$purchase->label} {$deliveryNote}",
        );
        DB::table('deliveries')->insert([
            'document_id' => $document,
            'purchase_id' => $purchase->id,
            'delivery_note' => mb_substr($deliveryNote, 0, 60),
            'freight' => $freight,
            'amount' => Money::sum($amounts, $freight->currency)->plus($freight),
        ]);
        $this->note($purchase, $document, $arrived, $taken, $amounts);
        $served = $this->hand($purchase, $taken, $waiting);
        $this->settle($purchase);
        Received::keep($document, $served);
        $served === [] || $this->outbox->write(Received::WHAT, "arrived {$document}", $document, $till, $by);

        return $document;
    }

    /**
     * What was not ordered gets a line of its own, so that everything that came is on the purchase.
     *
     * @param  list<Arrived>  $arrived
     * @return list<Arrived>
     */
    private function onLines(Purchase $purchase, array $arrived): array
    {
        $last = (int) $purchase->lines->max('position');

        foreach ($arrived as $i => $one) {
            $line = $one->position === null ? null : $purchase->at($one->position);
            PurchaseDesk::assertFitting($one->quantity);

            if ($one->position !== null && $line?->item_id !== $one->item->id) {
                throw Refused::because('not_ordered_here', "{$one->item->code} is not on {$purchase->label}.");
            }

            if ($one->position === null && $one->quantity->isPositive()) {
                DB::table('purchase_lines')->insert([
                    'purchase_id' => $purchase->id,
                    'position' => ++$last,
                    'item_id' => $one->item->id,
                    'quantity' => 0,
                    'cost' => $one->item->cost->toString(),
                    'price_per' => $one->item->price_per,
                ]);
                $arrived[$i] = new Arrived(
                    $last, $one->item, $one->quantity, $one->amount, $one->refused, $one->why, $one->serials,
                    $one->costsNothing,
                );
            }

            $one->item->has_serials && $one->quantity->isPositive() && Serials::assertComplete(
                $one->item->description, Quantity::of((string) $one->quantity), $one->serials,
            );
        }

        return array_values(array_filter($arrived, static fn (Arrived $one): bool => $one->position !== null));
    }

    /** @throws Refused cost_missing */
    private function amount(Purchase $purchase, Arrived $one): Money
    {
        $line = $purchase->at((int) $one->position);
        $amount = $one->amount
            ?? $line?->worth($one->quantity, $this->house->currency())
            ?? $this->house->money(0);

        return $amount->isPositive() || $one->costsNothing ? $amount : throw Refused::because(
            'cost_missing',
            "Type what {$one->item->code} cost, or tick that it costs nothing.",
        );
    }

    /**
     * @param  list<Arrived>  $taken
     * @param  list<LandedCost>  $landed
     * @return list<Incoming> an item once
     */
    private static function goods(array $taken, array $landed): array
    {
        $goods = [];

        foreach ($taken as $i => $one) {
            $before = $goods[$one->item->id] ?? null;
            $goods[$one->item->id] = new Incoming(
                $one->item,
                Quantity::of((string) ($before?->quantity->value->plus($one->quantity) ?? $one->quantity)),
                $before?->amount->plus($landed[$i]->amount) ?? $landed[$i]->amount,
                [...$before->serials ?? [], ...$one->serials],
            );
        }

        return array_values($goods);
    }

    /**
     * @param  list<Arrived>  $arrived
     * @param  list<Arrived>  $taken
     * @param  list<Money>  $amounts of what was taken
     */
    private function note(Purchase $purchase, int $document, array $arrived, array $taken, array $amounts): void
    {
        $lines = [];
        $received = [];

        foreach ($arrived as $one) {
            $place = array_search($one, $taken, true);
            $lines[] = [
                'document_id' => $document,
                'position' => $one->position,
                'quantity' => (string) $one->quantity,
                'refused' => (string) $one->refused,
                'refused_why' => mb_substr($one->why, 0, 120),
                'amount' => $place === false ? 0 : $amounts[$place],
            ];
            $received[] = [[$purchase->id, (int) $one->position], (string) $one->quantity];
        }

        DB::table('delivery_lines')->insert($lines);
        ManyRows::set('purchase_lines', ['purchase_id', 'position'], 'received', $received, adds: true);
    }

    /**
     * @param  list<Arrived>  $taken
     * @param  list<int>  $waiting agreements that are locked
     * @return list<Wanted> what was set aside
     */
    private function hand(Purchase $purchase, array $taken, array $waiting): array
    {
        $meant = Links::onLines($purchase->id);
        $served = [];
        $left = [];

        foreach ($taken as $one) {
            $rest = $one->quantity;

            foreach ($meant[$one->position] ?? [] as $wanted) {
                $now = $wanted->quantity->isGreaterThan($rest) ? $rest : $wanted->quantity;

                if ($now->isPositive() && in_array($wanted->agreement, $waiting, true)) {
                    $given = $this->orders->serve([$wanted->with($now)], $purchase->location_id);
                    $this->links->less(
                        $purchase->id, (int) $one->position, $wanted->agreement, $wanted->line, $now,
                    );
                    array_push($served, ...$given);
                    $rest = array_reduce(
                        $given,
                        static fn (BigDecimal $rest, Wanted $one): BigDecimal => $rest->minus($one->quantity),
                        $rest,
                    );
                }
            }

            $left[$one->item->id] = ($left[$one->item->id] ?? BigDecimal::zero())->plus($rest);
        }

        return [...$served, ...$this->oldest->with($left, $purchase->location_id, $waiting)];
    }

    /** Where nothing is to come any more, it is done. */
    private function settle(Purchase $purchase): void
    {
        $purchase->load('lines');
        $isDone = $purchase->lines->every(static fn (PurchaseLine $line): bool => $line->toCome()->isZero());
        $purchase
            ->forceFill([
                'version' => $purchase->version + 1,
                'state' => $isDone ? PurchaseState::Done : PurchaseState::Sent,
                'ended_on' => $isDone ? ShopTime::today() : null,
            ])
            ->save();
        $isDone && DB::table('purchase_links')->where('purchase_id', $purchase->id)->delete();
    }

    /**
     * Before anything is locked: those it is bought for, and those who wait for such goods.
     *
     * @param  list<Arrived>  $arrived
     * @return list<int> agreements, in order
     */
    private function whoWaits(int $purchase, array $arrived): array
    {
        $location = Purchase::query()->whereKey($purchase)->value('location_id');
        $waiting = $this->oldest->mayGet(
            is_int($location) ? $location : 0,
            array_values(array_unique(array_map(static fn (Arrived $one): int => $one->item->id, $arrived))),
        );
        $all = array_values(array_unique([...Links::agreementsOf($purchase), ...$waiting]));
        sort($all);

        return $all;
    }
}
