<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use DOMDocument;
use DOMXPath;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Quantity;
use Elmstone\Customers\Customer;
use Elmstone\Orders\Order;
use Elmstone\Orders\OrderSource;
use Elmstone\WebOrders\Address\KnowSender;
use Elmstone\WebOrders\Folder\ReadFolders;
use Elmstone\WebOrders\Sender;
use Elmstone\WebOrders\StandIn\ComposeOrder;
use Elmstone\WebOrders\StandIn\WebShopMood;
use Elmstone\WebOrders\WebOrder;
use Elmstone\WebOrders\WebOrderState;
use Illuminate\Filesystem\Filesystem;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;

/** Orders that programs send: taken at once where they agree, whole and once; else looked at by a person. */
final class WebOrderTest extends FeatureCase
{
    use Ordering;

    private string $token = '';

    private Sender $sender;

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->customer('Weir Masonry', [
            'phone' => '555 0134', 'street' => '12 Weir Lane', 'town' => 'Ashby Weir',
        ]);
        $this->as('301');
        $this->sender = $this->aSender('SHOP');
        $this->token = $this->sender->renewToken();
    }

    private function aSender(string $code): Sender
    {
        return Sender::query()->create([
            'code' => $code, 'name' => "Web shop {$code}", 'way' => 'parcel', 'active' => true, 'token_hash' => null,
            'token_end' => '', 'customer_id' => null,
            'location_id' => DB::table('locations')->where('code', 'HF')->value('id'),
            'staff_id' => DB::table('staff')->where('number', '301')->value('id'),
        ]);
    }

    private function written(
        string $number,
        WebShopMood $mood = WebShopMood::Right,
        bool $isBrought = false,
        ?Customer $customer = null,
        string ...$goods,
    ): string {
        return app(ComposeOrder::class)->of(
            $number,
            ($customer ?? $this->customer)->load('type.priceLevel'),
            array_map(function (string $one): array {
                [$many, $code] = explode(' ', $one);

                return [Item::query()->where('code', $code)->firstOrFail(), Quantity::of($many)];
            }, $goods === [] ? ['2 LH-1140', '3 LH-1141'] : array_values($goods)),
            $isBrought,
            $mood,
        );
    }

    /** @return TestResponse<Response> */
    private function sends(string $xml, ?string $token = null): TestResponse
    {
        return $this->call('POST', '/web/orders', [], [], [], [
            'HTTP_AUTHORIZATION' => 'Bearer '.($token ?? $this->token), 'CONTENT_TYPE' => 'application/xml',
        ], $xml);
    }

    /** @param  TestResponse<Response>  $answer */
    private function said(TestResponse $answer, string $path): string
    {
        $xml = new DOMDocument;
        $xml->loadXML((string) $answer->getContent());
        $path = preg_replace('/(^|\/)([A-Z])/', '$1*[local-name()=\'$2', $path) ?? '';
        $found = (new DOMXPath($xml))->query('//'.preg_replace('/([A-Za-z])(?=\/|$)/', '$1\']', $path));

        return $found === false ? '' : trim((string) $found->item(0)?->textContent);
    }

    private function web(string $number): WebOrder
    {
        return WebOrder::query()->with(['sender', 'order.allLines'])->where('number', $number)->firstOrFail();
    }

    public function test_what_agrees_is_an_order_at_once_and_says_so(): void
    {
        $answer = $this->sends($this->written('W-1', WebShopMood::Right, true))->assertOk();
        $web = $this->web('W-1');
        $order = $web->order;
        $this->assertInstanceOf(Order::class, $order);
        $this->assertSame(OrderSource::Web, $order->source);
        $this->assertSame('W-1', $order->their_number);
        $this->assertStringContainsString('12 Weir Lane', $order->deliver_to);
        $this->assertSame('AP', $this->said($answer, 'OrderResponseCode'));
        $this->assertSame($order->label, $this->said($answer, 'SalesOrderID'));
        $this->assertSame('W-1', $this->said($answer, 'OrderReference/ID'));
        $this->assertSame($order->total->toString(), $this->said($answer, 'LegalMonetaryTotal/PayableAmount'));
        $this->assertSame('10', $this->said($answer, 'OrderLine/LineItem/ID'));
        $this->assertSame('0 2 0 0', $this->line($this->theOrder($order->id)));
        $this->get("/orders/{$order->label}")->assertOk()->assertSee('from the web');
        $this->assertProves();
    }

    public function test_the_same_again_is_answered_the_same_and_other_contents_are_refused(): void
    {
        $xml = $this->written('W-1');
        $first = $this->sends($xml)->assertOk()->getContent();
        $this->assertSame($first, $this->sends($xml)->assertOk()->getContent());
        $this->assertSame(1, Order::query()->count());
        $this->sends($this->written('W-1', WebShopMood::SameNumber))->assertStatus(409);
        $this->assertSame(1, Order::query()->count());
        // Another sender has numbers of its own.
        $other = $this->aSender('OTHER');
        $this->sends($xml, $other->renewToken())->assertOk();
        $this->assertSame(2, Order::query()->count());
        $this->assertProves();
    }

    /** @return iterable<string, array{WebShopMood, string, array<string, mixed>}> wrong, what is said, decided */
    public static function moods(): iterable
    {
        yield 'unknown code' => [WebShopMood::UnknownCode, 'LH-1140-OLD', ['rows' => [['code' => 'LH-1140']]]];
        yield 'another price' => [WebShopMood::OtherPrice, 'our price is', [
            'rows' => [['price' => 'ours'], ['price' => 'theirs']],
        ]];
        yield 'an unknown buyer' => [WebShopMood::UnknownBuyer, '999999999', ['customer' => '1001']];
        yield 'a past day' => [WebShopMood::PastDay, 'past', ['any_day' => '1', 'wanted_on' => '']];
        yield 'a wrong sum' => [WebShopMood::WrongSum, 'come to', ['any_sum' => '1']];
    }

    /** @param  array<string, mixed>  $decided */
    #[DataProvider('moods')]
    public function test_what_does_not_agree_waits_whole_and_is_taken_by_a_person(
        WebShopMood $mood,
        string $says,
        array $decided,
    ): void {
        $answer = $this->sends($this->written('W-1', $mood))->assertStatus(202);
        $this->assertSame('AB', $this->said($answer, 'OrderResponseCode'));
        $this->assertStringContainsString($says, $this->said($answer, 'Note'));
        $this->assertSame(0, Order::query()->count());
        $web = $this->web('W-1');
        $this->get('/web-orders')->assertOk()->assertSee('W-1');
        $this->get("/web-orders/{$web->id}")->assertOk()->assertSee(Str::before($says, ' is'));
        // Nothing decided: nothing is taken.
        $this->post("/web-orders/{$web->id}/take", ['version' => '1'])->assertSessionHasErrors();
        isset($decided['customer']) && ($decided['customer'] = (string) $this->customer?->number);
        $this->as('101')->post("/web-orders/{$web->id}/take", ['version' => '1', ...$decided])->assertForbidden();
        $this->as('301')
            ->post("/web-orders/{$web->id}/take", ['version' => '1', ...$decided])
            ->assertSessionHasNoErrors();
        $this->assertSame(WebOrderState::Taken, $this->web('W-1')->state);
        $this->assertSame(1, Order::query()->count());
        $this->post("/web-orders/{$web->id}/take", ['version' => '1', ...$decided])->assertSessionHasErrors();
        $this->sends($this->written('W-1', $mood))->assertOk();
        $this->assertProves();
    }

    public function test_our_price_is_taken_as_it_was_seen(): void
    {
        $this->sends($this->written('W-1', WebShopMood::OtherPrice, false, null, '2 LH-1140'))->assertStatus(202);
        $web = $this->web('W-1');
        $page = (string) $this->get("/web-orders/{$web->id}")->getContent();
        preg_match('/name="rows\[0\]\[seen\]"\s+value="([^"]+)"/', $page, $seen);
        $decided = ['version' => '1', 'rows' => [['price' => 'ours', 'seen' => $seen[1] ?? '']]];
        $this->assertNotSame('', $decided['rows'][0]['seen']);
        Item::query()->where('code', 'LH-1140')->update(['list_price' => '9.99']);
        $this->post("/web-orders/{$web->id}/take", $decided)->assertSessionHasErrors();
        $this->assertStringContainsString('9.99', implode(' ', session('errors')->all()));
        $this->assertSame(0, Order::query()->count());
        $decided['rows'][0]['seen'] = '9.99';
        $this->post("/web-orders/{$web->id}/take", $decided)->assertSessionHasNoErrors();
    }

    public function test_prices_are_ours_or_theirs_line_by_line(): void
    {
        $this->sends($this->written('W-1', WebShopMood::OtherPrice))->assertStatus(202);
        $web = $this->web('W-1');
        $this->post("/web-orders/{$web->id}/take", [
            'version' => '1', 'rows' => [['price' => 'ours'], ['price' => 'theirs']],
        ])->assertSessionHasNoErrors();
        $lines = $this->web('W-1')->order?->lines();
        $item = $this->item('LH-1140');
        $this->assertTrue($lines?->first()?->unit_price->equals($item->list_price));
        $this->assertTrue($lines->last()?->unit_price->isLessThan($this->item('LH-1141')->list_price));
    }

    public function test_their_price_below_the_lowest_needs_another_person(): void
    {
        Item::query()->where('code', 'LH-1141')->update(['floor_price' => '500']);
        $this->sends($this->written('W-1', WebShopMood::OtherPrice))->assertStatus(202);
        $web = $this->web('W-1');
        $decided = ['version' => '1', 'rows' => [['price' => 'ours'], ['price' => 'theirs']]];
        $this->post("/web-orders/{$web->id}/take", $decided)->assertSessionHasErrors();
        $this->assertSame(0, Order::query()->count());
        $this->post("/web-orders/{$web->id}/take", [
            ...$decided, 'approver' => '901', 'approver_pin' => '4901', 'approver_reason' => 'agreed by telephone',
        ])->assertSessionHasNoErrors();
        $this->assertSame(1, DB::table('approvals')->count());
        $this->assertProves();
    }

    public function test_another_currency_can_only_be_refused_and_they_are_told_why(): void
    {
        $this->sends($this->written('W-1', WebShopMood::OtherCurrency))->assertStatus(202);
        $web = $this->web('W-1');
        $this->get("/web-orders/{$web->id}")->assertOk()->assertDontSee('Take it as an order');
        $this->post("/web-orders/{$web->id}/take", ['version' => '1'])->assertSessionHasErrors();
        $this->post("/web-orders/{$web->id}/refuse", ['version' => '1'])->assertSessionHasErrors();
        $this->post("/web-orders/{$web->id}/refuse", ['version' => '1', 'why' => 'We sell in dollars.'])
            ->assertSessionHasNoErrors();
        $answer = $this->get('/web/orders/W-1', ['Authorization' => "Bearer {$this->token}"])->assertOk();
        $this->assertSame('RE', $this->said($answer, 'OrderResponseCode'));
        $this->assertSame('We sell in dollars.', $this->said($answer, 'Note'));
        $this->assertProves();
    }

    public function test_a_line_is_left_out_and_nothing_at_all_is_no_order(): void
    {
        $this->sends($this->written('W-1', WebShopMood::UnknownCode))->assertStatus(202);
        $web = $this->web('W-1');
        $this->post("/web-orders/{$web->id}/take", [
            'version' => '1', 'rows' => [['without' => '1'], ['without' => '1']],
        ])->assertSessionHasErrors();
        $this->post("/web-orders/{$web->id}/take", ['version' => '1', 'rows' => [['without' => '1']]])
            ->assertSessionHasNoErrors();
        $this->assertSame([1 => '20'], $this->web('W-1')->line_ids);
    }

    /** @return iterable<string, array{string, int}> */
    public static function unreadable(): iterable
    {
        yield 'nothing' => ['', 400];
        yield 'no XML' => ['W-1;LH-1140;2', 400];
        yield 'another document' => ['<Invoice xmlns="urn:oasis:names:specification:ubl:schema:xsd:Invoice-2"/>', 422];
        yield 'no namespace' => ['<Order/>', 422];
        yield 'unfolding' => [
            '<!DOCTYPE o [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;">]>'
                .'<Order xmlns="urn:oasis:names:specification:ubl:schema:xsd:Order-2">&b;</Order>',
            400,
        ];
        yield 'another file' => [
            '<!DOCTYPE o SYSTEM "file:///etc/passwd">'
                .'<Order xmlns="urn:oasis:names:specification:ubl:schema:xsd:Order-2"/>',
            400,
        ];
        yield 'no number' => ['<Order xmlns="urn:oasis:names:specification:ubl:schema:xsd:Order-2"/>', 422];
    }

    #[DataProvider('unreadable')]
    public function test_what_cannot_be_read_is_refused_and_nothing_is_kept(string $xml, int $status): void
    {
        $this->sends($xml)->assertStatus($status);
        $this->assertSame(0, WebOrder::query()->count());
    }

    public function test_a_document_type_and_five_thousand_lines_are_refused(): void
    {
        $this->sends($this->written('W-1', WebShopMood::DocumentType))->assertStatus(400);
        $utf16 = mb_convert_encoding($this->written('W-1', WebShopMood::DocumentType), 'UTF-16', 'UTF-8');
        $this->sends("\xFE\xFF".str_replace(
            mb_convert_encoding('UTF-8', 'UTF-16', 'UTF-8'), mb_convert_encoding('UTF-16', 'UTF-16', 'UTF-8'), $utf16,
        ))->assertStatus(400);
        $this->sends($this->written('W-1', WebShopMood::TooLong))->assertStatus(413)->assertSee('5000 lines');
        $this->assertSame(0, WebOrder::query()->count());
    }

    /** @return iterable<string, array{string, string, int}> what is put in place of what, and what is answered */
    public static function oddNumbers(): iterable
    {
        yield 'no quantity' => ['<cbc:Quantity unitCode="C62">2</cbc:Quantity>', '', 202];
        yield 'below nothing' => ['>2</cbc:Quantity>', '>-2</cbc:Quantity>', 202];
        yield 'half a piece' => ['>2</cbc:Quantity>', '>0.5</cbc:Quantity>', 202];
        yield 'a million million' => ['>2</cbc:Quantity>', '>999999999999</cbc:Quantity>', 422];
        yield 'no number' => ['>2</cbc:Quantity>', '>two</cbc:Quantity>', 422];
        yield 'scientific' => ['>2</cbc:Quantity>', '>2e3</cbc:Quantity>', 422];
        yield 'another unit' => ['unitCode="C62">2<', 'unitCode="MTR">2<', 202];
        yield 'of nothing' => ['>1</cbc:BaseQuantity>', '>0</cbc:BaseQuantity>', 422];
        $price = '<cbc:PriceAmount currencyID="USD">';
        yield 'price below nothing' => [$price, "{$price}-", 202];
    }

    #[DataProvider('oddNumbers')]
    public function test_odd_numbers_make_no_order(string $what, string $by, int $status): void
    {
        $xml = $this->written('W-1');
        $this->assertStringContainsString($what, $xml);
        $this->sends(str_replace($what, $by, $xml))->assertStatus($status);
        $this->assertSame(0, Order::query()->count());
        $this->assertSame($status === 202 ? 1 : 0, WebOrder::query()->count());
        $status !== 202 || $this->get('/web-orders/'.$this->web('W-1')->id)->assertOk();
        $this->assertProves();
    }

    public function test_a_charge_of_theirs_and_what_they_take_off_are_looked_at(): void
    {
        $charge = '<cac:AllowanceCharge><cbc:ChargeIndicator>%s</cbc:ChargeIndicator><cbc:Amount currencyID="USD">%s'
            .'</cbc:Amount></cac:AllowanceCharge><cac:AnticipatedMonetaryTotal>';
        $with = fn (string $number, string ...$one): string => str_replace(
            '<cac:AnticipatedMonetaryTotal>',
            sprintf($charge, ...$one),
            $this->written($number, WebShopMood::Right, true),
        );
        $this->sends($with('W-1', 'true', '7.77'))->assertStatus(202);
        $this->sends($with('W-2', 'false', '5.00'))->assertStatus(202);
        $web = $this->web('W-1');
        $this->post("/web-orders/{$web->id}/take", ['version' => '1', 'freight' => 'theirs'])
            ->assertSessionHasNoErrors();
        $freight = $this->web('W-1')->order?->lines()->last();
        $this->assertTrue($freight?->isFreight());
        $this->assertSame('7.77', $freight->unit_price->toString());
        $web = $this->web('W-2');
        $this->post("/web-orders/{$web->id}/take", ['version' => '1', 'without_allowance' => '1'])
            ->assertSessionHasNoErrors();
        $this->assertProves();
    }

    public function test_what_the_account_does_not_allow_waits_and_another_person_allows_it(): void
    {
        $this->customer = $this->account('5.00', 'Small Limit Masonry');
        $this->sends($this->written('W-1'))->assertStatus(202);
        $this->assertSame(0, Order::query()->count());
        $web = $this->web('W-1');
        $this->get("/web-orders/{$web->id}")->assertOk()->assertSee('limit');
        $this->post("/web-orders/{$web->id}/take", ['version' => '1'])->assertSessionHasErrors();
        $this->post("/web-orders/{$web->id}/take", [
            'version' => '1', 'approver' => '901', 'approver_pin' => '4901', 'approver_reason' => 'a good customer',
        ])->assertSessionHasNoErrors();
        $this->assertTrue($this->web('W-1')->order?->is_charged);
        $this->assertProves();
    }

    public function test_a_firm_that_orders_for_itself_orders_for_nobody_else(): void
    {
        $this->sender->forceFill(['customer_id' => $this->customer?->id])->save();
        $other = $this->customer('Somebody Else', ['phone' => '555 0199']);
        $this->sends($this->written('2026/1'))->assertOk();
        $answer = $this->sends($this->written('2026/2', customer: $other))->assertStatus(202);
        $this->assertStringContainsString('for itself only', $this->said($answer, 'Note'));
        $nameless = preg_replace('/<cbc:SupplierAssignedAccountID>.*?<\/cbc:SupplierAssignedAccountID>/', '',
            $this->written('2026/3'));
        $this->sends((string) $nameless)->assertOk();
        $this->assertSame($this->customer?->id, $this->web('2026/3')->order?->customer_id);
        $this->get('/web/orders/2026/1', ['Authorization' => "Bearer {$this->token}"])->assertOk();
        $this->get('/web/orders/2026/1/despatches/1', ['Authorization' => "Bearer {$this->token}"])->assertStatus(404);
        $this->post('/web-orders/senders/SHOP', [
            'code' => 'SHOP', 'name' => 'Shop', 'way' => 'parcel', 'location' => $this->sender->location_id,
            'active' => '1', 'customer' => '999999999',
        ])->assertSessionHasErrors('customer');
    }

    public function test_who_may_send(): void
    {
        $xml = $this->written('W-1');
        $this->call('POST', '/web/orders', [], [], [], ['CONTENT_TYPE' => 'application/xml'], $xml)->assertStatus(401);
        $this->sends($xml, 'guessed')->assertStatus(401);
        $before = $this->token;
        $this->token = $this->sender->renewToken();
        $this->sends($xml, $before)->assertStatus(401);
        $this->sender->forceFill(['active' => false])->save();
        $this->sends($xml)->assertStatus(401);
        $this->assertSame(0, WebOrder::query()->count());
        $this->sender->forceFill(['active' => true])->save();
        $this->sends($xml)->assertOk();
        $other = $this->aSender('OTHER')->renewToken();
        $this->get('/web/orders/W-1', ['Authorization' => "Bearer {$other}"])->assertStatus(404);
    }

    public function test_guessing_and_flooding_end(): void
    {
        foreach (range(1, KnowSender::WRONG_A_MINUTE) as $try) {
            $this->sends('<x/>', "guess {$try}")->assertStatus(401);
        }

        $this->sends('<x/>', 'one more')->assertStatus(429)->assertHeader('Retry-After');
        $this->sends('<x/>')->assertStatus(429);
    }

    public function test_one_sender_sends_so_often_a_minute(): void
    {
        foreach (range(1, KnowSender::A_MINUTE) as $try) {
            app(\Illuminate\Cache\RateLimiter::class)->hit("web-orders {$this->sender->id}");
        }

        $this->sends($this->written('W-1'))->assertStatus(429);
        $this->assertSame(0, WebOrder::query()->count());
    }

    public function test_what_left_is_said_line_by_line(): void
    {
        $this->customer = $this->account('1000.00', 'Weir Masonry Two');
        $this->sends($this->written('W-1', WebShopMood::Right, true))->assertOk();
        $order = $this->theOrder((int) $this->web('W-1')->agreement_id);
        $this->get('/web/orders/W-1/despatches/1', ['Authorization' => "Bearer {$this->token}"])->assertStatus(404);
        $this->supplies($order, [1 => '1', 2 => '3'])->assertSessionHasNoErrors();
        $answer = $this->get('/web/orders/W-1/despatches/1', ['Authorization' => "Bearer {$this->token}"])->assertOk();
        $this->assertSame('1', $this->said($answer, 'DespatchLine/DeliveredQuantity'));
        $this->assertSame('1', $this->said($answer, 'DespatchLine/OutstandingQuantity'));
        $this->assertSame('10', $this->said($answer, 'DespatchLine/OrderLineReference/LineID'));
        $this->assertSame('W-1', $this->said($answer, 'OrderReference/ID'));
        $this->supplies($order, [1 => '1'])->assertSessionHasNoErrors();
        $answer = $this->get('/web/orders/W-1/despatches/2', ['Authorization' => "Bearer {$this->token}"])->assertOk();
        $this->assertSame('0', $this->said($answer, 'DespatchLine/OutstandingQuantity'));
        $web = $this->web('W-1');
        $this->get("/web-orders/{$web->id}")->assertOk()->assertSee('Despatch advice');
        $this->assertProves();
    }

    public function test_by_folder(): void
    {
        $root = sys_get_temp_dir().'/web-orders-'.Str::random(8);
        $folders = app(ReadFolders::class);
        $this->assertSame(0, $folders->handle($root));
        file_put_contents("{$root}/SHOP/in/a.xml", $this->written('W-1'));
        file_put_contents("{$root}/SHOP/in/b.xml", $this->written('../W-2', WebShopMood::UnknownCode));
        file_put_contents("{$root}/SHOP/in/c.xml", 'nonsense');
        file_put_contents("{$root}/SHOP/in/d.xml.part", 'half');
        $this->assertSame(3, $folders->handle($root));
        $this->assertSame(0, $folders->handle($root));
        $this->assertSame(WebOrderState::Taken, $this->web('W-1')->state);
        $this->assertFileExists("{$root}/SHOP/done/a.xml");
        $this->assertFileExists("{$root}/SHOP/refused/c.xml");
        $this->assertStringContainsString('XML', (string) file_get_contents("{$root}/SHOP/refused/c.txt"));
        $this->assertCount(2, glob("{$root}/SHOP/out/*.xml") ?: []);
        $order = $this->theOrder((int) $this->web('W-1')->agreement_id);
        $this->scans($order)->assertOk();
        $this->does('cash', ['cash' => '500'])->assertOk();
        $this->does('post')->assertOk();
        $web = $this->web('../W-2');
        $this->post("/web-orders/{$web->id}/take", ['version' => '1', 'rows' => [['code' => 'LH-1140']]])
            ->assertSessionHasNoErrors();
        $folders->handle($root);
        $folders->handle($root);
        $this->assertCount(4, glob("{$root}/SHOP/out/*.xml") ?: []);
        array_map(unlink(...), glob("{$root}/SHOP/out/*.xml") ?: []);
        $folders->handle($root);
        $this->assertCount(0, glob("{$root}/SHOP/out/*.xml") ?: [], 'what was taken away is not written again');
        (new Filesystem)->deleteDirectory($root);
        $this->assertProves();
    }

    public function test_by_file(): void
    {
        $file = UploadedFile::fake()->createWithContent('order.xml', $this->written('W-1'));
        $this->post('/web-orders', ['sender' => 'SHOP', 'file' => $file])->assertSessionHasNoErrors();
        $this->assertSame('file', $this->web('W-1')->via);
        $bad = UploadedFile::fake()->createWithContent('order.xml', 'nonsense');
        $this->post('/web-orders', ['sender' => 'SHOP', 'file' => $bad])->assertSessionHasErrors();
        $this->post('/web-orders', ['sender' => 'NOBODY', 'file' => $file])->assertSessionHasErrors();
        $this->get('/web-orders?state=taken')->assertOk()->assertSee('W-1');
        $web = $this->web('W-1');
        $this->get("/web-orders/{$web->id}/order.xml")->assertOk();
        $this->get("/web-orders/{$web->id}/response.xml")->assertOk()->assertSee('OrderResponse');
    }

    public function test_the_owner_of_the_list_gives_tokens_out_and_they_are_seen_once(): void
    {
        $this->as('101')->get('/web-orders/senders')->assertForbidden();
        $this->as('301')
            ->post('/web-orders/senders', [
                'code' => 'NEW', 'name' => 'Another', 'way' => 'delivery', 'location' => $this->sender->location_id,
            ])
            ->assertSessionHasNoErrors();
        $token = session('token');
        $this->assertIsString($token);
        $this->assertNull(Sender::withToken($token)?->customer_id);
        $this->assertSame('NEW', Sender::withToken($token)?->code);
        $this->get('/web-orders/senders')->assertOk()->assertSee($token);
        $this->get('/web-orders/senders')->assertOk()->assertDontSee($token);
        $this->post('/web-orders/senders/NEW/token')->assertSessionHasNoErrors();
        $this->assertNull(Sender::withToken($token));
        $this->post('/web-orders/senders', ['code' => 'new x', 'name' => ''])->assertSessionHasErrors(['code', 'name']);
        $this->post('/web-orders/senders', [
            'code' => 'FIRM', 'name' => 'A firm', 'way' => 'parcel', 'location' => $this->sender->location_id,
            'customer' => (string) $this->customer?->number,
        ])->assertSessionHasNoErrors();
        $this->assertSame($this->customer?->id, Sender::query()->where('code', 'FIRM')->value('customer_id'));
    }

    public function test_the_played_web_shop_places_right_and_wrong_orders(): void
    {
        $answers = [];

        foreach (WebShopMood::cases() as $mood) {
            $this->get('/devices/web-shop')->assertOk();
            $this->post('/devices/web-shop', [
                'mood' => $mood->value,
                'customer' => (string) $this->customer?->number,
                'rows' => [['code' => 'LH-1140', 'many' => '1']],
                'brought' => '1',
            ])->assertSessionHasNoErrors();
            $answers[] = session('status');
        }

        $this->assertSame([200, 202, 202, 202, 202, 202, 202, 202, 409, 400, 413, 401], $answers);
        $this->assertProves();
    }
}
