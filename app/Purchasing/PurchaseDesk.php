<?php

declare(strict_types=1);

namespace Elmstone\Purchasing;

use Brick\Math\BigDecimal;
use Carbon\CarbonImmutable;
use Closure;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Purchasing\Suppliers\Supplier;
use Elmstone\Purchasing\Suppliers\SupplierItem;
use Elmstone\Shop\Location;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;

/** Makes orders to suppliers, changes them, sends them, and gives up what will not come. */
final class PurchaseDesk
{
    /** No order to a supplier has more lines. */
    public const MOST_LINES = 500;

    private const LARGEST = '999999';

    public function __construct(private readonly Links $links)
    {
    }

    /**
     * @param  non-empty-list<BuyLine>  $lines
     * @param  string  $key the same key makes one
     *
     * @throws Refused supplier_gone, nothing_chosen, too_many, expected_past
     */
    public function make(
        Supplier $supplier,
        Location $to,
        array $lines,
        ?CarbonImmutable $expected,
        Staff $by,
        string $key,
        string $note = '',
    ): Purchase {
        $supplier->active
            || throw Refused::because('supplier_gone', "Nothing is bought of {$supplier->name} any more.");
        $expected === null || self::assertNotPast($expected);

        return DB::transaction(function () use ($supplier, $to, $lines, $expected, $by, $key, $note): Purchase {
            $before = Purchase::query()->where('key', $key)->first();

            if ($before !== null) {
                return $before;
            }

            $purchase = Purchase::query()->create([
                'key' => $key,
                'supplier_id' => $supplier->id,
                'location_id' => $to->id,
                'staff_id' => $by->id,
                'state' => PurchaseState::Draft,
                'made_on' => ShopTime::today(),
                'sent_on' => null,
                'expected_on' => $expected,
                'ended_on' => null,
                'note' => mb_substr($note, 0, 255),
                'version' => 1,
            ]);
            $this->put($purchase, $supplier, $lines);

            return $purchase;
        }, 3);
    }

    /**
     * Puts more on one that is not sent yet.
     *
     * @param  non-empty-list<BuyLine>  $lines
     *
     * @throws Refused sent_already, too_many
     */
    public function add(int $purchase, ?int $version, array $lines): Purchase
    {
        return $this->change($purchase, $version, function (Purchase $purchase) use ($lines): void {
            $this->assertDraft($purchase);
            $this->put($purchase, $purchase->supplier, $lines);
        });
    }

    /**
     * How many, at what cost, expected when: as typed, by position. Nothing of a line: it is taken off.
     *
     * @param  array<int, array{BigDecimal, UnitPrice}>  $lines
     *
     * @throws Refused sent_already, changed_elsewhere, expected_past, meant_for_more
     */
    public function alter(int $purchase, int $version, array $lines, ?CarbonImmutable $expected, string $note): Purchase
    {
        return $this->change($purchase, $version, function (Purchase $purchase) use ($lines, $expected, $note): void {
            $this->assertDraft($purchase);
            $expected === null || self::assertNotPast($expected);
            $meant = Links::onLines($purchase->id);

            foreach ($lines as $position => [$quantity, $cost]) {
                $this->assertReaches($quantity, $meant[$position] ?? []);
                $row = DB::table('purchase_lines')->where('purchase_id', $purchase->id)->where('position', $position);
                $quantity->isZero()
                    ? $row->delete()
                    : $row->update(['quantity' => (string) $quantity, 'cost' => $cost->toString()]);
            }

            $purchase->forceFill(['expected_on' => $expected, 'note' => mb_substr($note, 0, 255)]);
        });
    }

    /**
     * It goes to the supplier; from then on its goods are expected.
     *
     * @throws Refused changed_elsewhere, sent_already, nothing_chosen
     */
    public function send(int $purchase, int $version): Purchase
    {
        return $this->change($purchase, $version, static function (Purchase $purchase): void {
            self::assertDraft($purchase);
            $purchase->lines->isEmpty()
                && throw Refused::because('nothing_chosen', 'There is nothing on this order to buy.');
            $day = ShopTime::today();
            $purchase->forceFill([
                'state' => PurchaseState::Sent,
                'sent_on' => $day,
                'expected_on' => $purchase->expected_on ?? $purchase->supplier->expectedFrom($day),
            ]);
        });
    }

    /**
     * The supplier names another day.
     *
     * @throws Refused changed_elsewhere, not_sent, expected_past
     */
    public function expect(int $purchase, int $version, CarbonImmutable $day): Purchase
    {
        self::assertNotPast($day);

        return $this->change($purchase, $version, static function (Purchase $purchase) use ($day): void {
            $purchase->state === PurchaseState::Sent
                || throw Refused::because('not_sent', "{$purchase->label} is {$purchase->state->words()}.");
            $purchase->forceFill(['expected_on' => $day]);
            DB::table('purchase_lines')->where('purchase_id', $purchase->id)->update(['expected_on' => null]);
        });
    }

