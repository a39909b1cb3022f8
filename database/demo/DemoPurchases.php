<?php

declare(strict_types=1);

namespace Elmstone\Demo;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use Carbon\CarbonImmutable;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\Stock;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Purchasing\BuyLine;
use Elmstone\Purchasing\Purchase;
use Elmstone\Purchasing\PurchaseDesk;
use Elmstone\Purchasing\PurchaseLine;
use Elmstone\Purchasing\Receiving\Arrived;
use Elmstone\Purchasing\Receiving\Receive;
use Elmstone\Purchasing\Suppliers\SaveSupplier;
use Elmstone\Purchasing\Suppliers\Supplier;
use Elmstone\Purchasing\Suppliers\TakeInvoice;
use Elmstone\Purchasing\ToBuy;
use Elmstone\Shop\House;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;
use LogicException;

/** Whom the demonstration shop buys of, and what it has bought, by the acts of its office. All made up. */
final class DemoPurchases
{
    /** Code, name, mail, street, town, days from order to goods, departments it serves. */
    private const SUPPLIERS = [
        [
            'QUARRY', 'Stonehythe Quarry Works', 'orders@stonehythe-quarry.example', '1 Quarry Head', 'Stonehythe', 9,
            ['stone'],
        ],
        [
            'PIPES', 'Wetherlam Pipe & Valve', 'sales@wetherlam-pipe.example', '40 Foundry Lane', 'Overmarsh', 5,
            ['pipe', 'valve'],
        ],
        ['KILN', 'Little Tarn Tile Kiln', 'desk@tarnkiln.example', '7 Kiln Road', 'Little Tarn', 12, ['tile', 'adh']],
        [
            'TOOLS', 'Nettlefold Tool Wholesale', 'orders@nettlefold-tools.example', '12 Weir Side', 'Pell Bridge', 6,
            ['mach'],
        ],
    ];

    /** Kilograms of one. */
    private const WEIGHTS = [
        'LH-1140' => '1.9', 'LH-1141' => '2.4', 'LH-1300' => '24', 'AD-0207' => '20', 'VA-2214' => '0.42',
        'PI-2800' => '0.79', 'FX-5060' => '0.01', 'MA-0031' => '31', 'ST-2001' => '12.5', 'GR-301' => '5',
    ];

    /** How far each item's least stock is above what is there. */
    private const WATCHED = ['VA-2214' => 12, 'PI-2800' => 20, 'AD-0207' => 30, 'LH-1141' => -5, 'ST-2001' => -10];

    public function __construct(
        private readonly House $house,
        private readonly SaveSupplier $save,
        private readonly PurchaseDesk $desk,
        private readonly Receive $receive,
        private readonly TakeInvoice $invoice,
        private readonly ToBuy $toBuy,
        private readonly DemoClerk $clerk,
    ) {
    }

    /** Whom we buy of, where goods lie and what they weigh. */
    public function begin(): void
    {
        foreach (self::SUPPLIERS as $i => [$code, $name, $mail, $street, $town, $days, $departments]) {
            $supplier = $this->save->handle(null, [
                'code' => $code, 'name' => $name, 'mail' => $mail, 'phone' => '555 02'.(40 + $i), 'street' => $street,
                'postcode' => '', 'town' => $town, 'our_number' => (string) (40112 + 700 * $i), 'lead_days' => $days,
                'active' => true,
            ]);
            $items = Item::query()
                ->whereHas('department', static fn ($query) => $query->whereIn('code', $departments))
                ->orderBy('id')
                ->limit(25)
                ->get();

            foreach ($items as $n => $item) {
                $this->save->item($supplier, $item, $item->cost, $code[0].(7000 + 13 * $n), '1');
            }
        }

        foreach (self::WEIGHTS as $code => $weight) {
            DB::table('items')->where('code', $code)->update(['weight' => $weight]);
        }

        foreach (DB::table('departments')->orderBy('id')->pluck('id') as $i => $department) {
            DB::table('items')
                ->where('department_id', $department)
                ->update(['shelf' => DB::raw("CONCAT('".chr(65 + $i)." ', 1 + id % 9)")]);
        }
    }

    /**
     * An order to a supplier that is sent today.
     *
     * @param  non-empty-array<string, string>  $goods quantities by code
     */
    public function buy(string $name, string $supplier, array $goods, ?CarbonImmutable $expected = null): int
    {
        $draft = $this->draft($name, $supplier, $goods, $expected);

        return $this->desk->send($draft->id, $draft->version)->id;
    }

