<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Brick\Math\BigDecimal;
use Carbon\CarbonImmutable;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\ItemDraft;
use Elmstone\Catalogue\ItemSearch;
use Elmstone\Catalogue\PriceBooks;
use Elmstone\Catalogue\PriceChange;
use Elmstone\Catalogue\SaveItem;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Catalogue\StockMove;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Pricing\PriceRule;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;

/** Items, their prices, how they are found, and their stock. */
final class CatalogueTest extends FeatureCase
{
    private static function hook(): Item
    {
        return Item::query()->where('code', 'LH-1140')->firstOrFail();
    }

    /** @param  array<string, mixed>  $fields */
    private static function draft(array $fields = []): ItemDraft
    {
        return new ItemDraft(
            [
                'code' => 'NE-2',
                'barcode' => null,
                'description' => 'Garden lantern',
                'department_id' => 1,
                'unit' => 'each',
                'price_per' => 1,
                'list_price' => '20',
                'floor_price' => null,
                'cost' => '8',
                'tax_class' => 'standard',
                'may_discount' => true,
                'net_price' => false,
                'active' => true,
                ...$fields,
            ],
            [['from_quantity' => '5', 'price' => '18']],
            [['name' => 'Lights', 'price' => '17', 'from_date' => '2027-11-01', 'until_date' => null]],
        );
    }

    private static function save(?Item $item, ItemDraft $draft): Item
    {
        return app(SaveItem::class)->handle(
            $item,
            $draft,
            Staff::query()->where('number', '301')->firstOrFail(),
            Till::query()->findOrFail(1),
        );
    }

    /** @param  list<string>  $codes */
    #[DataProvider('searches')]
    public function test_search_finds_by_code_start_words_and_parts(string $typed, array $codes): void
    {
        $this->assertEqualsCanonicalizing($codes, app(ItemSearch::class)->find($typed, 10)->pluck('code')->all());
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function searches(): iterable
    {
        yield 'the start of a code' => ['LH', ['LH-1140', 'LH-1141']];
        yield 'a code with a hole' => ['L*41', ['LH-1141']];
        yield 'the start of a word' => ['lime', ['LH-1140', 'LH-1141']];
        yield 'two words in any order' => ['plain 180', ['LH-1141']];
        yield 'the inside of a word' => ['*stone', ['LH-1140', 'LH-1141']];
        yield 'two parts' => ['cop*28', ['PI-2800']];
        yield 'a single letter that is no word' => ['h 140', ['LH-1140']];
        yield 'a word that none has' => ['lime wheelbarrow', []];
        yield 'signs that mean something to a database' => ["%' OR 1=1 --", []];
        yield 'a lone wildcard' => ['*', ['LH-1140', 'LH-1141', 'PI-2800', 'FX-5060', 'MA-0031', 'WA-0001']];
        yield 'accents and capitals' => ['LÎMÉSTONE', ['LH-1140', 'LH-1141']];
    }

    public function test_what_is_off_sale_is_found_in_the_list_but_not_at_the_counter(): void
    {
        self::hook()->update(['active' => false]);
        $search = app(ItemSearch::class);
        $this->assertSame(['LH-1141'], $search->find('lime', 10)->pluck('code')->all());
        $this->assertCount(2, $search->find('lime', 10, alsoInactive: true));
        $this->assertSame('LH-1140', $search->exact('LH-1140')?->code);
    }

    public function test_the_price_book_of_an_item_has_all_its_prices(): void
    {
        $item = self::save(null, self::draft());
        $quote = static fn (string $quantity, string $day): array => [
            PriceBooks::of($item)->quote(Quantity::of($quantity), CarbonImmutable::parse($day))->rule,
            PriceBooks::of($item)->quote(Quantity::of($quantity), CarbonImmutable::parse($day))->price->toString(),
        ];
        $this->assertSame([PriceRule::ListPrice, '20'], $quote('4', '2027-10-31'));
        $this->assertSame([PriceRule::QuantityBreak, '18'], $quote('5', '2027-10-31'));
        $this->assertSame([PriceRule::Promotion, '17'], $quote('5', '2030-01-01'));
        $this->assertSame(
            ['LH-1140', 'NE-2'],
            app(ItemSearch::class)
                ->find('*an', 10)
                ->pluck('code')
                ->merge(['LH-1140'])
                ->sort()
                ->values()
                ->all(),
        );
    }

    public function test_only_what_changed_is_put_on_record(): void
    {
        $item = self::save(null, self::draft());
        $this->assertCount(4, $made = PriceChange::query()->get());
        $this->assertTrue($made->every(static fn (PriceChange $change): bool => $change->was === null));
        self::save($item, self::draft(['description' => 'Garden lantern, brass']));
        $this->assertSame(4, $this->rows('price_changes'));
        self::save($item, self::draft(['list_price' => '20.50']));
        $this->assertSame(
            ['list price', '20', '20.5'],
            array_values(
                PriceChange::query()
                    ->latest('id')
                    ->firstOrFail()
                    ->only(['field', 'was', 'became']),
            ),
        );
        $this->expectException(QueryException::class);
        DB::table('price_changes')->delete();
    }

    public function test_stock_is_what_moved(): void
    {
        $ledger = app(StockLedger::class);
        $location = (int) DB::table('stock')->where('item_id', self::hook()->id)->value('location_id');
        $moves = array_map(
            static fn (string $quantity): StockMove => new StockMove(
                self::hook()->id,
                $location,
                BigDecimal::of($quantity),
                UnitPrice::of('1'),
            ),
            ['-3', '-0.5', '10'],
        );
        $ledger->take($moves);
        $unsealed = DB::table('documents')->insertGetId([
            ...(array) DB::table('documents')->first(),
            'id' => null,
            'number' => 99,
            'label' => 'GIN-000099',
            'idempotency_key' => 'x',
        ]);
        $ledger->record(
            'count',
            array_map(static fn (StockMove $one): array => [$one, CarbonImmutable::today(), $unsealed], $moves),
        );
        $stock = self::hook()->stock->sole();
        $this->assertSame(['56.5000', '56.5'], [$stock->on_hand, (string) $stock->available()]);
        $this->assertSame('56.5000', DB::table('stock_movements')->where('item_id', self::hook()->id)->sum('quantity'));
    }

    public function test_more_may_be_sold_than_the_books_know_of_and_the_page_says_so(): void
    {
        $this->add('60 x LH-1140');
        $this->get("/counter/{$this->slip}")->assertSee('only 50 here by the books');
        $this->does('cash', ['cash' => '500'])->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame('-10.0000', self::hook()->stock->sole()->on_hand);
    }

    /** @param  array<string, mixed>  $fields */
    #[DataProvider('impossible')]
    public function test_the_database_too_refuses_an_impossible_item(array $fields): void
    {
        $this->expectException(QueryException::class);
        Item::query()->create([...self::draft($fields)->fields]);
    }

    public function test_the_database_too_refuses_a_price_below_zero(): void
    {
        $this->expectException(QueryException::class);
        DB::table('items')->where('code', 'LH-1140')->update(['list_price' => '-1']);
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function impossible(): iterable
    {
        yield 'a price per dozen' => [['price_per' => 12]];
        yield 'a code twice' => [['code' => 'LH-1140']];
        yield 'a barcode twice, once written shorter' => [['barcode' => '0'.Scene::barcode(1)]];
        yield 'a tax class nobody knows' => [['tax_class' => 'luxury']];
    }
}
