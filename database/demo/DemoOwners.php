<?php

declare(strict_types=1);

namespace Elmstone\Demo;

use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\Words;
use Elmstone\Consignment\ConsignItem;
use Elmstone\Consignment\TakeIn;
use Elmstone\Consignment\TheirGoods;
use Elmstone\Core\Consignment\OwnerShare;
use Elmstone\Core\Money\Quantity;
use Elmstone\Purchasing\Suppliers\Supplier;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** A carver of slate leaves pieces in the shop, which are theirs until somebody buys one. */
final class DemoOwners
{
    /** Code: what it is, its price, the lowest they take, what they have of it in percent, how many came. */
    private const PIECES = [
        'HC-001' => ['Carved slate house number, 3 digits', '48.00', '38.00', null, '12'],
        'HC-002' => ['Slate bird bath', '139.00', '110.00', null, '4'],
        'HC-003' => ['Sandstone trough, carved', '260.00', '210.00', '70', '2'],
    ];

    public function __construct(private readonly ConsignItem $consign, private readonly TakeIn $takeIn)
    {
    }

    /** @return list<string> codes of what can be sold of theirs */
    public function build(): array
    {
        $by = Staff::query()->where('number', '301')->sole();
        $owner = Supplier::query()->create([
            'code' => 'CARVER', 'name' => 'Hollow Lane Carving', 'town' => 'Pell Bridge', 'version' => 1,
            'owner_percent' => '60', 'card_fee_percent' => '1.5',
        ]);
        $department = (int) DB::table('departments')->where('code', 'stone')->value('id');
        $goods = [];

        foreach (self::PIECES as $code => [$description, $price, $floor, $percent, $came]) {
            $item = Item::query()->create([
                'code' => $code, 'description' => $description, 'department_id' => $department, 'unit' => 'each',
                'price_per' => 1, 'list_price' => $price, 'floor_price' => $floor, 'cost' => '0',
                'tax_class' => 'standard', 'may_discount' => true, 'net_price' => false, 'active' => true,
            ]);
            Words::index([$item->id => $description]);
            $this->consign->handle($item, $owner, $percent === null ? null : OwnerShare::percent($percent), $by);
            $goods[] = new TheirGoods($item->refresh(), Quantity::of($came));
        }

        $this->takeIn->handle(
            $owner, $goods, Till::query()->with('location')->where('number', 1)->sole(), $by, (string) Str::uuid(),
        );

        return array_keys(self::PIECES);
    }
}
