<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Practice;
use Elmstone\Books\Purpose;
use Elmstone\Cards\CardSubject;
use Elmstone\Cards\CardTill;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Slip\SlipState;
use Elmstone\Devices\NotConnected;
use Elmstone\Devices\ReceiptPrinter;
use Elmstone\Shop\Settings;
use Elmstone\Shop\Till;
use Elmstone\Stock\BringIn;
use Elmstone\Stock\Incoming;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** A till for training: everything is decided as it would be, nothing is posted, and it says so. */
final class TrainingTest extends FeatureCase
{
    use Returning;

    private int $account;

    /** What a practice must leave as it was. */
    private const KEPT = [
        'documents', 'document_lines', 'journal_entries', 'stock_movements', 'open_items', 'held_entries', 'gift_cards',
        'agreements', 'commitments', 'document_digests', 'paper_issues', 'outbox', 'terminal_requests', 'customers',
    ];

    protected function setUp(): void
    {
        parent::setUp();
        $this->account = $this->account('500.00', 'Ash Roofing')->id;
        DB::table('customers')->where('id', $this->account)->update(['phone' => '555 1111']);
        $this->as('901')->post('/tills/2/training', ['training' => '1'])->assertSessionHasNoErrors();
        $this->as('101', 2);
    }

    /** @return array<string, mixed> */
    private function state(): array
    {
        $rows = array_map($this->rows(...), self::KEPT);

        return [
            ...array_combine(self::KEPT, $rows),
            'series' => DB::table('series')->orderBy('kind')->pluck('last_number', 'kind')->all(),
            'stock' => DB::table('stock')->orderBy('item_id')->get(['item_id', 'on_hand', 'committed'])->all(),
            'heads' => DB::table('series_heads')->orderBy('kind')->pluck('digest', 'kind')->all(),
        ];
    }

    public function test_a_sale_is_practised_where_there_is_no_printer_and_says_so(): void
    {
        app()->bind(ReceiptPrinter::class, NotConnected::class);
        $this->add('LH-1140')->does('cash', ['cash' => '20'])->assertOk();
        $this->does('post')
            ->assertOk()
            ->assertSee('nothing was posted')
            ->assertSee('No printer is connected')
            ->assertDontSee('The paper says so, too');
        $this->assertSame(SlipState::Practised, $this->slip()->state);
    }

    public function test_a_sale_is_practised_and_nothing_of_it_stays(): void
    {
        $before = $this->state();
        $this->get("/counter/{$this->slip}")->assertSee('Training till');
        $this->add('2 x LH-1140')->does('post')->assertStatus(422)->assertSee('left to pay');
        $this->does('cash', ['cash' => '20'])->assertOk();
        $this->does('post')
            ->assertOk()
            ->assertSee('nothing was posted')
            ->assertSee('It would have been INV-')
            ->assertSee('11.53');
        $this->assertSame(SlipState::Practised, $this->slip()->state);
        $this->assertEquals($before, $this->state());
        $paper = (string) DB::table('printed_papers')->orderByDesc('id')->value('html');
        $this->assertStringContainsString('TRAINING', $paper);
        $this->assertStringContainsString('Limestone hook', $paper);
        $this->does('add', ['entry' => 'LH-1140', 'version' => ''])->assertStatus(422)->assertSee('was practised');
        $this->does('post')->assertStatus(422);
        $this->get("/counter/{$this->slip}")->assertOk()->assertSee('Training: nothing was posted');
        $this->assertProves();
    }

