<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Carbon\CarbonImmutable;
use Elmstone\Books\Accounts;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Purpose;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\Words;
use Elmstone\Core\Catalogue\Gtin;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Shop\Location;
use Elmstone\Shop\Settings;
use Elmstone\Shop\Shop;
use Elmstone\Shop\TaxProfileRecord;
use Elmstone\Shop\Till;
use Elmstone\Staff\Role;
use Elmstone\Staff\Staff;
use Elmstone\Stock\BringIn;
use Elmstone\Stock\Incoming;
use Elmstone\Stock\RevalueItem;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;

/** A small shop for tests: two locations, three tills, one person for each role, a handful of goods. */
final class Scene
{
    /** @var list<Item>|null what is stocked together once the shop stands; null: at once */
    private static ?array $stocking = null;

    /**
     * @param  array<string, mixed>  $shop
     * @param  bool  $open whether its tills are open, with nothing in them
     */
    public static function build(array $shop = [], bool $open = true): void
    {
        Shop::query()->create([
            'name' => 'Quarry Lane Stores',
            'opened_at' => now(),
            'currency' => 'USD',
            'tax_rounding' => 'document',
            'notes' => [500, 1000, 2000, 5000, 10000],
            'idle_minutes' => 0,
            ...$shop,
        ]);
        // How far off a drawer may be is what only some tests are about.
        Shop::query()->toBase()->update(['witness_over' => 100_000_000]);
        DB::table('tax_classes')->insert([
            ['code' => 'standard', 'letter' => 'S', 'name' => 'Standard'],
            ['code' => 'zero', 'letter' => 'Z', 'name' => 'Zero-rated'],
        ]);
        DB::table('departments')->insert(['id' => 1, 'code' => 'goods', 'name' => 'Goods']);

        foreach (['HF' => [1, 2], 'PB' => [3]] as $code => $tills) {
            $profile = TaxProfileRecord::query()->create(['name' => "{$code} taxes"]);
            $profile->components()->create([
                'position' => 1,
                'code' => "state_{$code}",
                'name' => 'State tax',
                'rate' => '10',
                'classes' => ['standard'],
                'on_top_of' => [],
            ]);
            $location = Location::query()->create([
                'code' => $code,
                'name' => "{$code} counter",
                'street' => '1 Lane',
                'town' => $code,
                'phone' => '555',
                'tax_profile_id' => $profile->id,
                'closed_through' => CarbonImmutable::today()->subDays(4),
            ]);

            foreach ($tills as $number) {
                Till::query()->create([
                    'id' => $number,
                    'location_id' => $location->id,
                    'number' => $number,
                    'name' => "Till {$number}",
                ]);
            }
        }

        foreach (
            [
                ['101', 'Clerk Clay', Role::Clerk],
                ['201', 'Super Slate', Role::Supervisor],
                ['301', 'Office Oak', Role::Office],
                ['901', 'Owner Elm', Role::Owner],
            ] as [$number, $name, $role]
        ) {
            Staff::query()->create([
                'number' => $number,
                'name' => $name,
                'role' => $role,
                'pin_hash' => Hash::make("4{$number}"),
            ]);
        }

        Accounts::open();
        $open && self::openTills();
        self::$stocking = [];
        self::item('LH-1140', 'Limestone hook, plain, 140 mm', '3.85', ['barcode' => self::barcode(1)]);
        self::item('LH-1141', 'Limestone hook, plain, 180 mm', '4.40');
        self::item('PI-2800', 'Copper pipe 28 mm', '16.25', ['unit' => 'metre']);
        self::item('FX-5060', 'Slotted screw 5×60', '9.80', ['unit' => 'hundred', 'price_per' => 100]);
        self::item('MA-0031', 'Tile saw, bench, 600 mm', '94.00', ['net_price' => true]);
        self::item('WA-0001', 'Drinking water', '1.00', [
            'tax_class' => 'zero',
            'cost' => '0.10',
            'floor_price' => null,
        ]);
        $stocking = self::$stocking;
        self::$stocking = null;
        self::stock($stocking);
        // The shop's settings are read anew: a test may still change them.
        app()->forgetScopedInstances();
        app(Settings::class)->forget();
    }

    private static function openTills(): void
    {
        DB::table('till_sessions')->insert(
            Till::query()->get()->map(static fn (Till $till): array => [
                'till_id' => $till->id,
                'location_id' => $till->location_id,
                'number' => 1,
                'state' => 'open',
                'unclosed' => true,
                'opened_by' => Staff::query()->firstOrFail()->id,
                'opened_at' => now()->format('Y-m-d H:i:s.v'),
                'opened_on' => CarbonImmutable::today()->format('Y-m-d'),
                'carried' => 0,
                'float_amount' => 0,
                'open_key' => (string) Str::uuid(),
            ])->all(),
        );
    }

    public static function barcode(int $serial): string
    {
        $body = '2'.sprintf('%011d', $serial);

        return $body.Gtin::checkDigit($body);
    }

    /** @param  array<string, mixed>  $fields */
    public static function item(string $code, string $description, string $price, array $fields = []): Item
    {
        $item = Item::query()->create([
            'code' => $code,
            'description' => $description,
            'department_id' => 1,
            'unit' => 'each',
            'price_per' => 1,
            'list_price' => $price,
            'floor_price' => (string) BigDecimal::of($price)
                ->multipliedBy('0.8')
                ->toScale(2, \Brick\Math\RoundingMode::DOWN),
            'cost' => (string) BigDecimal::of($price)->multipliedBy('0.5')->toScale(2, \Brick\Math\RoundingMode::DOWN),
            'tax_class' => 'standard',
            'may_discount' => true,
            'net_price' => false,
            'active' => true,
            ...$fields,
        ]);
        Words::index([$item->id => $description]);
        self::$stocking === null ? self::stock([$item]) : (self::$stocking[] = $item);

        return $item;
    }

    /**
     * Other prices and costs, as the page of the item sets them: what is on hand is worth the new cost.
     *
     * @param  array<string, string|null>  $fields
     */
    public static function reprice(array $fields, string $code = '%'): void
    {
        foreach (Item::query()->where('code', 'like', $code)->orderBy('id')->get() as $item) {
            DB::transaction(static function () use ($item, $fields): void {
                $item->update($fields);
                app(RevalueItem::class)->for($item, Staff::query()->firstOrFail(), Till::query()->findOrFail(1));
            });
        }
    }

    /**
     * So many of each, at their cost.
     *
     * @param  list<Item>  $items
     */
    public static function stock(array $items, int $each = 50, int $till = 1): void
    {
        $amount = static fn (Item $item): Money => Money::round(
            BigRational::of($item->cost->value)->multipliedBy($each)->dividedBy($item->price_per),
            Currency::of(Shop::query()->value('currency')),
        );
        $goods = array_map(
            static fn (Item $item): Incoming => new Incoming($item, Quantity::of((string) $each), $amount($item)),
            $items,
        );
        app(BringIn::class)->handle(
            $goods,
            Purpose::OpeningStock,
            PostedAt::till(Till::query()->findOrFail($till), Staff::query()->firstOrFail()->id),
            (string) Str::uuid(),
        );
    }
}