    /**
     * What has not come of it will not come any more; who waited for it waits anew.
     *
     * @throws Refused changed_elsewhere, ended_already
     */
    public function close(int $purchase, int $version): Purchase
    {
        return $this->change($purchase, $version, static function (Purchase $purchase): void {
            $purchase->state->isOpen()
                || throw Refused::because('ended_already', "{$purchase->label} is {$purchase->state->words()}.");
            DB::table('purchase_links')->where('purchase_id', $purchase->id)->delete();
            DB::table('purchase_lines')
                ->where('purchase_id', $purchase->id)
                ->whereColumn('quantity', '>', 'received')
                ->update(['cancelled' => DB::raw('quantity - received')]);
            $purchase->forceFill([
                'state' => DB::table('purchase_lines')
                    ->where('purchase_id', $purchase->id)
                    ->where('received', '>', 0)
                    ->exists() ? PurchaseState::Done : PurchaseState::Cancelled,
                'ended_on' => ShopTime::today(),
            ]);
        });
    }

    /** @throws Refused not_found, changed_elsewhere */
    public static function lock(int $id, ?int $version): Purchase
    {
        $purchase = Purchase::query()->whereKey($id)->lockForUpdate()->first()
            ?? throw Refused::because('not_found', 'There is no such order.');

        return $version === null || $purchase->version === $version
            ? $purchase->load(['lines.item', 'supplier'])
            : throw Refused::because(
                'changed_elsewhere',
                "Somebody has changed {$purchase->label} meanwhile. Here is how it stands now.",
            );
    }

    /** @param  Closure(Purchase): void  $do */
    private function change(int $id, ?int $version, Closure $do): Purchase
    {
        return DB::transaction(static function () use ($id, $version, $do): Purchase {
            $purchase = self::lock($id, $version);
            $do($purchase);
            $purchase->forceFill(['version' => $purchase->version + 1])->save();

            return $purchase->unsetRelation('lines');
        }, 3);
    }

    /** @param  list<BuyLine>  $lines */
    private function put(Purchase $purchase, Supplier $supplier, array $lines): void
    {
        $lines === [] && throw Refused::because('nothing_chosen', 'Type at least one item and how many to buy.');
        $known = SupplierItem::query()
            ->where('supplier_id', $supplier->id)
            ->whereIn('item_id', array_map(static fn (BuyLine $line): int => $line->item->id, $lines))
            ->get()
            ->keyBy('item_id');
        StockLedger::holdItems(array_map(static fn (BuyLine $line): int => $line->item->id, $lines));
        $position = (int) $purchase->lines()->max('position');
        $position + count($lines) > self::MOST_LINES
            && throw Refused::because('too_many', 'An order has '.self::MOST_LINES.' lines at most.');

        foreach ($lines as $line) {
            self::assertFitting($line->quantity->value);
            $position++;
            DB::table('purchase_lines')->insert([
                'purchase_id' => $purchase->id,
                'position' => $position,
                'item_id' => $line->item->id,
                'their_code' => $known->get($line->item->id)->their_code ?? '',
                'quantity' => $line->quantity->toString(),
                'cost' => ($line->cost ?? $known->get($line->item->id)->cost ?? $line->item->cost)->toString(),
                'price_per' => $line->item->price_per,
            ]);

            foreach ($line->for as $wanted) {
                $this->links->add(
                    $purchase->id, $position, $wanted->agreement, $wanted->line, $wanted->quantity,
                );
            }
        }
    }

    /** @throws Refused too_large */
    public static function assertFitting(BigDecimal $quantity): void
    {
        $quantity->isGreaterThan(self::LARGEST)
            && throw Refused::because('too_large', 'Nobody buys so many at once. Look at what was typed.');
    }

    /** @param  list<Wanted>  $meant */
    private function assertReaches(BigDecimal $quantity, array $meant): void
    {
        self::assertFitting($quantity);
        $for = BigDecimal::sum(
            BigDecimal::zero(),
            ...array_map(static fn (Wanted $wanted): BigDecimal => $wanted->quantity, $meant),
        );
        $for->isGreaterThan($quantity) && throw Refused::because(
            'meant_for_more',
            Quantity::of((string) $for)->toString().' of it is bought for orders of customers. Buy at least so many, '
                .'or close this order so that they are bought elsewhere.',
        );
    }

    private static function assertDraft(Purchase $purchase): void
    {
        $purchase->state === PurchaseState::Draft
            || throw Refused::because('sent_already', "{$purchase->label} is {$purchase->state->words()} already.");
    }

    private static function assertNotPast(CarbonImmutable $day): void
    {
        $day->lessThan(ShopTime::today())
            && throw Refused::because('expected_past', 'Goods are expected today at the earliest.');
    }
}