    public function test_charges_cards_layaways_gift_cards_and_returns_are_practised_too(): void
    {
        $sold = $this->as('101', 1)->sell('LH-1140');
        $this->as('101', 2);
        $before = $this->state();
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $this->account])->assertOk();
        $this->add('LH-1140')->does('charge', ['rest' => '1'])->assertOk();
        $this->does('post')->assertOk()->assertSee('nothing was posted');

        $this->slip = (string) Str::uuid();
        $this->add('MA-0031')->does('card')->assertOk()->assertSee('training');
        $this->does('post')->assertOk()->assertSee('nothing was posted');
        $this->assertSame(['given_back'], DB::table('card_requests')->distinct()->pluck('state')->all());

        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $this->account])->assertOk();
        $this->add('MA-0031')->does('hold', ['rest' => '1'])->assertOk();
        $this->does('cash', ['cash' => '100'])->assertOk();
        $this->does('post')->assertOk()->assertSee('nothing was posted');

        $this->slip = (string) Str::uuid();
        $this->does('gift-cards', ['worth' => '20'])->assertOk();
        $this->does('cash', ['cash' => '20'])->assertOk();
        $this->does('post')->assertOk()->assertSee('nothing was posted');

        $this->back($sold, [1 => '1'])->assertOk();
        $this->refund('cash')->assertOk();
        $this->does('post')->assertOk()->assertSee('nothing was posted');
        $this->assertEquals($before, $this->state());
        $this->assertProves();
    }

    public function test_nothing_else_is_done_at_it(): void
    {
        $before = $this->state();
        $this->as('301', 2);

        foreach (
            [
                ['/items/LH-1140', []],
                ['/coupons', []],
                ['/customers', ['name' => 'Somebody']],
            ] as [$url, $form]
        ) {
            $this->post($url, $form)->assertRedirect();
        }

        $this->does('new-customer', ['name' => 'Somebody', 'kind' => 'person'])
            ->assertStatus(422)
            ->assertSee('nobody is put on file');
        $this->assertEquals($before, $this->state());
    }

    /** Past the page: whoever posts with that till is refused by the books themselves. */
    public function test_the_books_take_nothing_from_it(): void
    {
        app(Settings::class)->forget();
        $till = Till::query()->findOrFail(2);
        $item = Item::query()->firstOrFail();
        $goods = [new Incoming($item, Quantity::of('1'), Money::of('1.00', Currency::of('USD')))];

        try {
            app(BringIn::class)->handle(
                $goods,
                Purpose::GoodsIn,
                PostedAt::till($till, $this->staff('301')->id),
                (string) Str::uuid(),
            );
            $this->fail('It was posted.');
        } catch (Refused $refused) {
            $this->assertSame('training', $refused->rule);
        }

        $this->assertSame(0, DB::table('documents')->where('till_id', 2)->count());
        $this->assertFalse(app(Practice::class)->isOn());
    }

    public function test_a_till_changes_its_kind_with_no_money_lying_on_it(): void
    {
        // A gift card alone gives a slip no title; a card that paid for it was never charged.
        $this->does('gift-cards', ['worth' => '20'])->assertOk();
        $this->does('card')->assertOk();
        $this->assertSame('', $this->slip()->title);
        $this->as('901')->post('/tills/2/training', ['training' => '0'])->assertSessionHasErrors('refused');
        $this->slip = (string) Str::uuid();
        $this->as('101', 1)->does('gift-cards', ['worth' => '20'])->assertOk();
        $this->does('card')->assertOk();
        $this->as('901')->post('/tills/1/training', ['training' => '1'])->assertSessionHasErrors('refused');
        $this->assertFalse(Till::query()->findOrFail(1)->training);
        $real = Till::query()->findOrFail(3);
        DB::transaction(fn () => app(CardTill::class)->write(
            CardSubject::slip(4711, (string) Str::uuid()),
            $real,
            $this->staff('101'),
            Money::of('5.00', Currency::of('USD')),
        ));
        $this->post('/tills/3/training', ['training' => '1'])->assertSessionHasErrors('refused');
        $this->assertFalse($real->refresh()->training, 'A silent terminal is asked again itself.');
    }

    public function test_what_is_practised_stays_there_and_what_is_real_does_not_go_there(): void
    {
        $this->add('LH-1140');
        $practised = $this->slip;
        $this->as('901')->post('/tills/2/training', ['training' => '0'])
            ->assertSessionHasErrors(['refused' => 'Till 2 has a slip set aside. Post or clear them first, or pick '
                .'them up at another till.']);
        $this->as('101', 1)->get('/counter/'.Str::uuid())->assertDontSee($practised);
        $this->post("/counter/{$practised}/pick-up")->assertSessionHasErrors();
        $this->slip = (string) Str::uuid();
        $this->add('LH-1141');
        $this->as('101', 2)->post("/counter/{$this->slip}/pick-up")->assertSessionHasErrors();
        $this->assertSame(1, $this->slip()->till_id);
        $this->slip = $practised;
        $this->does('clear')->assertOk();
        $this->as('201')->post('/tills/2/training', ['training' => '0'])->assertForbidden();
        $this->as('901')->post('/tills/2/training', ['training' => '0'])->assertSessionHasNoErrors();
        $this->as('101', 2);
        $this->assertNotSame('', $this->sell('LH-1140')->label);
        $this->assertProves();
    }
}
