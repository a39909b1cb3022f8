<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Purpose;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Shop\Location;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Stock\BringIn;
use Elmstone\Stock\Incoming;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;

/**
 * What is on hand is worth in the books what it cost: goods that come in, sales, returns, write-offs, a cost that is
 * typed otherwise.
 */
final class StockWorthTest extends FeatureCase
{
    use Returning;

    /** @phpstan-impure */
    private static function item(string $code = 'LH-1140'): Item
    {
        return Item::query()->where('code', $code)->firstOrFail();
    }

    /** @return int minor units */
    private static function account(string $account): int
    {
        return (int) DB::table('journal_lines')->where('account', $account)->sum(DB::raw('debit - credit'));
    }

    /** @phpstan-impure */
    private static function worth(): int
    {
        return (int) DB::table('stock')->where('item_id', self::item()->id)->value('value');
    }

    private static function bringIn(
        string $quantity,
        string $amount,
        string $code = 'LH-1140',
        ?string $key = null,
    ): Document {
        $goods = [new Incoming(self::item($code), Quantity::of($quantity), Money::of($amount, Currency::of('USD')))];
        $at = PostedAt::till(Till::query()->findOrFail(1), Staff::query()->where('number', '301')->firstOrFail()->id);

        return Document::query()->findOrFail(
            app(BringIn::class)->handle($goods, Purpose::GoodsIn, $at, $key ?? (string) Str::uuid()),
        );
    }

    public function test_opening_stock_stands_in_the_books(): void
    {
        $this->assertSame(-self::account('inventory'), self::account('opening_balances'));
        $worth = Item::query()
            ->get()
            ->sum(
                static fn (Item $item): int => (int) round(($item->cost->value->toFloat() * 5000) / $item->price_per),
            );
        $this->assertSame($worth, self::account('inventory'));
        $this->assertProves();
    }

    public function test_goods_in_debit_inventory_and_credit_goods_received(): void
    {
        $before = self::account('inventory');
        $document = self::bringIn('10', '25.00');
        // 50 at 1.92 and 10 for 25.00: 121.00 ÷ 60.
        $this->assertSame('2.0167', self::item()->cost->toString());
        $this->assertSame(
            ['goods_in', -2500, $before + 2500],
            [
                $document->kind->value,
                self::account('goods_received'),
                self::account('inventory') - self::account('stock_differences') * -1,
            ],
        );
        $this->assertSame('60.0000', self::item()->stock->sole()->on_hand);
        $this->as('301')
            ->get("/documents/{$document->label}")
            ->assertOk()
            ->assertSee('Goods came in')
            ->assertSee('25.00')
            ->assertDontSee('UBL');
        $this->assertProves();
    }

    public function test_what_goods_cost_is_not_for_everybody(): void
    {
        $document = self::bringIn('10', '25.00');
        $this->as('101')
            ->get("/documents/{$document->label}")
            ->assertOk()
            ->assertSee('Limestone hook')
            ->assertDontSee('25.00')
            ->assertDontSee('At cost');

        foreach (['receipt', 'invoice', 'invoice.pdf', 'receipt.pdf'] as $paper) {
            $this->get("/documents/{$document->label}/{$paper}")->assertForbidden();
        }

        $this->post("/documents/{$document->label}/print")->assertForbidden();
        $this->as('201')
            ->get("/documents/{$document->label}/receipt")
            ->assertOk()
            ->assertSee('25.00')
            ->assertSee('Goods came in')
            ->assertDontSee('Tax');
    }

    public function test_the_same_key_brings_goods_in_once(): void
    {
        $key = (string) Str::uuid();
        $this->assertSame(self::bringIn('10', '25.00', key: $key)->id, self::bringIn('10', '25.00', key: $key)->id);
        $this->assertSame('60.0000', self::item()->stock->sole()->on_hand);
    }

    public function test_what_was_sold_before_it_came_in_is_put_right(): void
    {
        // 60 sold of 50, at 1.92 each: ten pieces below zero are 19.20 too little in the books.
        $this->sell('60 x LH-1140');
        $this->assertSame('-10.0000', self::item()->stock->sole()->on_hand);
        $this->assertSame(-1920, self::worth());
        $document = self::bringIn('30', '90.00');
        // 20 are there at 3.00: the ten sold at 1.92 had cost 3.00.
        $this->assertSame(['3', 6000], [self::item()->cost->toString(), self::worth()]);
        $this->assertSame(1080, self::account('stock_differences'));
        $this->as('301')
            ->get("/documents/{$document->label}")
            ->assertOk()
            ->assertSee('Worth otherwise');
        $this->assertProves();
    }

    public function test_a_sale_costs_what_the_goods_cost_when_it_is_posted(): void
    {
        $this->slip = (string) Str::uuid();
        $this->add('10 x LH-1140');
        self::bringIn('50', '150.00');
        $this->does('cash', ['cash' => '500'])->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame('2.46', self::item()->cost->toString());
        $this->assertSame(2460, $this->document()->lines->sole()->cost->minor);
        $this->assertProves();
    }

    public function test_a_sale_that_falls_below_what_the_goods_cost_by_then_is_asked_about(): void
    {
        $this->slip = (string) Str::uuid();
        $this->add('10 x LH-1140');
        self::bringIn('50', '300.00');
        $this->does('cash', ['cash' => '500'])->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('cost. A supervisor can approve');
        $this->does('approve', [
            'place' => '',
            'approver' => '201',
            'approver_pin' => '4201',
            'approver_reason' => 'promised yesterday',
        ])->assertOk();
        $this->does('post')->assertOk();
        $this->assertProves();
    }

