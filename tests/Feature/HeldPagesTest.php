<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Books\Pages\PaperTrail;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Layaway\Ladder;
use Elmstone\Core\Layaway\Rhythm;
use Elmstone\Core\Layaway\Schedule;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Layaways\Layaway;
use Elmstone\Layaways\Pages\NextStep;
use Elmstone\Shop\House;
use Elmstone\Support\LadderPicture;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use SimpleXMLElement;

/** Pages and pictures of what is held, as people meet them. */
final class HeldPagesTest extends FeatureCase
{
    use Layaways;

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->customer('Wren Hollis', ['phone' => '555 0142']);
    }

    private static function ladder(string $paid, string $today): SimpleXMLElement
    {
        $usd = Currency::of('USD');
        $schedule = Schedule::of(Money::of('100.00', $usd), 4, CarbonImmutable::parse('2027-01-31'), Rhythm::Month);
        $svg = LadderPicture::svg(
            Ladder::of($schedule->instalments, Money::of($paid, $usd), CarbonImmutable::parse($today)),
            CarbonImmutable::parse($today),
        );
        self::assertStringNotContainsString('style=', $svg, 'The security policy refuses inline style.');
        $picture = simplexml_load_string($svg);
        self::assertInstanceOf(SimpleXMLElement::class, $picture);

        return $picture;
    }

    public function test_the_ladder_is_read_without_seeing_it(): void
    {
        $picture = self::ladder('40.00', '2027-03-10');

        $this->assertSame('img', (string) $picture['role']);
        $this->assertSame(
            'Payments as they fall due: 31 Jan 2027 25.00 met; 28 Feb 2027 25.00 partly met, 10.00 left; 31 Mar 2027 '
                .'25.00 next; 30 Apr 2027 25.00 later',
            (string) $picture['aria-label'],
        );
        $words = array_map(strval(...), $picture->xpath('//*[local-name()="text"]') ?: []);
        $this->assertContains('10.00 left', $words);
        $this->assertContains('today', $words);
        $this->assertContains('next', $words);
    }

    public function test_today_stands_between_what_was_due_and_what_will_be(): void
    {
        $order = static fn (string $today): array => array_values(
            array_filter(
                array_map(strval(...), self::ladder('0.00', $today)->xpath('//*[local-name()="text"]') ?: []),
                static fn (string $word): bool => $word === 'today' || str_contains($word, '2027'),
            ),
        );

        $this->assertSame('today', $order('2026-12-01')[0]);
        $this->assertSame(['31 Jan 2027', '28 Feb 2027', 'today', '31 Mar 2027', '30 Apr 2027'], $order('2027-03-10'));
        $this->assertSame('today', $order('2027-12-01')[4]);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> columns, what to do */
    public static function steps(): iterable
    {
        yield 'on its way' => [[], 'Wait for 31.02'];
        yield 'due today' => [['next_due' => '2027-03-10'], 'Take 31.02; call 555 0142 if they do not come'];
        yield 'behind' => [['behind_from' => '2027-03-01', 'next_due' => '2027-02-20'], 'Call 555 0142 about 31.02'];
        yield 'expired' => [['lapses_on' => '2027-03-09'], 'Extend or cancel: call 555 0142'];
        yield 'about to expire' => [['lapses_on' => '2027-03-15'], 'Call 555 0142: 186.12 is left'];
        yield 'to collect' => [
            ['state' => 'ready', 'paid_on' => '2027-03-09', 'shelf' => 'B 4'],
            'Hand over, stands on B 4',
        ];
        yield 'to collect for long' => [
            ['state' => 'ready', 'paid_on' => '2027-02-01'],
            'Hand over; call 555 0142',
        ];
        yield 'sold' => [['state' => 'completed'], 'Nothing; it is sold'];
        yield 'cancelled, still on the shelf' => [
            ['state' => 'cancelled', 'shelf' => 'B 4'],
            'Put the goods back from B 4',
        ];
    }

    /** @param  array<string, mixed>  $columns */
    #[DataProvider('steps')]
    public function test_each_says_what_to_do_next(array $columns, string $words): void
    {
        $this->hold('20.68', '2 x MA-0031');
        DB::table('agreements')->update([
            'next_due' => '2027-04-01',
            'next_open' => 3102,
            'behind_from' => '2027-04-09',
            'lapses_on' => '2027-06-01',
            'expires_on' => '2027-05-25',
            ...$columns,
        ]);
        ($columns['state'] ?? '') === 'ready' && DB::table('held_accounts')->update(['balance' => 20680]);
        $layaway = Layaway::query()->with('customer')->firstOrFail();

        $this->assertSame($words, NextStep::for($layaway, CarbonImmutable::parse('2027-03-10'), app(House::class)));
    }

    public function test_papers_of_a_layaway_lead_to_each_other(): void
    {
        $layaway = $this->hold('20.68', '2 x MA-0031');
        $receipt = $this->document();
        $this->payOn($layaway, '186.12', leaves: true)->assertOk();
        $invoice = Document::query()->with('refersTo')->where('kind', 'invoice')->sole();

        $this->assertStringContainsString($invoice->label, (new PaperTrail($receipt->load('refersTo')))->svg());
        $this->assertStringContainsString($receipt->label, (new PaperTrail($invoice))->svg());
        $this->get("/documents/{$receipt->label}")
            ->assertOk()
            ->assertSee('Paid on layaway')
            ->assertSee("Layaway {$layaway->label}");
        $this->get("/documents/{$invoice->label}")
            ->assertOk()
            ->assertSee("Layaway {$layaway->label}");
    }

    public function test_the_customers_page_shows_what_waits_for_them(): void
    {
        $layaway = $this->hold('20.68', '2 x MA-0031');
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $this->customer->id])->assertOk();
        $this->does('deposit', ['deposit_in' => '80'])->assertOk();
        $this->does('cash', ['cash' => '80'])->assertOk();
        $this->does('post')->assertOk();

        $this->get("/customers/{$this->customer->number}")
            ->assertOk()
            ->assertSee('Waiting for them')
            ->assertSee($layaway->label)
            ->assertSee('186.12 left')
            ->assertSee('80.00');
    }

    public function test_a_ladder_is_shown_only_while_there_is_something_to_pay(): void
    {
        $layaway = $this->hold('20.68', '2 x MA-0031');
        $this->get("/layaways/{$layaway->label}")
            ->assertOk()
            ->assertSee('ladder-svg', false);
        $this->payOn($layaway, '186.12', leaves: false)->assertOk();
        $this->get("/layaways/{$layaway->label}")
            ->assertOk()
            ->assertDontSee('ladder-svg', false)
            ->assertSee('Paid in full on');
        $this->post("/layaways/{$layaway->label}/collect")->assertSessionHasNoErrors();
        $this->get("/layaways/{$layaway->label}")
            ->assertOk()
            ->assertDontSee('ladder-svg', false)
            ->assertSee('Sold as');
    }

    public function test_a_payment_is_begun_from_the_layaways_page(): void
    {
        $layaway = $this->hold('20.68', '2 x MA-0031');
        $slip = (string) $this->post("/layaways/{$layaway->label}/pay")
            ->assertRedirect()
            ->headers->get('Location');
        $this->get($slip)->assertOk()->assertSee($layaway->label)->assertSee('Wren Hollis');
    }

    public function test_the_item_page_says_whether_serial_numbers_are_asked_for(): void
    {
        $item = Item::query()->where('code', 'MA-0031')->firstOrFail();
        $fields = [
            'code' => $item->code,
            'description' => $item->description,
            'department_id' => $item->department_id,
            'unit' => 'each',
            'price_per' => 1,
            'list_price' => '94',
            'cost' => '60',
            'tax_class' => 'standard',
            'active' => '1',
            'net_price' => '1',
        ];
        $this->as('301')
            ->post('/items/MA-0031', [...$fields, 'has_serials' => '1'])
            ->assertSessionHasNoErrors();
        $this->assertTrue($item->refresh()->has_serials);
        $this->post('/items/MA-0031', $fields)->assertSessionHasNoErrors();
        $this->assertFalse($item->refresh()->has_serials);
    }

    public function test_what_is_not_there_is_not_found(): void
    {
        foreach (
            [
                '/layaways/LAY-999999',
                '/layaways/LAY-999999/agreement.pdf',
                '/plans/PLN-999999',
                '/deposits/999999',
            ] as $page
        ) {
            $this->get($page)->assertNotFound();
        }

        $this->as('301')->get('/reminders/layaway:1:2027-01-01:1.pdf')->assertNotFound();
    }

    public function test_another_location_has_its_own_goods_set_aside(): void
    {
        $place = (int) DB::table('tills')->where('id', 3)->value('location_id');
        $layaway = $this->as('101', 3)->hold('10.40', 'MA-0031');

        $this->assertSame(
            [$place, [$place]],
            [$layaway->location_id, DB::table('stock')->where('committed', '>', 0)->pluck('location_id')->all()],
        );
        $this->assertProves();
    }
}
