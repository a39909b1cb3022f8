<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Catalogue\Item;
use Elmstone\Held\Cards\GiftCard;
use Elmstone\Held\Cards\GiftCardLedger;
use Elmstone\Held\Cards\GiftCards;
use Elmstone\Shop\House;
use Elmstone\Shop\Settings;
use Elmstone\Work\Work;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;

/** Items and stock as files: looked at row by row, then all of it or nothing; what goes out comes in again. */
final class TablesInTest extends FeatureCase
{
    private const HEAD = 'code,description,department,list_price,cost,tax_class,barcode';

    protected function setUp(): void
    {
        parent::setUp();
        $this->as('901');
    }

    public function test_items_come_in_are_found_and_sold_and_every_price_is_on_record(): void
    {
        $look = $this->look('items', self::HEAD, [
            'HM-0500,Claw hammer 500 g,goods,18.90,9.45,standard,4006381333931',
            'lh-1140,"Limestone hook, plain",,4.10,,,',
        ]);
        $look->assertSee('2 rows:')->assertSee('1 new, 1 changed')->assertSee('list price 3.8500 → 4.1000');
        self::assertFalse(Item::query()->where('code', 'HM-0500')->exists());
        $this->bringIn($look, 'items')->assertSessionHas('done', 'Brought in: 1 new, 1 changed, 0 as they were.');
        $changes = DB::table('price_changes as c')->join('items as i', 'i.id', '=', 'c.item_id')
            ->orderBy('c.id')->get(['i.code', 'c.field', 'c.was', 'c.became'])
            ->map(static fn (object $row): string => implode(' ', [$row->code, $row->field, $row->was, $row->became]));
        self::assertContains('HM-0500 list price  18.9000', $changes);
        self::assertContains('LH-1140 list price 3.8500 4.1000', $changes);
        self::assertSame('Limestone hook, plain', Item::query()->where('code', 'LH-1140')->value('description'));
        $this->as('101');
        self::assertSame('18.90', $this->sell('4006381333931')->lines[0]->gross->toString());
        $this->get("/counter/{$this->slip}/find?q=claw")->assertSee('HM-0500');
        $this->assertProves();
    }

    public function test_who_may_bring_files_in_may_do_by_them_only_what_they_may_do_otherwise(): void
    {
        $this->as('301')->get('/tables')->assertOk()->assertSee('/tables/items')->assertDontSee('/tables/gift-cards');

        foreach (['stock', 'gift-cards'] as $table) {
            $this->get("/tables/{$table}")->assertForbidden();
            $this->get("/tables/{$table}.csv")->assertForbidden();
            $this->post("/tables/{$table}/bring-in", ['csv' => str_repeat('0', 64)])->assertForbidden();
        }

        // The right to change prices is taken from the office: no file gives it back.
        foreach (['edit-prices' => '/tables/items', 'manage-accounts' => '/tables/customers'] as $ability => $page) {
            DB::table('role_rights')->insert(['role' => 'office', 'ability' => $ability, 'may' => false]);
            app(Settings::class)->forget();
            $this->as('301')->get($page)->assertForbidden();
        }

        $this->get('/tables/open-items')->assertForbidden();
        $this->post('/tables/open-items/bring-in', ['csv' => 'x'])->assertForbidden();
    }

    public function test_what_goes_out_comes_in_again_and_changes_nothing(): void
    {
        foreach (['items', 'stock'] as $table) {
            $out = $this->get("/tables/{$table}.csv")->assertOk()->streamedContent();
            $look = $this->post("/tables/{$table}", [
                'file' => UploadedFile::fake()->createWithContent('out.csv', $out),
            ]);
            $table === 'items' ? $look->assertSee('0 new, 0 changed') : $look->assertSee('It has been there already');
        }

        foreach (['items', 'stock', 'gift-cards', 'customers', 'open-items'] as $table) {
            $this->get("/tables/{$table}")->assertOk();
            $this->get('/tables')->assertSee("/tables/{$table}-template.csv");
            $template = $this->get("/tables/{$table}-template.csv")->assertOk()->streamedContent();
            $this->post("/tables/{$table}", [
                'file' => UploadedFile::fake()->createWithContent('template.csv', $template),
            ])->assertSee(substr_count($template, "\n") - 1 .' rows:');
        }

        $this->get('/tables')->assertOk()->assertSee('Open items');
        $this->get('/tables/nothing')->assertNotFound();
        $this->as('201')->get('/tables')->assertForbidden();
    }

