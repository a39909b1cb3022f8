<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Catalogue\Item;
use Elmstone\Counter\Lines\LineOnSlip;
use Elmstone\Staff\Approvals\Approval;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;

final class CounterTest extends FeatureCase
{
    public function test_a_scan_does_not_ask_for_offers_of_an_item_that_has_none(): void
    {
        $asked = [];
        DB::listen(static function (QueryExecuted $query) use (&$asked): void {
            preg_match('/ from `(quantity_breaks|promotions)`/', $query->sql, $from) !== 1 || $asked[] = $from[1];
        });
        $this->add('LH-1140');
        $this->assertEmpty($asked);

        Item::query()->where('code', 'LH-1140')->firstOrFail()->breaks()->create([
            'from_quantity' => '5', 'price' => '1.11',
        ]);
        $this->slip = (string) Str::uuid();
        $this->add('5 x LH-1140');
        $this->assertContains('quantity_breaks', $asked);
        $this->assertSame('1.1100', DB::table('slip_lines')->latest('id')->value('unit_price'));
    }

    public function test_a_blank_slip_is_not_written_down_before_its_first_line(): void
    {
        $this->get("/counter/{$this->slip}")
            ->assertOk()
            ->assertSee('Nothing yet');
        $this->assertSame(0, $this->rows('slips'));
        $this->add('LH-1140');
        $this->assertSame(1, $this->rows('slips'));
    }