    /** @param  non-empty-array<string, string>  $goods quantities by code */
    public function draft(string $name, string $supplier, array $goods, ?CarbonImmutable $expected = null): Purchase
    {
        $lines = [];

        foreach ($goods as $code => $quantity) {
            $lines[] = new BuyLine($this->item($code), Quantity::of($quantity));
        }

        return $this->make($name, $supplier, $lines, $expected);
    }

    /** What customers' orders wait for of a supplier, bought for them; null: nothing. */
    public function buyForOrders(string $name, string $supplier, ?CarbonImmutable $expected = null): ?int
    {
        $lines = [];

        foreach ($this->toBuy->at($this->clerk->till(1)->location_id, $this->supplier($supplier)->id) as $row) {
            $quantity = Quantity::of((string) $row->waiting());
            $lines[] = new BuyLine($row->item, $quantity, null, $row->meantOf($quantity));
        }

        if ($lines === []) {
            return null;
        }

        $draft = $this->make($name, $supplier, $lines, $expected);

        return $this->desk->send($draft->id, $draft->version)->id;
    }

    /**
     * Goods come in.
     *
     * @param  int  $percent so much of each line
     * @param  string  $refused so many of the first line are broken
     * @return int the document
     */
    public function arrives(int $purchase, int $percent, string $freight, string $refused = '0'): int
    {
        $of = $this->purchase($purchase);
        $arrived = $of->lines
            ->map(static fn (PurchaseLine $line, int $i): Arrived => new Arrived(
                $line->position,
                $line->item,
                BigDecimal::of($line->quantity)->multipliedBy($percent)->dividedBy(100, 0, RoundingMode::UP),
                null,
                BigDecimal::of($i === 0 ? $refused : '0'),
                $i === 0 && $refused !== '0' ? 'broken on the way' : '',
            ))
            ->values()
            ->all();

        return $this->receive->handle(
            $purchase,
            $of->version,
            array_values($arrived),
            Money::of($freight, $this->house->currency()),
            'DN '.(5100 + $purchase),
            $this->clerk->till(1),
            $this->clerk->staff('301'),
            $this->clerk->key("arrives {$purchase} {$of->version}"),
        )->document;
    }

    /** The supplier asks for it, so many cents more than came in. */
    public function invoiced(int $purchase, int $document, int $more = 0): void
    {
        $of = $this->purchase($purchase);
        $value = (int) DB::table('deliveries')->where('document_id', $document)->value('amount');
        $this->invoice->handle(
            $of->supplier,
            [$document],
            (string) (88000 + $document),
            ShopTime::today()->subDays(2),
            $this->house->money($value + $more),
            $more !== 0,
            $this->clerk->till(1),
            $this->clerk->staff('301'),
            $this->clerk->key("invoiced {$document}"),
        );
    }

    public function givenUp(int $purchase): void
    {
        $this->desk->close($purchase, $this->purchase($purchase)->version);
    }

    /** Watched from today: some of it is below its least. */
    public function watch(): void
    {
        $location = $this->clerk->till(1)->location;

        foreach (self::WATCHED as $code => $over) {
            $item = $this->item($code);
            $here = Stock::query()->where('item_id', $item->id)->where('location_id', $location->id)->first();
            $least = max(2, ($here?->available()->toScale(0, RoundingMode::DOWN)->toInt() ?? 0) + $over);
            $this->save->level($item, $location, Quantity::of((string) $least), Quantity::of((string) (2 * $least)));
        }
    }

    /** @param  non-empty-list<BuyLine>  $lines */
    private function make(string $name, string $supplier, array $lines, ?CarbonImmutable $expected): Purchase
    {
        return $this->desk->make(
            $this->supplier($supplier),
            $this->clerk->till(1)->location,
            $lines,
            $expected,
            $this->clerk->staff('301'),
            $this->clerk->key("purchase {$name}"),
        );
    }

    private function purchase(int $id): Purchase
    {
        return Purchase::query()->with(['lines.item', 'supplier'])->findOrFail($id);
    }

    private function supplier(string $code): Supplier
    {
        return Supplier::query()->where('code', $code)->firstOrFail();
    }

    private function item(string $code): Item
    {
        return Item::query()->where('code', $code)->first() ?? throw new LogicException("There is no item {$code}.");
    }
}
