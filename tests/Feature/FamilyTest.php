<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Catalogue\Families\Family;
use Elmstone\Catalogue\Families\FamilyGrid;
use Elmstone\Catalogue\Families\OnTheirWay;
use Elmstone\Catalogue\Item;
use Elmstone\Purchasing\Purchase;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;

/** Families: made in one step, changed by the grid, sold, bought and counted in by it. */
final class FamilyTest extends FeatureCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->as('301');
    }

    /**
     * @param  array<string, mixed>  $with
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function make(array $with = []): TestResponse
    {
        return $this->from('/families/new')->post('/families', [
            'code' => 'gt', 'name' => 'Grouting', 'department_id' => 1, 'unit' => 'each', 'price_per' => 1,
            'list_price' => '4.20', 'cost' => '2', 'tax_class' => 'standard',
            'first' => 'colour', 'first_values' => "white, ivory\nWhite,  mid   grey",
            'second' => 'size', 'second_values' => '1 kg, 5 kg', ...$with,
        ]);
    }

    /**
     * @param  array<int|string, string>  $cells
     * @param  array<string, mixed>  $with
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function type(string $kind, array $cells, array $with = []): TestResponse
    {
        return $this->from('/families/GT')->post('/families/GT', [
            'version' => self::family()->version, 'kind' => $kind, 'cell' => $cells, ...$with,
        ]);
    }

    private static function family(): Family
    {
        return Family::query()->where('code', 'GT')->sole();
    }

    private static function cell(string $description): Item
    {
        return Item::query()->where('description', "Grouting, {$description}")->sole();
    }

    private function grid(): FamilyGrid
    {
        return FamilyGrid::of(self::family(), app(OnTheirWay::class));
    }

    public function test_a_family_is_made_of_lists_of_values_in_one_step(): void
    {
        $this->make()->assertRedirect('/families/GT');
        self::assertSame(
            ['GT-001', 'GT-002', 'GT-003', 'GT-004', 'GT-005', 'GT-006'],
            self::family()->items()->orderBy('code')->pluck('code')->all(),
        );
        self::assertSame('4.2', self::cell('mid grey, 5 kg')->list_price->toString());
        $this->get('/families')->assertSee('Grouting')->assertSee('colour, size');
        $this->get('/families/GT')->assertOk()->assertSee('mid grey')->assertSee('5 kg');
        $this->get('/items/GT-003')->assertSee('One of the 6 of')->assertSee('Changes of price');
        $this->as('101')->add('GT-003');
        self::assertSame('Grouting, ivory, 1 kg', $this->slip()->lines->sole()->description);
    }

    public function test_one_property_is_enough_and_codes_that_are_taken_are_left_out(): void
    {
        Scene::item('GT-002', 'Somebody else’s', '1');
        $this->make(['second' => '', 'second_values' => ''])->assertRedirect('/families/GT');
        self::assertSame(
            ['GT-001', 'GT-003', 'GT-004'],
            self::family()->items()->orderBy('code')->pluck('code')->all(),
        );
        self::assertSame('Grouting, mid grey', Item::query()->where('code', 'GT-004')->value('description'));
        $this->get('/families/GT')->assertOk();
    }

    public function test_what_is_typed_wrong_is_said_beside_it_and_makes_nothing(): void
    {
        $many = implode(',', range(1, 100));
        $this->make(['first_values' => $many, 'second_values' => $many])
            ->assertSessionHasErrors(['first_values' => '100 × 100 is 10,000 items; a family has at most 600. '
                .'Make several families of it.']);
        $this->make(['first_values' => ''])->assertSessionHasErrors('first_values');
        $this->make(['second' => ''])->assertSessionHasErrors('second');
        $this->make(['second_values' => ''])->assertSessionHasErrors('second_values');
        $this->make(['code' => 'G T'])->assertSessionHasErrors('code');
        $this->make(['list_price' => 'dear'])->assertSessionHasErrors('list_price');
        self::assertSame(0, $this->rows('families'));
        self::assertSame(0, Item::query()->where('code', 'like', 'GT-%')->count());
        $this->make();
        $this->make()->assertSessionHasErrors('code');
    }

    public function test_cells_follow_the_price_of_the_family_or_have_their_own_each_on_record(): void
    {
        $this->make();
        $cells = fn (): array => array_fill_keys(self::family()->items()->pluck('id')->all(), '');
        $large = self::cell('white, 5 kg');
        $this->type('prices', array_replace($cells(), [$large->id => '18.50']), ['price' => '4.50'])
            ->assertSessionHas('done', '6 prices changed.');
        self::assertSame('4.5', self::cell('white, 1 kg')->list_price->toString());
        self::assertSame('18.5', self::cell('white, 5 kg')->list_price->toString());
        $this->get('/families/GT?type=prices')->assertSee('18.50')->assertSee('placeholder="4.50"', false);
        $this->type('prices', array_replace($cells(), [$large->id => '18.50']), ['price' => '4.60'])
            ->assertSessionHas('done', '5 prices changed.');
        self::assertSame('18.5', self::cell('white, 5 kg')->list_price->toString());
        self::assertSame(3, DB::table('price_changes')->where('item_id', self::cell('ivory, 5 kg')->id)->count());
        $this->type('prices', array_replace($cells(), [$large->id => 'x']))
            ->assertSessionHasErrors("cell.{$large->id}");
        self::assertSame('18.5', self::cell('white, 5 kg')->list_price->toString());
    }

    public function test_barcodes_are_typed_into_the_grid_swapped_and_checked(): void
    {
        $this->make();
        [$one, $two] = [self::cell('white, 1 kg'), self::cell('white, 5 kg')];
        [$a, $b] = [Scene::barcode(7001), Scene::barcode(7002)];
        $this->type('barcodes', [$one->id => $a, $two->id => $b])->assertSessionHasNoErrors();
        $this->type('barcodes', [$one->id => $b, $two->id => $a])->assertSessionHasNoErrors();
        self::assertSame([$b, $a], [$one->refresh()->barcode, $two->refresh()->barcode]);
        $this->type('barcodes', [$one->id => $a, $two->id => $a])->assertSessionHasErrors("cell.{$two->id}");
        $this->type('barcodes', [$one->id => '2000070010001'])->assertSessionHasErrors("cell.{$one->id}");
        $taken = (string) Item::query()->where('code', 'LH-1140')->value('barcode');
        $this->type('barcodes', [$one->id => $taken])
            ->assertSessionHasErrors(["cell.{$one->id}" => 'LH-1140 has this barcode.']);
        $other = Item::query()->where('code', 'LH-1140')->sole();
        $this->type('barcodes', [$other->id => ''])->assertSessionHasNoErrors();
        self::assertSame($taken, $other->refresh()->barcode, 'a cell of no family is not touched by a crafted form');
        self::assertSame($b, $one->refresh()->barcode);
        $this->as('101')->add($b);
        self::assertSame($one->id, $this->slip()->lines->sole()->item_id);
    }

    public function test_items_there_were_before_are_put_into_cells_and_taken_out(): void
    {
        $this->make(['first_values' => '140 mm, 180 mm, 220 mm', 'second' => '', 'second_values' => '']);
        $made = self::family()->items()->orderBy('code')->pluck('code')->all();
        $this->type('codes', ['1-1' => 'lh-1140', '2-1' => 'LH-1141', '3-1' => $made[2]])->assertSessionHasNoErrors();
        self::assertSame(['LH-1140', 'LH-1141', $made[2]], array_map(
            static fn ($cell): string => $cell->item->code,
            $this->grid()->cells(),
        ));
        self::assertNull(Item::query()->where('code', $made[0])->value('family_id'));
        $this->type('codes', ['1-1' => 'LH-1140', '2-1' => 'LH-1140'])->assertSessionHasErrors('cell.2-1');
        $this->type('codes', ['1-1' => 'NO-SUCH'])->assertSessionHasErrors('cell.1-1');
        $this->type('codes', ['9-1' => 'LH-1140'])->assertSessionHasErrors('cell.9-1');
        self::assertCount(3, $this->grid()->cells(), 'nothing is half done');
        $this->type('codes', ['1-1' => '', '2-1' => 'LH-1141'])->assertSessionHasNoErrors();
        self::assertCount(1, $this->grid()->cells());
        $this->make(['code' => 'HK', 'first_values' => 'short']);
        $this->from('/families/HK')->post('/families/HK', [
            'version' => 1, 'kind' => 'codes', 'cell' => ['1-1' => 'LH-1141'],
        ])->assertSessionHasErrors(['cell.1-1' => 'LH-1141 is in another family.']);
    }

    public function test_a_family_grows_and_its_empty_cells_are_filled(): void
    {
        $this->make();
        $grow = fn (string $values, int $axis = 1): TestResponse => $this->from('/families/GT')
            ->post('/families/GT/grow', ['version' => self::family()->version, 'axis' => $axis, 'values' => $values]);
        $grow('Ivory')->assertSessionHasErrors(['values' => '“Ivory” is there already.']);
        $grow(' , ')->assertSessionHasErrors('values');
        $grow(implode(',', range(1, 300)))->assertSessionHasErrors('values');
        $grow('charcoal, brown')->assertSessionHasNoErrors();
        $grow('10 kg', 2)->assertSessionHasNoErrors();
        self::assertCount(9, $this->grid()->missing());
        $this->get('/families/GT')->assertSee('9 items that are missing', false);
        $this->post('/families/GT/complete', ['version' => self::family()->version])
            ->assertSessionHas('done', '9 items are made.');
        self::assertSame([], $this->grid()->missing());
        self::assertSame('4.2', self::cell('brown, 10 kg')->list_price->toString());
    }

    public function test_who_saw_an_older_grid_is_told_and_changes_nothing(): void
    {
        $this->make();
        $seen = self::family()->version;
        $this->type('prices', [], ['price' => '5']);
        $late = $this->type('prices', [], ['price' => '6', 'version' => $seen]);
        $this->assertRefused('Somebody changed Grouting', $late);
        $this->assertRefused(
            'Somebody changed Grouting',
            $this->post('/families/GT/complete', ['version' => $seen]),
        );
        self::assertSame('5', self::family()->list_price?->toString());
    }

    public function test_the_entry_line_finds_the_family_and_a_cell_is_sold(): void
    {
        $this->make();
        Scene::stock(self::family()->items()->get()->all(), 7);
        $this->as('101');
        $family = self::family();
        $this->get("/counter/{$this->slip}/find?q=grou")->assertOk()->assertSee("data-family=\"{$family->id}\"", false);
        $this->get("/counter/{$this->slip}/find?q=grou+white")->assertDontSee('data-family', false)
            ->assertSee('Grouting, white, 1 kg');
        $cell = self::cell('ivory, 5 kg');
        $this->get("/counter/{$this->slip}/look?family={$family->id}")
            ->assertOk()
            ->assertSee("data-item=\"{$cell->id}\"", false)
            ->assertSeeTextInOrder(['Grouting, ivory, 5 kg: 7 free', '4.20']);
        $this->does('add', ['entry' => $cell->code, 'item' => (string) $cell->id, 'quantity' => '3'])->assertOk();
        self::assertSame('3', $this->slip()->lines->sole()->quantity->toString());
    }

    public function test_a_grid_of_two_hundred_cells_asks_the_same_few_questions(): void
    {
        $asks = function (string $rows): int {
            $this->make(['first_values' => $rows])->assertSessionHasNoErrors();
            DB::enableQueryLog();
            $this->get('/families/GT')->assertOk();
            $count = count(DB::getQueryLog());
            DB::disableQueryLog();
            DB::flushQueryLog();

            return $count;
        };
        $few = $asks('white');
        DB::table('items')->where('family_id', self::family()->id)
            ->update(['family_id' => null, 'first_value' => null, 'second_value' => null]);
        DB::table('family_values')->delete();
        DB::table('families')->delete();
        self::assertSame($few, $asks(implode(',', range(1, 100))));
    }

    private function purchase(): Purchase
    {
        $id = (int) DB::table('purchases')->insertGetId([
            'label' => 'PO-7', 'key' => (string) Str::uuid(), 'location_id' => 1, 'staff_id' => 3, 'state' => 'draft',
            'made_on' => now(),
            'supplier_id' => DB::table('suppliers')->insertGetId(['code' => 'HOLM', 'name' => 'Holm Quarries']),
        ]);

        return Purchase::query()->findOrFail($id);
    }

    public function test_a_family_is_bought_and_counted_in_by_its_grid(): void
    {
        $this->make();
        $purchase = $this->purchase();
        $cells = self::family()->items()->orderBy('code')->pluck('id')->all();
        $this->get('/purchases/PO-7?family=grouting')->assertSee('Put these on it');
        $this->get('/purchases/PO-7?family=nothing')->assertSee('No family is called so.');
        $add = fn (array $typed): TestResponse => $this->from('/purchases/PO-7')->post('/purchases/PO-7/add', [
            'version' => $purchase->refresh()->version, 'cell' => $typed,
        ]);
        $add([$cells[0] => '', $cells[1] => ' '])->assertSessionHasErrors('refused');
        $add([$cells[0] => 'many'])->assertSessionHasErrors("cell.{$cells[0]}");
        $add([$cells[0] => '10', $cells[1] => '', $cells[2] => '6', $cells[3] => '4'])
            ->assertSessionHas('done', '3 items are on it.');
        $this->post('/purchases/PO-7/send', ['version' => $purchase->refresh()->version]);
        self::assertSame('6', (string) $this->grid()->at(2, 1)?->onOrder(null));
        $this->get('/families/GT')->assertSee('+10');
        $this->get('/purchases/PO-7/receive')->assertOk()->assertSee("name=\"cell[{$cells[0]}]\"", false)
            ->assertDontSee('name="quantity[1]"', false);
        $this->get('/purchases/PO-7/receive?rows=1')->assertSee('name="quantity[1]"', false);
        $this->from('/purchases/PO-7/receive')->post('/purchases/PO-7/receive', [
            'key' => (string) Str::uuid(), 'version' => $purchase->refresh()->version,
            'cell' => [$cells[0] => '10', $cells[2] => '5', $cells[3] => '', $cells[5] => '2'],
        ])->assertSessionHasNoErrors();
        $on = fn (int $item): string => rtrim(rtrim((string) DB::table('stock')->where('item_id', $item)
            ->value('on_hand'), '0'), '.');
        self::assertSame('2.0000', (string) DB::table('items')->where('id', $cells[5])->value('cost'));
        self::assertSame(['10', '5', '2'], [$on($cells[0]), $on($cells[2]), $on($cells[5])]);
        self::assertSame(['1', '4'], [
            (string) $this->grid()->at(2, 1)?->onOrder(1),
            (string) $this->grid()->at(2, 2)?->onOrder(null),
        ]);
        $this->get('/labels?from=family&code=GT')->assertSee(['GT-001', 'GT-006']);
        $this->assertProves();
    }
}