    public function test_each_bad_row_is_said_and_with_one_of_them_nothing_comes_in(): void
    {
        $look = $this->look('items', self::HEAD, [
            'OK-1,Good,goods,1,0,standard,',
            'NO SPACE,Bad code,goods,1,0,standard,',
            'A-1,Bad department,nowhere,1,0,standard,',
            'A-2,Bad price,goods,cheap,0,standard,',
            'A-3,Bad class,goods,1,0,luxury,',
            'A-4,Bad barcode,goods,1,0,standard,4006381333930',
            'A-5,,goods,1,0,standard,',
            'OK-1,Twice,goods,1,0,standard,',
            'A-6,Negative,goods,-1,0,standard,',
        ]);
        $look->assertSee('8 not right');

        foreach (
            [
                'no spaces', 'no department “nowhere”', 'no tax class “luxury”', 'should be 1', 'Say what it is',
                'Line 2 has this code already',
            ] as $words
        ) {
            $look->assertSee($words);
        }

        $look->assertDontSee('Bring them in');
        $this->post('/tables/items/bring-in', ['csv' => self::digest(self::HEAD, ['OK-1,Good,goods,1,0,standard,'])])
            ->assertSessionHasErrors('refused');
        self::assertFalse(Item::query()->where('code', 'OK-1')->exists());
        $this->look('items', 'code,colour', ['A-1,red'])->assertSessionHasErrors('refused');
        $this->look('items', 'description', ['A hammer'])->assertSessionHasErrors('refused');
    }

    public function test_every_row_that_is_not_right_or_changes_can_be_had(): void
    {
        $rows = array_map(static fn (int $i): string => "WK-{$i},Bench {$i},nowhere,1,0,standard,", range(1, 230));
        $look = $this->look('items', self::HEAD, $rows)->assertSee('230 not right')->assertSee('and 30 more');
        $all = $this->get($this->all($look))->assertOk()->assertDownload('items-not-right.csv')->streamedContent();
        self::assertSame(231, substr_count($all, "\r\n"));
        self::assertStringContainsString('231,WK-230,', $all);
        $look = $this->look('items', 'code,description', ['LH-1140,Another hook']);
        self::assertStringNotContainsString('rows.csv', (string) $look->getContent());
        $work = Work::query()->latest('id')->firstOrFail()->id;
        $all = $this->get("/tables/items/work/{$work}/rows.csv")->assertDownload('items-changes.csv');
        self::assertStringContainsString('→ Another hook', $all->streamedContent());
        // It is of that table, and for who may bring it in.
        $this->get("/tables/stock/work/{$work}/rows.csv")->assertNotFound();
        $this->as('101')->get("/tables/items/work/{$work}/rows.csv")->assertForbidden();
    }

    public function test_a_barcode_belongs_to_one_and_may_go_from_one_to_another(): void
    {
        $this->look('items', 'code,barcode', ['LH-1141,'.Item::query()->where('code', 'LH-1140')->value('barcode')])
            ->assertSee('LH-1140 has this barcode');
        $look = $this->look('items', 'code,barcode', ['LH-1140,-']);
        $this->bringIn($look, 'items');
        self::assertNull(Item::query()->where('code', 'LH-1140')->value('barcode'));
    }

    public function test_the_cost_of_what_is_on_hand_is_not_changed_from_a_table(): void
    {
        $this->look('items', 'code,cost', ['LH-1140,0.01'])->assertSee('It is on hand at a cost of');
    }

    public function test_somebody_who_changed_it_meanwhile_is_seen(): void
    {
        $look = $this->look('items', self::HEAD, ['HM-1,Hammer,goods,18.90,0,standard,4006381333931']);
        Item::query()->where('code', 'LH-1141')->update(['barcode' => '4006381333931']);
        $this->bringIn($look, 'items')->assertSessionHasErrors('refused');
        self::assertFalse(Item::query()->where('code', 'HM-1')->exists());
    }

