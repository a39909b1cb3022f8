<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Brick\Math\BigDecimal;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\Serials;
use Elmstone\Catalogue\Stock;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Layaways\Layaway;
use Elmstone\Returns\WriteOff;
use Elmstone\Returns\WriteOffLine;
use Elmstone\Returns\WriteOffReason;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** What is committed to others, and single pieces by their serial numbers. */
final class SetAsideTest extends FeatureCase
{
    use Layaways;

    private const APPROVAL = [
        'approver' => '201',
        'approver_pin' => '4201',
        'approver_reason' => 'another comes tomorrow',
    ];

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->customer('Wren Hollis', ['phone' => '555 0142']);
    }

    private function onHand(string $code, string $quantity): void
    {
        $item = Item::query()->where('code', $code)->firstOrFail();
        $till = Till::query()->findOrFail(1);
        $gone = BigDecimal::of(
            (string) DB::table('stock')
                ->where('item_id', $item->id)
                ->where('location_id', $till->location_id)
                ->value('on_hand'),
        )->minus($quantity);
        $line = new WriteOffLine(
            $item,
            Quantity::of((string) $gone->stripTrailingZeros()),
            WriteOffReason::Missing,
            '',
        );
        app(WriteOff::class)->handle(
            [$line],
            '',
            (string) Str::uuid(),
            $till,
            Staff::query()->where('number', '901')->firstOrFail(),
        );
    }

    private function serials(string $code): void
    {
        Item::query()
            ->where('code', $code)
            ->update(['has_serials' => true]);
    }

    public function test_the_counter_shows_what_is_committed_and_to_whom_and_the_last_one_takes_approval(): void
    {
        $this->onHand('MA-0031', '2');
        $layaway = $this->hold('20', 'MA-0031');
        $this->sell('MA-0031');
        $this->slip = (string) Str::uuid();
        $this->does('add', ['entry' => 'MA-0031', 'version' => ''])
            ->assertOk()
            ->assertSee("1 set aside for Wren Hollis ({$layaway->label})", false);
        $this->does('cash', ['cash' => '200'])->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('is set aside for others');
        $this->does('approve', [
            'place' => "line.{$this->lineId()}.committed",
            ...self::APPROVAL,
            'approver_pin' => '1111',
        ])->assertStatus(422);
        $this->does('approve', ['place' => "line.{$this->lineId()}.committed", ...self::APPROVAL])->assertOk();
        $this->does('post')->assertOk();

        $this->assertSame(
            ['0.0000', '1.0000'],
            [
                Stock::query()->where('committed', '>', 0)->value('on_hand'),
                Stock::query()->where('committed', '>', 0)->value('committed'),
            ],
        );
        $this->assertProves();
    }

    public function test_the_same_piece_is_not_promised_twice_without_approval(): void
    {
        $this->onHand('MA-0031', '1');
        $this->hold('20', 'MA-0031');
        $this->readyToHold('20', 'MA-0031');
        $this->does('cash', ['cash' => '20'])->assertOk();
        $this->does('post')->assertStatus(422);
        $this->does('approve', ['place' => "line.{$this->lineId()}.committed", ...self::APPROVAL])->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(2, Layaway::query()->count());
    }

    public function test_a_piece_is_named_when_it_is_sold_and_never_out_twice(): void
    {
        $this->serials('MA-0031');
        $this->add('2 x MA-0031');
        $this->does('cash', ['cash' => '300'])->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('has serial numbers');
        $this->does("lines/{$this->lineId()}", ['serials' => 'TS-1'])
            ->assertOk()
            ->assertSee('2 of them, but 1 serial number');
        $this->does("lines/{$this->lineId()}", ['serials' => 'TS-1, TS-1'])
            ->assertStatus(422)
            ->assertSee('stands here twice');
        $this->does("lines/{$this->lineId()}", ['serials' => 'TS-1, TS-2'])->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(['TS-1', 'TS-2'], $this->document()->lines->sole()->serials);
        $this->get("/documents/{$this->document()->label}/invoice")
            ->assertOk()
            ->assertSee('TS-1, TS-2');
        $sold = $this->document()->label;

        $this->slip = (string) Str::uuid();
        $this->add('MA-0031');
        $this->does("lines/{$this->lineId()}", ['serials' => 'TS-2'])->assertOk();
        $this->does('cash', ['cash' => '300'])->assertOk();
        $this->does('post')
            ->assertStatus(422)
            ->assertSee("left the house with {$sold}");
        $this->assertProves();
    }

    public function test_a_piece_is_kept_on_the_layaway_and_wanted_before_the_goods_leave(): void
    {
        $this->serials('MA-0031');
        $named = $this->hold('103.40', 'MA-0031');
        $this->post("/layaways/{$named->label}/collect")->assertSessionHasErrors('refused');
        $this->as('201');
        $this->post("/layaways/{$named->label}/lines", [
            'version' => $named->version,
            'serials' => ['1' => 'TS-7'],
        ])->assertSessionHasNoErrors();
        $this->as('101');

        $this->slip = (string) Str::uuid();
        $this->add('MA-0031');
        $this->does("lines/{$this->lineId()}", ['serials' => 'TS-7'])->assertOk();
        $this->does('cash', ['cash' => '300'])->assertOk();
        $this->does('post')
            ->assertStatus(422)
            ->assertSee("is set aside on {$named->label}");

        $this->post("/layaways/{$named->label}/collect")->assertSessionHasNoErrors();
        $this->assertSame('out', DB::table('item_serials')->where('serial', 'TS-7')->value('state'));
        $this->assertProves();
    }

    public function test_a_piece_of_a_cancelled_layaway_is_free_again(): void
    {
        $this->serials('MA-0031');
        $this->readyToHold('50', 'MA-0031');
        $this->does("lines/{$this->lineId()}", ['serials' => 'TS-9'])->assertOk();
        $this->does('cash', ['cash' => '50'])->assertOk();
        $this->does('post')->assertOk();
        $layaway = Layaway::query()->firstOrFail();
        $this->assertSame('aside', DB::table('item_serials')->value('state'));
        $this->as('201')
            ->post("/layaways/{$layaway->label}/cancel", [
                'key' => (string) Str::uuid(),
                'version' => $layaway->version,
                'reason' => 'x',
                'back' => ['cash' => '40'],
            ])
            ->assertSessionHasNoErrors();

        $this->assertSame('in', DB::table('item_serials')->value('state'));
        $this->assertProves();
    }

    public function test_serial_numbers_are_read_as_they_are_typed(): void
    {
        $this->assertSame(['A1', 'B-2', 'C3'], Serials::read(" A1;B-2,\nC3 "));
        $this->assertSame([], Serials::read('  '));
        $this->expectException(Refused::class);
        Serials::read(str_repeat('9', 41));
    }
}