    public function test_a_cost_typed_on_the_page_is_a_revaluation(): void
    {
        $before = self::account('inventory');
        $this->saveItem(['cost' => '2.50', 'cost_shown' => '1.92'])->assertSessionHasNoErrors();
        $this->assertSame($before + 2900, self::account('inventory'), 'Fifty pieces, 0.58 more each.');
        $this->assertSame(-2900, self::account('stock_differences'));
        $this->assertSame(1, Document::query()->where('purpose', 'revaluation')->count());
        $this->assertProves();
    }

    public function test_a_page_that_stood_open_does_not_set_the_cost_back(): void
    {
        self::bringIn('50', '300.00');
        $this->saveItem([
            'description' => 'Limestone hook, 140 mm',
            'cost' => '1.92',
            'cost_shown' => '1.92',
        ])->assertSessionHasNoErrors();
        $item = self::item();
        $this->assertSame(['3.96', 'Limestone hook, 140 mm'], [$item->cost->toString(), $item->description]);
        $this->assertProves();
    }

    public function test_a_return_to_an_empty_shelf_sets_the_cost_and_puts_the_books_right(): void
    {
        $sale = $this->sell('50 x LH-1140');
        $this->saveItem(['cost' => '3.00', 'cost_shown' => '1.92'])->assertSessionHasNoErrors();
        $this->as('101')->sell('2 x LH-1140');
        $this->assertSame(-600, self::worth());
        // One comes back at 1.92: the other of the two below zero cost that, and not 3.00.
        $this->back($sale, [1 => '1'])->assertOk();
        $this->refund('cash')->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(['1.92', -192], [self::item()->cost->toString(), self::worth()]);
        $this->assertSame(-216, self::account('stock_differences'));
        $this->assertProves();
    }

    public function test_a_write_off_taken_back_brings_the_worth_back(): void
    {
        $before = self::account('inventory');
        $this->as('201')
            ->post('/write-offs', [
                'key' => (string) Str::uuid(),
                'rows' => [['code' => 'LH-1140', 'quantity' => '5', 'reason' => 'broken', 'note' => '']],
            ])
            ->assertSessionHasNoErrors();
        $writeOff = Document::query()->where('purpose', 'write_off')->sole();
        $this->assertSame($before - 960, self::account('inventory'));
        $this->get("/documents/{$writeOff->label}")
            ->assertOk()
            ->assertSee('Goods are written off')
            ->assertSee('9.60')
            ->assertDontSee('Tax');
        $this->post("/write-offs/{$writeOff->label}/take-back", [
            'reason' => 'it was found again',
        ])->assertSessionHasNoErrors();
        $this->assertSame($before, self::account('inventory'));
        $this->assertProves();
    }

    public function test_nothing_comes_in_on_a_closed_day(): void
    {
        $this->expectExceptionMessage('closed');
        $this->expectException(Refused::class);
        $day = Location::query()->firstOrFail()->closed_through;
        app(BringIn::class)->handle(
            [new Incoming(self::item(), Quantity::of('1'), Money::of('1.00', Currency::of('USD')))],
            Purpose::GoodsIn,
            PostedAt::till(
                Till::query()->findOrFail(1),
                Staff::query()->firstOrFail()->id,
                CarbonImmutable::parse((string) $day),
            ),
            (string) Str::uuid(),
        );
    }

    /** @param  callable(): mixed  $tamper */
    #[DataProvider('tampering')]
    public function test_the_proof_finds_it(callable $tamper, string $found): void
    {
        $this->sell('2 x LH-1140');
        $this->assertProves();
        $tamper();
        $this->assertStringContainsString(
            $found,
            implode("\n", app(\Elmstone\Books\Proof\Prove::class)->handle()->faults),
        );
    }

    /** @return iterable<string, array{callable(): mixed, string}> */
    public static function tampering(): iterable
    {
        yield 'the cost was set by hand' => [
            static fn () => DB::table('items')
                ->where('code', 'LH-1140')
                ->update(['cost' => '9.99']),
            'on hand × cost',
        ];
        yield 'the worth was set by hand' => [
            static fn () => DB::table('stock')
                ->limit(1)
                ->update(['value' => 1]),
            'what the stock is worth by the books',
        ];
        yield 'goods without a document' => [
            static fn () => DB::table('stock_movements')->insert([
                'item_id' => (int) DB::table('items')->min('id'),
                'location_id' => (int) DB::table('locations')->min('id'),
                'quantity' => 0,
                'unit_cost' => 1,
                'value' => 0,
                'why' => 'delivery',
                'business_date' => '2026-01-01',
            ]),
            'have no document',
        ];
    }

    /**
     * @param  array<string, mixed>  $fields
     * @return \Illuminate\Testing\TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function saveItem(array $fields): \Illuminate\Testing\TestResponse
    {
        $item = self::item();

        return $this->as('301')->post("/items/{$item->code}", [
            'code' => $item->code,
            'barcode' => $item->barcode,
            'description' => $item->description,
            'department_id' => $item->department_id,
            'unit' => 'each',
            'price_per' => 1,
            'list_price' => $item->list_price->toString(),
            'floor_price' => $item->floor_price?->toString(),
            'cost' => $item->cost->toString(),
            'tax_class' => 'standard',
            'may_discount' => '1',
            'active' => '1',
            ...$fields,
        ]);
    }
}