    public function test_opening_stock_is_posted_once_against_the_opening_balances(): void
    {
        $this->bringIn($this->look('items', self::HEAD, [
            'HM-1,Hammer,goods,18.90,9.45,standard,', 'HM-2,Mallet,goods,22,11,standard,',
        ]), 'items');
        $before = (int) DB::table('journal_lines')->where('account', 'opening_balances')->sum('credit');
        $rows = ['HF,HM-1,10,', 'HF,HM-2,3,12', 'PB,HM-1,5,9.45'];
        $look = $this->look('stock', 'place,item,quantity,cost', $rows)->assertSee('3 new');
        $this->bringIn($look, 'stock')->assertSessionHasNoErrors();
        // 10 × 9.45 + 3 × 12 + 5 × 9.45
        self::assertSame($before + 17_775, (int) DB::table('journal_lines')->where('account', 'opening_balances')
            ->sum('credit'));
        $this->post('/tables/stock/bring-in', ['csv' => self::digest('place,item,quantity,cost', $rows)])
            ->assertSessionHasErrors('refused');
        self::assertSame('15.0000', (string) DB::table('stock')
            ->where('item_id', Item::query()->where('code', 'HM-1')->value('id'))->sum('on_hand'));
        $this->look('stock', 'place,item,quantity', ['XX,HM-1,1', 'HF,NONE,1', 'HF,HM-1,2', 'PB,HM-2,0'])
            ->assertSee('4 not right');
        $this->assertProves();
    }

    public function test_gift_cards_of_before_are_owed_on_here_and_pay(): void
    {
        $ours = GiftCardLedger::drawn()->digits;
        $owed = static fn (string $column): int => (int) DB::table('journal_lines')
            ->where('account', 'gift_cards')->sum($column);
        $before = $owed('credit');
        $head = 'number,amount,expires_on';
        $rows = ["{$ours},25.00,2031-12-31", 'OLD-4471,10,', ',5.50,'];
        $look = $this->look('gift-cards', $head, $rows)->assertSee('3 new');
        $this->bringIn($look, 'gift-cards')->assertSessionHasNoErrors();
        self::assertSame($before + 4_050, $owed('credit'));
        self::assertSame(3, GiftCard::query()->count());
        self::assertSame('2031-12-31', GiftCards::named($ours)->expires_on?->format('Y-m-d'));
        self::assertTrue(DB::table('documents')->where('note', 'like', '%before: OLD-4471')->exists());
        // The same file once more, and what went out, bring nothing in.
        $this->post('/tables/gift-cards/bring-in', ['csv' => self::digest($head, $rows)])
            ->assertSessionHasErrors('refused');
        $out = $this->get('/tables/gift-cards.csv')->streamedContent();
        self::assertStringNotContainsString($ours, $out);
        $this->post('/tables/gift-cards', ['file' => UploadedFile::fake()->createWithContent('out.csv', $out)])
            ->assertSee('3 not right');
        $this->look('gift-cards', $head, ['9000000000000002,5,', 'A,-1,', 'B,5,2020-01-01', 'C,1,', 'C,2,'])
            ->assertSee('4 not right');
        self::assertSame(3, GiftCard::query()->count());

        $this->as('101');
        $this->slip = (string) Str::uuid();
        $this->add('LH-1140');
        $this->does('gift-cards/use', ['card_code' => $ours])->assertOk();
        $this->does('post')->assertOk();
        self::assertSame('gift_card', $this->document()->tenders[0]->kind->value);
        $this->assertProves();
    }

    public function test_an_amount_larger_than_any_here_is_refused(): void
    {
        $much = app(House::class)->shop()->largest_amount->major()->multipliedBy(2);
        $this->look('items', self::HEAD, ["A-1,Dear,goods,{$much},0,standard,"])->assertSee('1 not right');
    }

    /**
     * @param  list<string>  $rows
     * @return TestResponse<Response>
     */
    private function look(string $table, string $head, array $rows): TestResponse
    {
        return $this->from("/tables/{$table}")->post("/tables/{$table}", [
            'file' => UploadedFile::fake()->createWithContent('in.csv', self::csv($head, $rows)),
        ]);
    }

    /**
     * @param  TestResponse<Response>  $look
     * @return TestResponse<Response>
     */
    private function bringIn(TestResponse $look, string $table): TestResponse
    {
        preg_match('/name="csv" value="([0-9a-f]{64})"/', (string) $look->assertOk()->getContent(), $found);

        return $this->from("/tables/{$table}")->post("/tables/{$table}/bring-in", ['csv' => $found[1] ?? '']);
    }

    /** @param  list<string>  $rows */
    private static function digest(string $head, array $rows): string
    {
        return hash('sha256', self::csv($head, $rows));
    }

    /** @param  TestResponse<Response>  $look */
    private function all(TestResponse $look): string
    {
        return preg_match('~href="([^"]+/rows\.csv)"~', (string) $look->getContent(), $found) === 1 ? $found[1] : '';
    }

    /** @param  list<string>  $rows */
    private static function csv(string $head, array $rows): string
    {
        return implode("\n", [$head, ...$rows]);
    }
}