    #[DataProvider('entries')]
    public function test_the_entry_line_takes_whatever_comes(string $typed, string $code, string $quantity): void
    {
        $this->add($typed);
        $line = $this->slip()->lines->firstOrFail();
        $this->assertSame([$code, $quantity], [$line->code, $line->quantity->toString()]);
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function entries(): iterable
    {
        yield 'a code' => ['LH-1140', 'LH-1140', '1'];
        yield 'a code in small letters' => ['lh-1140', 'LH-1140', '1'];
        yield 'a scan' => [Scene::barcode(1), 'LH-1140', '1'];
        yield 'a scan with its fourteen digits' => ['0'.Scene::barcode(1), 'LH-1140', '1'];
        yield 'a quantity before it' => ['4 x LH-1140', 'LH-1140', '4'];
        yield 'a quantity close to it' => ['4x lh-1141', 'LH-1141', '4'];
        yield 'a star between' => ['4*LH-1140', 'LH-1140', '4'];
        yield 'nothing between' => ['4xLH-1140', 'LH-1140', '4'];
        yield 'a code without its hyphen' => ['lh1140', 'LH-1140', '1'];
        yield 'a quantity and no hyphen' => ['2*lh1140', 'LH-1140', '2'];
        yield 'a barcode as it is printed' => [chunk_split(Scene::barcode(1), 5, ' '), 'LH-1140', '1'];
        yield 'a quantity of a barcode' => ['4 x '.Scene::barcode(1), 'LH-1140', '4'];
        yield 'a comma in the quantity' => ['2,5 x PI-2800', 'PI-2800', '2.5'];
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function searches(): iterable
    {
        yield 'part of a name with a wildcard' => ['2.4 x cop*28', 'PI-2800', '2.4'];
        yield 'two parts of a name' => ['hook 180', 'LH-1141', '1'];
        yield 'the inside of a word' => ['*stone 140', 'LH-1140', '1'];
        yield 'a quantity by a star' => ['3*hook 180', 'LH-1141', '3'];
    }

    #[DataProvider('searches')]
    public function test_what_is_not_named_exactly_is_chosen_from_the_list(
        string $typed,
        string $code,
        string $quantity,
    ): void {
        $this->does('add', ['entry' => $typed])->assertStatus(422)->assertSee('Choose from the list');
        $this->assertSame(0, $this->rows('slip_lines'));
        $list = (string) $this->get("/counter/{$this->slip}/find?q=".urlencode($typed))->assertSee($code)->getContent();
        $this->assertStringContainsString("data-quantity=\"{$quantity}\"", $list);
        preg_match('/data-item="(\d+)"/', $list, $first);
        $this->does('add', ['entry' => $typed, 'item' => $first[1] ?? '', 'quantity' => $quantity])->assertOk();
        $line = $this->slip()->lines->firstOrFail();
        $this->assertSame([$code, $quantity], [$line->code, $line->quantity->toString()]);
    }

    public function test_the_list_has_more_when_it_is_asked_and_says_what_is_off_sale(): void
    {
        for ($i = 10; $i < 30; $i++) {
            Scene::item("GN-{$i}", "Garden gnome {$i}", '9.00', $i === 10 ? ['active' => false] : []);
        }

        $find = fn (string $more): string => (string) $this->get("/counter/{$this->slip}/find?q=gnome{$more}")
            ->assertOk()
            ->getContent();
        $this->assertSame(7, substr_count($find(''), 'data-item'));
        $this->assertStringContainsString('data-more', $find(''));
        $this->assertStringNotContainsString('off sale', $find(''));
        $this->assertSame(20, substr_count($find('&more=1'), 'data-item'));
        $this->assertStringContainsString('20 found', $find('&more=1'));
        $this->assertMatchesRegularExpression('/GN-10<.*off sale/s', $find('&more=1'));
    }

    public function test_a_quantity_alone_finds_nothing(): void
    {
        foreach (['4', '4 x', '*', '2,5×'] as $typed) {
            $this->get("/counter/{$this->slip}/find?q=".urlencode($typed))
                ->assertOk()
                ->assertDontSee('data-item')
                ->assertDontSee('data-customer');
        }
    }

    public function test_what_is_scanned_and_not_known_stays_on_the_slip_until_it_is_dealt_with(): void
    {
        $this->add('LH-1140');
        $act = ['act' => (string) Str::uuid(), 'entry' => 'NO-9', 'scanned' => '1', 'version' => ''];
        $this->does('add', $act)->assertOk()->assertSee('NO-9')->assertHeader('X-Sound', 'refused');
        $this->does('add', $act)->assertOk();
        $this->does('add', ['act' => (string) Str::uuid()] + $act)->assertOk();
        $this->assertSame(['NO-9', 'NO-9'], $this->slip()->unknown);
        $this->get('/devices/display/1')->assertOk()->assertSee('Still being looked up')->assertDontSee('NO-9');
        $this->does('cash', ['cash' => '10'])->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('is in no list');
        $this->does('known', ['scanned' => 'something else'])->assertOk();
        $this->does('known', ['scanned' => 'NO-9'])->assertOk();
        $this->assertSame(['NO-9'], $this->slip()->unknown);
        $this->does('post')->assertStatus(422);
        $this->does('one-off', [
            'description' => 'Old gate',
            'quantity' => '1',
            'price' => '1.00',
            'department_id' => 1,
            'tax_class' => 'standard',
            'unknown' => 'NO-9',
        ])->assertOk();
        $this->assertNull($this->slip()->unknown);
        $this->does('post')->assertOk()->assertSee('Posted as');
    }

    public function test_half_of_a_piece_is_not_sold_unless_it_may_be_divided(): void
    {
        $this->does('add', ['entry' => '0.5 x LH-1140'])->assertStatus(422)->assertSee('is sold whole');
        $this->add('LH-1140', '2.4 x PI-2800');
        $this->does("lines/{$this->lineId()}", ['quantity' => '1,5'])->assertStatus(422)->assertSee('is sold whole');
        $this->assertSame('1', $this->slip()->lines->firstOrFail()->quantity->toString());
        Scene::reprice(['divisible' => '1'], 'LH-1140');
        $this->does("lines/{$this->lineId()}", ['quantity' => '1,5'])->assertOk();
        $this->assertSame('1.5', $this->slip()->lines->firstOrFail()->quantity->toString());
    }

    public function test_so_many_things_are_unknown_and_no_more(): void
    {
        for ($i = 1; $i <= 20; $i++) {
            $this->does('add', ['entry' => "NO-{$i}", 'scanned' => '1', 'version' => ''])->assertOk();
        }

        $this->does('add', ['entry' => 'NO-21', 'scanned' => '1', 'version' => ''])
            ->assertStatus(422)
            ->assertSee('Deal with those first');
        $this->does('add', ['entry' => 'LH-1140', 'scanned' => '1', 'version' => ''])
            ->assertOk()
            ->assertHeader('X-Sound', 'taken');
    }

    public function test_the_same_item_again_adds_to_its_line_unless_it_was_changed_by_hand(): void
    {
        $this->add('LH-1140', 'LH-1141', '3 x LH-1140');
        $this->assertSame(
            ['4', '1'],
            $this->slip()->lines->map(static fn (LineOnSlip $line): string => $line->quantity->toString())->all(),
        );
        $this->does("lines/{$this->lineId()}", ['price' => '3.50'])->assertOk();
        $this->add('LH-1140');
        $this->assertCount(3, $this->slip()->lines);
    }

    public function test_a_scan_that_is_sent_twice_counts_once(): void
    {
        $act = ['act' => (string) Str::uuid(), 'entry' => 'LH-1140'];
        $this->does('add', $act)->assertOk();
        $this->does('add', $act)->assertOk();
        $this->assertSame('1', $this->slip()->lines->firstOrFail()->quantity->toString());
    }

    public function test_what_nobody_finds_offers_a_one_off_line(): void
    {
        $this->does('add', ['entry' => 'wheelbarrow'])
            ->assertStatus(422)
            ->assertSee('No code is');
        $this->does('add', ['entry' => Scene::barcode(77)])
            ->assertStatus(422)
            ->assertSee('No item has the barcode');
        $this->does('one-off', [
            'description' => 'Old gate',
            'quantity' => '1',
            'price' => '',
            'department_id' => 1,
            'tax_class' => 'standard',
        ])
            ->assertStatus(422)
            ->assertSee('Type a number');
        $this->does('one-off', [
            'description' => 'Old gate',
            'quantity' => '2',
            'price' => '12,50',
            'department_id' => 1,
            'tax_class' => 'standard',
        ])
            ->assertOk()
            ->assertSee('27.50');
    }

    #[DataProvider('badQuantities')]
    public function test_a_bad_quantity_is_answered_beside_its_field_and_nothing_is_lost(
        string $typed,
        string $says,
    ): void {
        $this->add('LH-1140');
        $this->does("lines/{$this->lineId()}", ['quantity' => $typed])
            ->assertStatus(422)
            ->assertSee($says)
            ->assertSee("value=\"{$typed}\"", false);
        $this->assertSame('1', $this->slip()->lines->firstOrFail()->quantity->toString());
    }

    /** @return iterable<array{string, string}> */
    public static function badQuantities(): iterable
    {
        yield ['0', 'more than zero'];
        yield ['-2', 'No minus signs'];
        yield ['1e9', 'is not a number'];
        yield ['1000000000', 'Did a barcode land here?'];
        yield ['1,234', 'can be read two ways'];
        yield ['1.23456', 'at most 4 decimal places'];
        yield ['', 'Type a number'];
    }

    public function test_a_quantity_reaches_and_leaves_its_price_break(): void
    {
        DB::table('quantity_breaks')->insert([
            'item_id' => Item::query()->where('code', 'LH-1140')->value('id'),
            'from_quantity' => '10',
            'price' => '3.50',
        ]);
        $this->add('LH-1140');
        $this->does("lines/{$this->lineId()}", ['quantity' => '10'])
            ->assertOk()
            ->assertSee('quantity price')
            ->assertSee('list 3.85');
        $this->does("lines/{$this->lineId()}", ['quantity' => '9'])
            ->assertOk()
            ->assertDontSee('quantity price');
        $this->assertSame('3.85', $this->slip()->lines->firstOrFail()->unit_price->toString());
    }

    public function test_a_price_below_the_floor_needs_a_supervisor_whose_reason_is_kept(): void
    {
        $this->add('LH-1140');
        $change = fn (array $fields) => $this->does("lines/{$this->lineId()}", ['price' => '3.00', ...$fields]);
        $change([])->assertStatus(422)->assertSee('lowest price the house accepts')->assertSee('Approver’s PIN');
        $change(['approver' => '101', 'approver_pin' => '4101', 'approver_reason' => 'please'])
            ->assertStatus(422)
            ->assertSee('may not approve');
        $change(['approver' => '201', 'approver_pin' => '4201', 'approver_reason' => ''])
            ->assertStatus(422)
            ->assertSee('Say why');
        $change(['approver' => '201', 'approver_pin' => '9999', 'approver_reason' => 'chipped'])
            ->assertStatus(422)
            ->assertSee('do not belong together');
        $change(['approver' => '201', 'approver_pin' => '4201', 'approver_reason' => 'chipped edge'])
            ->assertOk()
            ->assertSee('approved');
        $approval = Approval::query()->sole();
        $this->assertSame(
            ['below_floor', 'chipped edge', 'Super Slate'],
            [$approval->what, $approval->reason, $approval->approver->name],
        );
        $this->does("lines/{$this->lineId()}", ['price' => '1.00'])
            ->assertStatus(422)
            ->assertSee('below what it cost');
    }

    public function test_wrong_tries_at_an_approval_lock_the_approver_too(): void
    {
        $this->add('LH-1140');

        for ($try = 0; $try < 5; $try++) {
            $this->does("lines/{$this->lineId()}", [
                'price' => '3.00',
                'approver' => '201',
                'approver_pin' => '0000',
                'approver_reason' => 'please',
            ])->assertStatus(422);
        }

        $this->does("lines/{$this->lineId()}", [
            'price' => '3.00',
            'approver' => '201',
            'approver_pin' => '4201',
            'approver_reason' => 'please',
        ])
            ->assertStatus(422)
            ->assertSee('locked at this till until');
        $this->assertSame('3.85', $this->slip()->lines->firstOrFail()->unit_price->toString());
    }

    public function test_what_was_cleared_by_mistake_is_brought_back(): void
    {
        $this->add('LH-1140');
        $this->does('clear')->assertOk();
        $this->get('/counter/'.Str::uuid())
            ->assertSee('Bring back')
            ->assertSee('4.24');
        $this->as('101', 3)
            ->from('/counter')
            ->post("/counter/{$this->slip}/restore")
            ->assertSessionHasErrors('refused');
        $this->as('101')
            ->post("/counter/{$this->slip}/restore")
            ->assertRedirect("/counter/{$this->slip}");
        $this->add('LH-1140');
        $this->post("/counter/{$this->slip}/restore")->assertSessionHasErrors('refused');
    }

    public function test_discounts_on_a_line(): void
    {
        $this->add('10 x LH-1140', 'MA-0031');
        $line = "lines/{$this->lineId()}";
        $this->does($line, ['discount' => '10'])
            ->assertOk()
            ->assertSee('34.65');
        $this->does($line, ['discount' => '2.00 off'])
            ->assertOk()
            ->assertSee('36.50');
        $this->does($line, ['discount' => '101 %'])
            ->assertStatus(422)
            ->assertSee('more than 100 %');
        $this->does($line, ['discount' => '50.00 off'])
            ->assertStatus(422)
            ->assertSee('more than the 38.50');
        $this->does($line, ['discount' => '30'])
            ->assertStatus(422)
            ->assertSee('A supervisor can approve');
        $this->does($line, ['discount' => ''])
            ->assertOk()
            ->assertSee('38.50');
        $this->does("lines/{$this->lineId(1)}", ['discount' => '5'])
            ->assertStatus(422)
            ->assertSee('never discounted');
    }

    public function test_a_discount_on_the_whole_slip(): void
    {
        $this->add('10 x LH-1140', 'MA-0031');
        $this->does('discount', ['discount' => '10 %'])
            ->assertOk()
            ->assertSee('−3.85');
        $this->does('discount', ['discount' => '40'])
            ->assertStatus(422)
            ->assertSee('below the lowest price');
        $this->does('discount', [
            'discount' => '40',
            'approver' => '201',
            'approver_pin' => '4201',
            'approver_reason' => 'clearing out',
        ])
            ->assertOk()
            ->assertSee('−15.40');
        $this->does('discount', ['discount' => '99.00 off'])->assertStatus(422);
        $this->does('discount', ['discount' => ''])
            ->assertOk()
            ->assertDontSee('−15.40');
    }

    public function test_a_line_is_removed_and_the_lot_cleared(): void
    {
        $this->add('LH-1140', 'LH-1141');
        $this->does("lines/{$this->lineId()}/remove")
            ->assertOk()
            ->assertDontSee('LH-1140');
        $this->does('clear')->assertOk()->assertHeader('X-Location');
        $this->get("/counter/{$this->slip}")->assertRedirect('/counter');
        $this->does('add', ['entry' => 'LH-1140'])
            ->assertStatus(422)
            ->assertSee('was cleared');
    }

    public function test_texts_are_shown_as_they_were_typed(): void
    {
        $nasty = '<script>alert("x")</script> & 🧱';
        $this->does('one-off', [
            'description' => $nasty,
            'quantity' => '1',
            'price' => '1',
            'department_id' => 1,
            'tax_class' => 'zero',
        ])
            ->assertOk()
            ->assertSee($nasty)
            ->assertDontSee('<script>alert', false);
        $this->does("lines/{$this->lineId()}", ['note' => $nasty])
            ->assertOk()
            ->assertDontSee('<script>alert', false);
        $this->does('cash', ['cash' => '1'])->assertOk();
        $this->does('post')->assertOk();
        $this->get("/documents/{$this->document()->label}")
            ->assertSee($nasty)
            ->assertDontSee('<script>alert', false);
        $this->get("/documents/{$this->document()->label}/invoice.pdf")->assertOk();
    }

    public function test_two_hundred_lines_are_just_a_long_slip(): void
    {
        $this->add('LH-1140');
        $line = $this->slip()->lines->firstOrFail()->getAttributes();
        unset($line['id']);
        DB::table('slip_lines')->insert(
            array_map(
                static fn (int $position): array => [...$line, 'position' => $position, 'note' => "no. {$position}"],
                range(2, 200),
            ),
        );
        $this->does('cash', ['cash' => '1000'])
            ->assertOk()
            ->assertSee('847.00');
        $this->does('post')->assertOk()->assertSee('Posted as');
        $this->assertCount(200, $this->document()->lines);
    }

    public function test_a_slip_keeps_its_price_and_says_when_the_list_has_moved(): void
    {
        $this->add('LH-1140');
        Item::query()
            ->where('code', 'LH-1140')
            ->update(['list_price' => '4.05']);
        $this->get("/counter/{$this->slip}")->assertSee('list price is now 4.05');
        $this->does("lines/{$this->lineId()}", ['quantity' => '2'])
            ->assertOk()
            ->assertSee('7.70');
        $this->does("lines/{$this->lineId()}", ['price' => ''])
            ->assertOk()
            ->assertSee('8.10');
    }

    public function test_an_item_taken_off_sale_while_on_a_slip_cannot_be_posted(): void
    {
        $this->add('LH-1140', 'LH-1141');
        Item::query()
            ->where('code', 'LH-1140')
            ->update(['active' => false]);
        $this->does('cash', ['cash' => '100'])
            ->assertOk()
            ->assertSee('Taken off sale');
        $this->does('post')->assertStatus(422)->assertSee('Remove it to post the rest');
        $this->does("lines/{$this->lineId()}/remove")->assertOk();
        $this->does('post')->assertOk();
        $this->slip = (string) Str::uuid();
        $this->does('add', ['entry' => 'LH-1140'])
            ->assertStatus(422)
            ->assertSee('not on sale any more');
    }

    public function test_a_slip_changed_on_another_screen_is_not_changed_blindly(): void
    {
        $this->add('LH-1140');
        $seen = (string) $this->slip()->version;
        $this->does("lines/{$this->lineId()}", ['quantity' => '5'])->assertOk();
        $this->does("lines/{$this->lineId()}", ['quantity' => '7', 'version' => $seen])
            ->assertStatus(422)
            ->assertSee('changed on another screen')
            ->assertSee('value="7"', false);
        $this->does('cash', ['cash' => '100'])->assertOk();
        $this->does('post', ['version' => $seen])
            ->assertStatus(422)
            ->assertSee('Look at the sum again');
        $this->assertSame('5', $this->slip()->lines->firstOrFail()->quantity->toString());
    }

    public function test_a_slip_set_aside_is_picked_up_at_another_till_of_the_same_place(): void
    {
        $this->add('LH-1140');
        $this->as('201', 2)
            ->get('/counter/'.Str::uuid())
            ->assertSee('1 at other tills');
        $this->does('add', ['entry' => 'LH-1141'])
            ->assertStatus(422)
            ->assertSee('Till 1 has picked this slip up');
        $this->post("/counter/{$this->slip}/pick-up")->assertRedirect("/counter/{$this->slip}");
        $this->add('LH-1141');
        $this->as('101', 3)
            ->from('/counter')
            ->post("/counter/{$this->slip}/pick-up")
            ->assertSessionHasErrors('refused');
    }

    public function test_a_sale_is_dated_into_an_open_day_by_who_may(): void
    {
        $this->add('LH-1140');
        $this->does('date', ['date' => now()->subDay()->format('Y-m-d')])
            ->assertStatus(422)
            ->assertSee('A supervisor can date');
        $this->as('201');
        $this->does('date', ['date' => now()->addDay()->format('Y-m-d')])
            ->assertStatus(422)
            ->assertSee('in the future');
        $this->does('date', ['date' => now()->subDays(4)->format('Y-m-d')])
            ->assertStatus(422)
            ->assertSee('is closed. The first open day is');
        $this->does('date', ['date' => '2027-99-01'])
            ->assertStatus(422)
            ->assertSee('is not a date');
        // There is no such day, and it is not the one after.
        $this->does('date', ['date' => now()->format('Y-02-30')])->assertStatus(422)->assertSee('is not a date');
        $this->does('date', ['date' => now()->subDay()->format('Y-m-d')])
            ->assertOk()
            ->assertSee('not today');
        $this->does('cash', ['cash' => '100']);
        $this->does('post')->assertOk();
        $this->assertTrue($this->document()->isBackdated());
        $this->get("/documents/{$this->document()->label}")->assertSee('Dated another day');
    }

    public function test_the_entry_line_answers_while_typing(): void
    {
        $number = $this->sell('LH-1140')->number;
        $this->get("/counter/{$this->slip}/find?q=4+x+lim*hook")
            ->assertOk()
            ->assertSeeInOrder(['LH-1140', '3.85', '49 here', 'LH-1141'])
            ->assertSee('as a one-off line');
        $this->get("/counter/{$this->slip}/find?q={$number}")
            ->assertOk()
            ->assertSee('INV-00000');
        $this->get("/counter/{$this->slip}/find?q=".urlencode('0 x hook'))
            ->assertOk()
            ->assertSee('more than zero');
        $this->get("/counter/{$this->slip}/find?q=".urlencode('%_\\'))->assertOk();
    }

    public function test_margin_and_floor_are_shown_to_those_allowed_and_only_on_request(): void
    {
        $this->add('2 x LH-1140');
        $this->get("/counter/{$this->slip}")
            ->assertDontSee('3.08')
            ->assertDontSee('Alt M</kbd></button>', false);
        $this->as('201')
            ->get("/counter/{$this->slip}")
            ->assertDontSee('3.08');
        $this->get("/counter/{$this->slip}/margin")
            ->assertOk()
            ->assertSee('3.08')
            ->assertSee('3.86')
            ->assertSee('50.13 %');
    }

    public function test_the_customer_display_follows_the_slip(): void
    {
        $this->add('2 x LH-1140');
        $this->get('/devices/display/1')
            ->assertOk()
            ->assertSeeInOrder(['Limestone hook', '7.70', '8.47'])
            ->assertDontSee('cost');
    }

    public function test_without_the_database_the_page_says_so_and_goes_on_when_it_is_back(): void
    {
        $this->add('LH-1140');
        config([
            'database.connections.gone' => [...config('database.connections.mariadb'), 'port' => 1],
            'database.default' => 'gone',
        ]);
        $this->get("/counter/{$this->slip}")
            ->assertStatus(503)
            ->assertSee('Nothing is lost');
        config(['database.default' => 'mariadb']);
        $this->get("/counter/{$this->slip}")
            ->assertOk()
            ->assertSee('LH-1140');
    }
}
