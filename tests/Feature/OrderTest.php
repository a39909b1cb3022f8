<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use Elmstone\Books\Document;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Orders\Order;
use Elmstone\Orders\OrderState;
use Elmstone\Orders\OrderTerms;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;

/** Orders at the counter and in the office: taken, supplied whole and in part, changed, cancelled. */
final class OrderTest extends FeatureCase
{
    use Ordering;

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->customer('Weir Masonry', ['phone' => '555 0134', 'mail' => 'office@weir.example']);
    }

    public function test_an_order_with_a_deposit_is_handed_over_in_parts_that_sum_to_it(): void
    {
        $order = $this->order(['deposit' => '20'], '7 x LH-1140', '3 x LH-1141');
        $this->assertSame('44.17', $order->total->toString());
        $this->assertSame('20.00', $order->held()->toString());
        $this->assertSame('0 7 0 0', $this->line($order));
        $this->assertProves();

        $this->scans($order)->assertOk();
        $this->does("orders/{$order->label}/lines/1", ['quantity' => '3'])->assertOk();
        $this->does("orders/{$order->label}/lines/2", ['quantity' => '0'])->assertOk();
        $this->does('post')->assertOk();
        $first = Document::query()->where('supplies', $order->label)->with('tenders')->firstOrFail();
        $this->assertSame('12.71', $first->total->toString());
        $this->assertSame([TenderKind::OrderMoney], $first->tenders->pluck('kind')->all());
        $this->assertSame('7.29', $this->theOrder($order->id)->held()->toString());
        $this->assertSame('3 4 0 0', $this->line($order));
        $this->assertProves();

        $this->scans($order)->assertOk();
        $this->does('cash', ['cash' => '100'])->assertOk();
        $this->does('post')->assertOk();
        $order = $this->theOrder($order->id);
        $this->assertSame(OrderState::Supplied, $order->state);
        $this->assertSame('0.00', $order->held()->toString());
        $invoices = Document::query()->where('supplies', $order->label)->get();
        $this->assertSame('40.15', $invoices[0]->net->plus($invoices[1]->net)->toString(), 'the net of the order');
        $this->assertDrawersAreRight();
        $this->assertProves();
    }

    public function test_without_a_deposit_the_order_alone_is_taken_and_posted_once(): void
    {
        $this->readyToOrder([], '2 x LH-1140');
        $this->does('post')->assertOk();
        $this->does('post', ['version' => '9'])->assertOk();
        $this->assertSame(1, Order::query()->count());
        $this->assertNull($this->slip()->document_id);
        $this->get("/counter/{$this->slip}")->assertOk()->assertSee('Taken as');
        $order = $this->theOrder((int) $this->slip()->agreement_id);
        $this->get('/orders')->assertOk()->assertSee('Weir Masonry');
        $this->get("/orders/{$order->label}")->assertOk()->assertSee('Hand over at the counter');
        $this->assertSame(1, DB::table('printed_papers')->where('title', "{$order->label} confirmation")->count());
        $this->assertProves();
    }

    public function test_what_is_not_there_waits_and_the_rest_is_nobody_elses(): void
    {
        $first = $this->order([], '40 x LH-1140');
        $second = $this->order([], '20 x LH-1140');
        $this->assertSame('0 40 0 0', $this->line($first));
        $this->assertSame('0 10 10 0', $this->line($second), 'only ten were left');
        $this->slip = (string) Str::uuid();
        $this->add('LH-1140');
        $this->does('cash', ['cash' => '10'])->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('set aside for others');
        $this->does('clear')->assertOk();
        $this->as('301')->supplies($second, [1 => '11'])->assertSessionHasErrors('refused');
        $this->assertSame('0 10 10 0', $this->line($second), 'nothing is half posted');
        $this->assertProves();
    }

    public function test_a_card_on_file_pays_what_is_left_of_it(): void
    {
        $order = $this->order([], 'LH-1140');
        $this->as('301')->post("/customers/{$order->customer->number}/cards", [
            'key' => (string) Str::uuid(), 'consent' => 'telephone',
        ])->assertSessionHasNoErrors();
        $this->slip = (string) Str::uuid();
        $this->as('101')->add($order->label);
        $this->does("orders/{$order->label}/lines/1", ['quantity' => '0'])->assertOk();
        $this->does("orders/{$order->label}/amount", ['amount' => '4.24'])->assertOk();
        $this->does('card-on-file', [
            'on_file' => (string) DB::table('cards_on_file')->value('id'), 'absent' => '1', 'postcode' => '04417',
        ])->assertOk()->assertSee('postal code matches');
        $this->does('post')->assertOk();
        $this->assertProves();
    }

    public function test_how_much_is_set_aside_now_is_the_clerks_to_say(): void
    {
        $this->readyToOrder([], '10 x LH-1140');
        $this->does("order/lines/{$this->lineId()}", ['aside' => '4'])->assertOk()->assertSee('waits');
        $this->does('post')->assertOk();
        $order = $this->theOrder((int) $this->slip()->agreement_id);
        $this->assertSame('0 4 6 0', $this->line($order));
        $this->changes($order, 'allot', [])->assertSessionHasNoErrors();
        $this->assertSame('0 10 0 0', $this->line($order));
        $this->changes($order, 'allot', [])->assertSessionHasErrors('refused');
        $this->readyToOrder([], '60 x LH-1140');
        $this->does("order/lines/{$this->lineId()}", ['aside' => '61'])->assertStatus(422)->assertSee('Only 60');
        $this->does("order/lines/{$this->lineId()}", ['aside' => '50'])->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('Only 40');
    }

    public function test_what_leaves_is_paid_for_or_stays(): void
    {
        $order = $this->order([], '10 x LH-1140');
        $this->as('301')->supplies($order, [1 => '10'])->assertSessionHasErrors('refused');
        $this->assertStringContainsString('not paid yet', session('errors')->first('refused'));
        $this->as('101')->scans($order)->assertOk();
        $this->does("orders/{$order->label}/amount", ['amount' => '10'])->assertOk();
        $this->does('cash', ['cash' => '10'])->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('is not paid yet');
        $this->does("orders/{$order->label}/amount", ['amount' => '50'])->assertOk();
        $this->does('cash', ['cash' => '50'])->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('Only 42.35 is left to pay');
        $this->assertProves();
    }

    public function test_more_may_be_paid_than_leaves_and_pays_for_what_leaves_later(): void
    {
        $order = $this->order([], '10 x LH-1140');
        $this->scans($order)->assertOk();
        $this->does("orders/{$order->label}/lines/1", ['quantity' => '1'])->assertOk();
        $this->does("orders/{$order->label}/amount", ['amount' => '42.35'])->assertOk();
        $this->does('cash', ['cash' => '42.35'])->assertOk();
        $this->does('post')->assertOk();
        $this->as('301')->supplies($order, [1 => '9'])->assertSessionHasNoErrors();
        $this->assertSame(OrderState::Supplied, $this->theOrder($order->id)->state);
        $invoices = Document::query()->where('supplies', $order->label)->orderBy('id')->get();
        $this->assertSame('38.50', $invoices[0]->net->plus($invoices[1]->net)->toString());
        $this->assertSame(
            ['4.24', '38.12', '-0.01'],
            [
                $invoices[0]->total->toString(), $invoices[1]->total->toString(),
                $invoices[1]->cash_rounding->toString(),
            ],
            'the taxes of the parts come to a cent more than that of the whole, which was paid',
        );
        $this->assertProves();
    }

    public function test_an_order_that_is_charged_counts_on_the_account_and_is_asked_again_when_it_leaves(): void
    {
        $this->customer = $this->account('60.00', 'Crag Builders');
        $this->customer->update(['phone' => '555 0177']);
        $order = $this->order(['is_charged' => '1'], '10 x LH-1140');
        $account = fn (): HouseAccount => HouseAccount::query()->findOrFail($this->customer->id);
        $this->assertSame('42.35', $account()->orders->toString());
        $this->readyToOrder(['is_charged' => '1'], '5 x LH-1141');
        $this->does('post')->assertStatus(422);
        $this->does('approve', [
            'place' => 'order', 'approver' => '201', 'approver_pin' => '4201', 'approver_reason' => 'known builder',
        ])->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame('66.55', $account()->orders->toString());

        $this->as('301')->supplies($order, [1 => '4'])->assertSessionHasErrors('refused');
        $this->supplies($order, [1 => '4'], [
            'approver' => '901', 'approver_pin' => '4901', 'approver_reason' => 'they pay on Friday',
        ])->assertSessionHasNoErrors();
        $this->assertSame('49.61', $account()->orders->toString());
        $this->assertSame('16.94', $account()->balance->toString());
        DB::table('house_accounts')->update(['stopped' => true, 'stop_reason' => 'late']);
        $this->supplies($order, [1 => '4'], [
            'approver' => '901', 'approver_pin' => '4901', 'approver_reason' => 'they pay on Friday',
        ])->assertSessionHasErrors('refused');
        $this->assertProves();
    }

    public function test_tax_is_reckoned_anew_on_the_day_goods_leave(): void
    {
        $order = $this->order(['deposit' => '42.35'], '10 x LH-1140');
        DB::table('tax_components')->update(['rate' => '20']);
        app()->forgetScopedInstances();
        $this->scans($order)->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('3.85 is left to pay');
        $this->does('cash', ['cash' => '3.85'])->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame('46.20', $this->invoiceOf($order)->total->toString());
        $this->assertProves();
    }

    private function invoiceOf(Order $order): Document
    {
        return Document::query()->where('supplies', $order->label)->firstOrFail();
    }

    public function test_delivery_has_an_address_a_day_and_freight_once(): void
    {
        app(OrderTerms::class)->save([
            'freight.delivery' => [['up_to' => '10', 'charge' => '8.00'], ['up_to' => '', 'charge' => '25.00']],
        ]);
        DB::table('items')->where('code', 'LH-1140')->update(['weight' => '2']);
        $this->readyToOrder(['deliver_to' => ''], '4 x LH-1140', '1 x LH-1141');
        $this->does('order/terms', ['way' => 'delivery'])->assertOk()->assertSee('Delivery');
        $this->assertSame('8.0000', (string) DB::table('slip_lines')->where('code', 'FREIGHT')->value('unit_price'));
        $this->does('post')->assertStatus(422)->assertSee('where the goods are to be brought');
        $this->does('order/terms', ['way' => 'balloon'])->assertStatus(422)->assertSee('not a way for goods');
        $this->does('order/terms', ['source' => 'tea leaves'])->assertStatus(422)->assertSee('not a way for orders');
        $this->does('order/terms', ['deliver_to' => '4 Cutting Lane'])->assertOk();
        $past = ShopTime::today()->subDay()->format('Y-m-d');
        $this->does('order/terms', ['wanted_on' => $past])->assertStatus(422)->assertSee('is past');
        $sunday = ShopTime::today()->next('Sunday')->format('Y-m-d');
        $this->does('order/terms', ['wanted_on' => $sunday])->assertStatus(422)->assertSee('closed on Sunday');
        $day = ShopTime::today()->next('Monday')->format('Y-m-d');
        $this->does('order/terms', ['wanted_on' => $day, 'wanted_when' => 'morning'])->assertOk();
        $this->does('order/terms', ['deposit' => '30.58'])->assertOk();
        $this->does('cash', ['cash' => '30.58'])->assertOk();
        $this->does('post')->assertOk();
        $order = $this->theOrder((int) $this->slip()->agreement_id);
        $this->as('301')->supplies($order, [1 => '2'])->assertSessionHasNoErrors();
        $this->supplies($order, [1 => '2', 2 => '1'])->assertSessionHasNoErrors();
        $freight = DB::table('document_lines')->where('code', 'FREIGHT')->get();
        $this->assertCount(1, $freight);
        $this->assertSame(
            800,
            (int) DB::table('journal_lines')->where('account', 'freight')->sum(DB::raw('credit - debit')),
        );
        foreach (['confirmation', 'picking', 'delivery-note'] as $paper) {
            $this->get("/orders/{$order->label}/{$paper}.pdf")->assertOk();
        }
        $this->assertProves();
    }

    public function test_where_all_is_collected_after_all_there_is_no_freight(): void
    {
        $this->readyToOrder(['deliver_to' => '4 Cutting Lane', 'way' => 'delivery'], '2 x LH-1140');
        $this->does('order/terms', ['freight' => '12'])->assertOk();
        $this->does('post')->assertOk();
        $order = $this->theOrder((int) $this->slip()->agreement_id);
        $this->changes($order, 'change', ['way' => 'collect'])->assertSessionHasNoErrors();
        $this->scans($order)->assertOk();
        $this->does('cash', ['cash' => '20'])->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(OrderState::Supplied, $this->theOrder($order->id)->state);
        $this->assertSame('8.47', $this->invoiceOf($order)->total->toString());
        $this->assertProves();
    }

    public function test_a_change_is_a_revision_on_record_with_what_it_does_to_deposit_and_commitment(): void
    {
        $order = $this->order(['deposit' => '42.35'], '10 x LH-1140');
        $this->changes($order, 'change', ['quantity' => [1 => '6']])->assertSessionHasErrors('reason');
        $this->changes($order, 'change', ['quantity' => [1 => '6'], 'reason' => 'fewer'])->assertSessionHasNoErrors();
        $now = $this->theOrder($order->id);
        $this->assertSame(['25.41', '25.41'], [$now->total->toString(), $now->held()->toString()]);
        $this->assertSame('0 6 0 4', $this->line($order));
        $this->assertStringContainsString('16.94 paid on it is kept as a deposit', $now->changesMade->last()->what);
        $this->assertProves();

        $this->changes($order, 'change', ['quantity' => [1 => '8'], 'add' => 'LH-1141', 'add_quantity' => '2'])
            ->assertSessionHasNoErrors();
        $now = $this->theOrder($order->id);
        $this->assertSame(2, $now->revision);
        $this->assertSame('43.56', $now->total->toString());
        $this->assertSame('0 6 2 4', $this->line($order));
        $this->changes($order, 'change', ['add' => 'NO-SUCH'])->assertSessionHasErrors('add');
        $this->changes($order, 'change', ['version' => '1', 'note' => 'x'])->assertSessionHasErrors('refused');
        $this->assertProves();
    }

    public function test_cancelling_frees_goods_takes_the_fee_and_keeps_the_rest_for_the_customer(): void
    {
        app(OrderTerms::class)->save(['cancellation_fee' => '10']);
        $order = $this->order(['deposit' => '30'], '10 x LH-1140');
        $this->scans($order)->assertOk();
        $this->does("orders/{$order->label}/lines/1", ['quantity' => '2'])->assertOk();
        $this->does('post')->assertOk();
        $this->changes($order, 'cancel', ['reason' => ''])->assertSessionHasErrors('reason');
        $this->changes($order, 'cancel', ['reason' => 'job is off', 'waive' => '1'])->assertSessionHasErrors('refused');
        $this->changes($order, 'cancel', ['reason' => 'job is off'])->assertSessionHasNoErrors();
        $now = $this->theOrder($order->id);
        $this->assertSame(OrderState::Supplied, $now->state);
        $this->assertSame('0.00', $now->held()->toString());
        $this->assertSame('2 0 0 8', $this->line($order));
        $this->assertSame('3.39', Document::query()->where('purpose', 'fee')->firstOrFail()->total->toString());
        $this->assertSame(
            1814,
            (int) DB::table('held_accounts')->where('kind', 'deposit')->sum('balance'),
            '30.00 less 8.47 for what left, less the fee',
        );
        $this->assertSame('0.0000', (string) DB::table('stock')->where('item_id', $this->item('LH-1140')->id)
            ->value('committed'));
        $this->as('301')->supplies($order, [1 => '1'])->assertSessionHasErrors('refused');
        $this->assertProves();
    }

    public function test_a_deposit_below_the_least_is_anothers_to_allow(): void
    {
        $this->readyToOrder(['source' => 'special'], '10 x LH-1140');
        $this->assertSame('1059', (string) DB::table('slip_promises')->value('deposit'), 'a quarter is proposed');
        $this->does('order/terms', ['deposit' => '5'])->assertOk();
        $this->does('cash', ['cash' => '5'])->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('least deposit');
        $this->does('order/terms', ['deposit' => '43'])->assertOk();
        $this->does('cash', ['cash' => '43'])->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('more than the order comes to');
    }

    public function test_serial_numbers_are_taken_when_goods_leave(): void
    {
        DB::table('items')->where('code', 'MA-0031')->update(['has_serials' => true]);
        $order = $this->order(['deposit' => '103.40'], 'MA-0031');
        $this->as('301')->supplies($order, [1 => '1'])->assertSessionHasErrors('refused');
        $this->supplies($order, [1 => '1'], ['serials' => [1 => 'SN-77']])->assertSessionHasNoErrors();
        $this->assertSame('out', DB::table('item_serials')->where('serial', 'SN-77')->value('state'));
        $this->assertProves();
    }

    public function test_what_comes_back_of_an_order_goes_back_the_way_its_deposit_came(): void
    {
        $order = $this->order(['deposit' => '42.35'], '10 x LH-1140');
        $this->as('301')->supplies($order, [1 => '4'])->assertSessionHasNoErrors();
        $invoice = Document::query()->where('supplies', $order->label)->firstOrFail();
        $this->as('101');
        $this->slip = (string) Str::uuid();
        $this->does('back', ['document' => $invoice->label, 'back' => ['1' => '4']]);
        $this->assertProves();
    }

    /** @return iterable<string, array{string, array<string, mixed>}> */
    public static function badChanges(): iterable
    {
        yield 'a line that is not there' => ['change', ['quantity' => [9 => '1']]];
        yield 'no number' => ['change', ['quantity' => [1 => 'many']]];
        yield 'nothing changed' => ['change', ['note' => '']];
        yield 'a day that is past' => ['change', ['wanted_on' => '2020-01-01']];
        yield 'no day' => ['change', ['wanted_on' => 'soon']];
        yield 'supply of nothing' => ['supply', ['quantity' => []]];
        yield 'supply of more than left' => ['supply', ['quantity' => [1 => '11']]];
        yield 'supply below nothing' => ['supply', ['quantity' => [1 => '-1']]];
    }

    /** @param  array<string, mixed>  $fields */
    #[DataProvider('badChanges')]
    public function test_bad_input_is_said_and_nothing_changes(string $how, array $fields): void
    {
        $order = $this->order(['deposit' => '42.35'], '10 x LH-1140');
        $this->changes($order, $how, ['key' => (string) Str::uuid(), ...$fields])->assertSessionHasErrors();
        $this->assertSame('0 10 0 0', $this->line($order));
        $this->assertSame($order->version, $this->theOrder($order->id)->version);
    }

    public function test_freight_is_spread_over_deliveries_where_the_shop_wants_it_so_and_sums_exactly(): void
    {
        app(OrderTerms::class)->save(['freight_spread' => '1', 'freight_class' => 'standard', 'closed_weekdays' => '']);
        $this->customer = $this->account('1000.00', 'Firm by Lorry');
        $this->customer->update(['phone' => '555 0177']);
        $this->as('101')->readyToOrder(
            ['way' => 'delivery', 'deliver_to' => '4 Cutting Lane', 'is_charged' => '1', 'freight' => '10'],
            '7 x LH-1140', '3 x LH-1141',
        );
        $this->does('post')->assertOk();
        $order = $this->theOrder((int) $this->slip()->agreement_id);
        $net = BigDecimal::zero();
        $nets = [7 => $this->item('LH-1140')->list_price->value, 3 => $this->item('LH-1141')->list_price->value];
        $all = $nets[7]->multipliedBy(7)->plus($nets[3]->multipliedBy(3));
        $this->as('301');
        $before = BigDecimal::zero();

        foreach ([[1 => '2'], [2 => '1'], [1 => '5'], [2 => '2']] as $leaves) {
            $this->supplies($order, $leaves)->assertSessionHasNoErrors();
            $this->assertProves();
            $net = $net->plus($nets[isset($leaves[1]) ? 7 : 3]->multipliedBy($leaves[1] ?? $leaves[2]));
            // RULES: round(X × reached ÷ net) − X'
            $reached = $net->multipliedBy(10)->dividedBy($all, 2, RoundingMode::HALF_UP);
            $this->assertSame(
                (string) $reached->minus($before)->toScale(2),
                Document::query()->with('lines')->latest('id')->firstOrFail()->lines->whereNull('department_id')
                    ->firstOrFail()->gross->toString(),
            );
            $before = $reached;
        }

        $order = $this->theOrder($order->id);
        $this->assertSame('supplied', $order->state->value);
        $this->assertSame('0.00', $order->open_total->toString());
    }

    public function test_spread_freight_ends_with_what_is_cancelled(): void
    {
        app(OrderTerms::class)->save(['freight_spread' => '1', 'freight_class' => 'standard', 'closed_weekdays' => '']);
        $this->customer = $this->account('1000.00', 'Firm by Lorry');
        $this->customer->update(['phone' => '555 0177']);
        $this->as('101')->readyToOrder(
            ['way' => 'delivery', 'deliver_to' => '4 Cutting Lane', 'is_charged' => '1', 'freight' => '10.01'],
            '7 x LH-1140',
        );
        $this->does('post')->assertOk();
        $order = $this->theOrder((int) $this->slip()->agreement_id);
        $this->as('301')->supplies($order, [1 => '3'])->assertSessionHasNoErrors();
        $this->assertProves();
        $this->changes($order, 'cancel', ['reason' => 'enough'])->assertSessionHasNoErrors();
        $this->assertProves();
        $this->assertSame('supplied', $this->theOrder($order->id)->state->value);
    }

    public function test_a_slip_turns_back_into_a_sale_without_a_trace(): void
    {
        $this->readyToOrder(['way' => 'delivery', 'freight' => '10'], '2 x LH-1140');
        $this->does('order/drop')->assertOk();
        $this->assertSame(0, DB::table('slip_promises')->count());
        $this->does('cash', ['cash' => '20'])->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame('8.47', $this->document()->total->toString());
        $this->assertSame(0, Order::query()->count());
    }
}
