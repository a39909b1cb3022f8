<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Elmstone\Books\DocumentTender;
use Elmstone\Books\HeldKind;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\Stock;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Counter\Post\PostSale;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Layaways\Layaway;
use Elmstone\Layaways\LayawayState;
use Elmstone\Shop\TaxComponentRecord;
use Elmstone\Shop\Till;
use Elmstone\Staff\Approvals\Approval;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;

final class LayawayTest extends FeatureCase
{
    use Layaways;

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->customer('Wren Hollis', ['phone' => '555 0142', 'mail' => 'wren@example.test']);
    }

    private function committed(string $code): string
    {
        return (string) Stock::query()
            ->where('item_id', Item::query()->where('code', $code)->value('id'))
            ->orderBy('location_id')
            ->value('committed');
    }

    public function test_goods_are_set_aside_against_a_deposit_in_one_pass(): void
    {
        $layaway = $this->hold('', '2 x MA-0031');

        $this->assertSame(
            [20680, 2068, LayawayState::Running],
            [$layaway->total->minor, $layaway->held()->minor, $layaway->state],
        );
        $this->assertSame(sprintf('LAY-%06d', $layaway->id), $layaway->label);
        $this->assertSame(
            $layaway->total->minor - $layaway->held()->minor,
            (int) $layaway->allInstalments->sum('amount.minor'),
        );
        $this->assertSame('2.0000', $this->committed('MA-0031'));
        $this->assertSame(0, Document::query()->where('kind', 'invoice')->count(), 'No sale until it is paid in full.');
        $receipt = $this->document();
        $this->assertSame(
            [2068, 2068, 0],
            [$receipt->total->minor, $receipt->held(HeldKind::Layaway)->minor, $receipt->on_account->minor],
        );
        $this->assertProves();
    }

    public function test_the_papers_say_what_was_paid_and_what_is_left(): void
    {
        $layaway = $this->hold('20.68', '2 x MA-0031');
        $this->payOn($layaway, '50')->assertOk();
        $paper = $this->get('/documents/RCT-000002/receipt')->assertOk();

        foreach (
            ['Value of the goods', '206.80', '20.68', '50.00', '70.68', '136.12', $layaway
                ->label, 'Set aside until'] as $words
        ) {
            $paper->assertSee($words);
        }

        $this->assertStringNotContainsString(
            '70.68',
            (string) $this->get('/documents/RCT-000001/receipt')->getContent(),
            'A reprint is the paper as it was.',
        );
        $this->assertSame(3, DB::table('printed_papers')->count(), 'Two receipts and the agreement.');
        $this->get("/layaways/{$layaway->label}/agreement.pdf")
            ->assertOk()
            ->assertHeader('Content-Type', 'application/pdf');
    }

    public function test_after_a_power_cut_between_payment_and_paper_the_first_print_is_the_original(): void
    {
        $layaway = $this->hold('20.68', '2 x MA-0031');
        $this->slip = (string) Str::uuid();
        $this->does('add', ['entry' => $layaway->label, 'version' => ''])->assertOk();
        $this->does('cash', ['cash' => '100'])->assertOk();
        $posted = app(PostSale::class)->handle(
            $this->slip,
            new Act(
                (string) Str::uuid(),
                $this->staff('101'),
                Till::query()->with('location')->findOrFail(1),
                $this->slip()->version,
            ),
        );
        $receipt = Document::query()->findOrFail($posted->documentId);
        $paper = static fn (): string => (string) DB::table('printed_papers')->latest('id')->value('html');

        // What had to come out was written down with the posting.
        $this->assertSame(0, Artisan::call('outbox:send'));
        $this->assertStringNotContainsString('COPY', $first = $paper());
        $this->assertStringContainsString('Left to pay', $first);
        $this->post("/documents/{$receipt->label}/print")->assertRedirect();
        $this->assertStringContainsString('COPY', $paper());
        $this->post("/layaways/{$layaway->label}/print")->assertRedirect();
        $this->assertStringContainsString(
            'Layaway agreement',
            (string) DB::table('printed_papers')->latest('id')->value('html'),
        );
    }

    public function test_what_is_paid_on_it_is_bounded_by_the_database_itself(): void
    {
        $layaway = $this->hold('20.68', '2 x MA-0031');
        $this->assertThrows(
            static fn () => DB::transaction(
                static fn () => DB::table('held_accounts')->where('id', $layaway->account_id)->update([
                    'balance' => $layaway->total->minor + 1,
                ]),
            ),
            QueryException::class,
            'More is paid on it than it comes to',
        );
        $this->assertThrows(
            static fn () => DB::transaction(
                static fn () => DB::table('agreements')->where('id', $layaway->id)->update(['total' => 2067]),
            ),
            QueryException::class,
            'More is paid on it than it comes to',
        );
    }

    public function test_the_invoice_says_who_rang_it_up_and_whose_sale_it_is(): void
    {
        $layaway = $this->hold('20.68', '2 x MA-0031');
        $this->as('201');
        $this->payOn($layaway, '186.12');
        $this->does("layaways/{$layaway->label}/leaves", ['leaves' => '1'])->assertOk();
        $this->does('post')->assertOk();
        $invoice = Document::query()->where('kind', 'invoice')->sole();

        $this->assertSame(
            ['201', '101'],
            [(string) $invoice->staff->number, (string) $invoice->seller->number],
        );
        $this->get("/documents/{$invoice->label}")->assertOk()->assertSee('Sale of');
    }

    public function test_the_last_payment_asks_whether_the_goods_leave(): void
    {
        $layaway = $this->hold('20.68', '2 x MA-0031');
        $this->payOn($layaway, '186.12')->assertStatus(422)->assertSee('Do the goods leave now?');
        $this->does("layaways/{$layaway->label}/leaves", ['leaves' => '1'])->assertOk();
        $this->does('post')->assertOk();
        $invoice = Document::query()
            ->with(['tenders', 'lines'])
            ->where('kind', 'invoice')
            ->firstOrFail();

        $this->assertSame([20680, -20680], [$invoice->total->minor, $invoice->held(HeldKind::Layaway)->minor]);
        $this->assertSame([TenderKind::LayawayMoney], $invoice->tenders->pluck('kind')->all());
        $this->assertSame(
            [LayawayState::Completed, 0, $invoice->id],
            [$this->again($layaway)->state, $this->again($layaway)->held()->minor, $this->again($layaway)->document_id],
        );
        $this->assertSame('0.0000', $this->committed('MA-0031'));
        $this->get("/documents/{$invoice->label}/invoice")
            ->assertOk()
            ->assertSee('186.12')
            ->assertSee('20.68');
        $this->assertProves();
    }

    public function test_paid_off_the_goods_may_wait_and_be_collected_later(): void
    {
        $layaway = $this->hold('20.68', '2 x MA-0031');
        $this->payOn($layaway, '186.12', leaves: false)->assertOk();
        $this->assertSame(
            [LayawayState::Ready, 20680],
            [$this->again($layaway)->state, $this->again($layaway)->held()->minor],
        );
        $this->assertSame('2.0000', $this->committed('MA-0031'));

        $this->slip = (string) Str::uuid();
        $this->does('add', ['entry' => strtolower($layaway->label), 'version' => ''])
            ->assertOk()
            ->assertSee('Hand over goods');
        $this->does('post')->assertOk();
        $this->assertSame(LayawayState::Completed, $this->again($layaway)->state);
        $this->assertProves();
    }

    public function test_collected_from_its_page(): void
    {
        $layaway = $this->hold('103.40', 'MA-0031');
        $this->assertSame(LayawayState::Ready, $layaway->state);
        $this->post("/layaways/{$layaway->label}/collect")
            ->assertRedirect()
            ->assertSessionHasNoErrors();
        $this->post("/layaways/{$layaway->label}/collect")
            ->assertRedirect()
            ->assertSessionHasNoErrors();

        $this->assertSame(1, Document::query()->where('kind', 'invoice')->count());
        $this->assertProves();
    }

    public function test_several_are_paid_in_one_visit_together_with_a_sale(): void
    {
        $one = $this->hold('20.68', '2 x MA-0031');
        $other = $this->hold('10.34', 'MA-0031');
        $this->slip = (string) Str::uuid();
        $this->does('add', ['entry' => $one->label, 'version' => ''])->assertOk();
        $this->does('add', ['entry' => $other->label, 'version' => ''])->assertOk();
        $this->add('LH-1140');
        $this->does("layaways/{$one->label}/amount", ['amount' => '30'])->assertOk();
        $this->does("layaways/{$other->label}/amount", ['amount' => '20'])->assertOk();
        $this->does('card', ['card' => '50'])->assertOk();
        $this->does('cash', ['cash' => '10'])->assertOk();
        $this->does('post')->assertOk();

        $receipt = Document::query()->with('tenders')->findOrFail($this->slip()->receipt_id);
        $this->assertSame(
            [424, 5000, 5000],
            [$this->document()->total->minor, $receipt->total->minor, $receipt->held(HeldKind::Layaway)->minor],
        );
        $this->assertSame([5068, 3034], [$this->again($one)->held()->minor, $this->again($other)->held()->minor]);
        $this->assertProves();
    }

    public function test_it_is_paid_in_another_way_each_time(): void
    {
        $layaway = $this->hold('20.68', '2 x MA-0031');
        $this->slip = (string) Str::uuid();
        $this->does('add', ['entry' => $layaway->label, 'version' => ''])->assertOk();
        $this->does("layaways/{$layaway->label}/amount", ['amount' => '60'])->assertOk();
        $this->does('card', ['card' => '25'])->assertOk();
        $this->does('cheque', ['cheque' => '35', 'cheque_number' => '118'])->assertOk();
        $this->does('post')->assertOk();

        $this->assertSame(
            ['card' => 2500, 'cheque' => 3500],
            $this->document()
                ->tenders->mapWithKeys(
                    static fn (DocumentTender $tender): array => [$tender->kind->value => $tender->amount->minor],
                )
                ->all(),
        );
        $this->assertProves();
    }

    public function test_a_deposit_below_the_least_takes_a_supervisor(): void
    {
        $this->readyToHold('5', '2 x MA-0031');
        $this->does('cash', ['cash' => '5'])->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('at least 20.68');
        $this->does('approve', [
            'place' => 'hold',
            'approver' => '201',
            'approver_pin' => '4201',
            'approver_reason' => 'known to us',
        ])->assertOk();
        $this->does('post')->assertOk();

        $this->assertSame('layaway_deposit', Approval::query()->latest('id')->value('what'));
        $this->assertSame(500, Held::of(HeldKind::Layaway));
    }

    public function test_an_approval_holds_for_no_smaller_deposit(): void
    {
        $this->readyToHold('5', '2 x MA-0031');
        $this->does('approve', [
            'place' => 'hold',
            'approver' => '201',
            'approver_pin' => '4201',
            'approver_reason' => 'known to us',
        ])->assertOk();
        $this->does('hold', ['hold' => '4'])->assertOk();
        $this->does('cash', ['cash' => '5'])->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('at least 20.68');
    }

    public function test_a_payment_below_the_least_takes_a_supervisor(): void
    {
        $layaway = $this->hold('20.68', '2 x MA-0031');
        $this->payOn($layaway, '1')->assertStatus(422)->assertSee('at least 18.61');
        $this->does('approve', [
            'place' => "layaway.{$layaway->id}",
            'approver' => '201',
            'approver_pin' => '0000',
            'approver_reason' => 'x',
        ])->assertStatus(422);
        $this->does('approve', [
            'place' => "layaway.{$layaway->id}",
            'approver' => '201',
            'approver_pin' => '4201',
            'approver_reason' => 'short this week',
        ])->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(2168, $this->again($layaway)->held()->minor);
    }

    public function test_what_remains_may_always_be_paid_whole(): void
    {
        $layaway = $this->hold('205', '2 x MA-0031');
        $this->payOn($layaway, '1.80', leaves: true)->assertOk();
        $this->assertSame(LayawayState::Completed, $this->again($layaway)->state);
    }

    public function test_more_than_remains_is_refused_and_nothing_is_posted(): void
    {
        $layaway = $this->hold('20.68', '2 x MA-0031');
        $before = $this->rows('documents');
        $this->payOn($layaway, '186.13')->assertStatus(422)->assertSee('Only 186.12 is left');
        $this->assertSame($before, $this->rows('documents'));
        $this->assertSame(
            '186.13',
            $this->slip()->layawayParts()[$layaway->id]->amount->toString(),
            'What was typed stays.',
        );
    }

    public function test_a_layaway_needs_somebody_who_can_be_reached(): void
    {
        $this->add('MA-0031');
        $this->does('hold', ['hold' => '50'])
            ->assertStatus(422)
            ->assertSee('needs a named customer');
        $this->customer = $this->customer('Nobody Knows');
        $this->readyToHold('50', 'MA-0031');
        $this->does('cash', ['cash' => '50'])->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('no way to reach Nobody Knows');
    }

    public function test_the_first_payment_cannot_be_due_in_the_past_nor_the_last_after_the_end(): void
    {
        $this->readyToHold('50', 'MA-0031');
        $this->does('hold/terms', ['first_due' => now()->subDay()->format('Y-m-d')])
            ->assertOk()
            ->assertSee('falls due after the day');
        $this->does('hold/terms', ['first_due' => now()->addDays(10)->format('Y-m-d')])->assertOk();
        $this->does('hold/terms', ['count' => '60'])
            ->assertStatus(422)
            ->assertSee('below the least payment agreed. Take 10 at most');
        $this->does('hold/terms', ['first_due' => now()->addDays(80)->format('Y-m-d')])
            ->assertOk()
            ->assertSee('after the layaway has expired');
        $this->does('hold/terms', ['count' => '0'])
            ->assertStatus(422)
            ->assertSee('between 1 and 120');
        $this->does('hold/terms', ['count' => 'six'])->assertStatus(422);
        foreach (['31.2.2027', '2027-02-31'] as $typed) {
            $this->does('hold/terms', ['first_due' => $typed])->assertStatus(422)->assertSee('is not a date');
        }

        $this->does('cash', ['cash' => '50'])->assertOk();
        $this->does('post')->assertStatus(422);
        $this->assertSame(0, Layaway::query()->count());
    }

    public function test_only_the_right_role_changes_the_terms(): void
    {
        $this->readyToHold('50', 'MA-0031');
        $this->does('hold/terms', ['cancellation_fee' => '0'])
            ->assertStatus(422)
            ->assertSee('Only a supervisor or the office');
        $this->does('hold/terms', ['expires_on' => now()->addYear()->format('Y-m-d')])->assertStatus(422);
        $this->does('hold/terms', ['rhythm' => 'month'])->assertOk();
        $this->as('201');
        $this->does('hold/terms', ['cancellation_fee' => '5 % 2.00'])->assertOk();
        $this->does('hold/terms', ['min_deposit' => '101 %'])->assertStatus(422);
        $this->does('cash', ['cash' => '50'])->assertOk();
        $this->does('post')->assertOk();

        $this->assertSame(
            '5 %, at least 2.00',
            Layaway::query()
                ->firstOrFail()
                ->agreedTerms()
                ->words('cancellation_fee'),
        );
    }

    public function test_the_signature_is_kept_and_void_once_something_changes(): void
    {
        $this->readyToHold('50', 'MA-0031');
        $this->does('hold/sign', ['signature' => 'M1 2 <script>'])->assertStatus(422);
        $this->does('hold/sign', ['signature' => 'M10 20 L30 40 L50 20 M60 60 L70 70', 'signed_by' => 'Wren Hollis'])
            ->assertOk()
            ->assertSee('signed');
        $this->does('hold', ['hold' => '60'])
            ->assertOk()
            ->assertSee('changed since it was signed');
        $this->does('hold/sign', ['signature' => 'M10 20 L30 40', 'signed_by' => 'Wren Hollis'])->assertOk();
        $this->does('cash', ['cash' => '60'])->assertOk();
        $this->does('post')->assertOk();

        $this->assertSame(
            ['M10 20 L30 40', 'Wren Hollis'],
            [Layaway::query()->sole()->signature, Layaway::query()->sole()->signed_by],
        );
    }

    public function test_prices_and_tax_of_the_agreement_hold_whatever_they_are_later(): void
    {
        $layaway = $this->hold('20.68', '2 x MA-0031');
        Item::query()
            ->where('code', 'MA-0031')
            ->update(['list_price' => '150', 'active' => false]);
        TaxComponentRecord::query()->update(['rate' => '19']);
        $this->get("/layaways/{$layaway->label}")
            ->assertOk()
            ->assertSee('The agreement’s rates hold')
            ->assertSee('the agreed price holds')
            ->assertSee('not on sale any more');
        $this->payOn($layaway, '186.12', leaves: true)->assertOk();

        $this->assertSame(20680, Document::query()->where('kind', 'invoice')->toBase()->value('total'));
        $this->assertProves();
    }

    public function test_cancelled_the_fee_stays_and_the_rest_goes_back_as_it_came(): void
    {
        $layaway = $this->hold('20.68', '2 x MA-0031');
        $this->payOn($layaway, '40')->assertOk();
        $this->as('201');
        $order = [
            'key' => (string) Str::uuid(),
            'version' => $this->again($layaway)->version,
            'reason' => 'moves away',
            'form' => 'cancel',
        ];
        $this->post("/layaways/{$layaway->label}/cancel", [
            ...$order,
            'back' => ['cash' => '60.68'],
        ])->assertSessionHasErrors('refused');
        $this->post("/layaways/{$layaway->label}/cancel", [
            ...$order,
            'back' => ['cheque' => '50.68'],
        ])->assertSessionHasErrors('refused');
        $this->post("/layaways/{$layaway->label}/cancel", [
            ...$order,
            'reason' => '',
            'back' => ['cash' => '50.68'],
        ])->assertSessionHasErrors('reason');
        $this->assertSame(LayawayState::Running, $this->again($layaway)->state);
        $this->post("/layaways/{$layaway->label}/cancel", [
            ...$order,
            'back' => ['cash' => '50.68'],
        ])->assertSessionHasNoErrors();
        $this->post("/layaways/{$layaway->label}/cancel", [
            ...$order,
            'back' => ['cash' => '50.68'],
        ])->assertSessionHasNoErrors();

        $cancelled = $this->again($layaway);
        $this->assertSame(['cancelled', 0], [$cancelled->stateWord(now()->toImmutable()), $cancelled->held()->minor]);
        $this->assertSame(1000, Document::query()->where('purpose', 'fee')->sole()->total->minor);
        $this->assertSame(5068, Document::query()->where('purpose', 'paid_back')->sole()->total->minor);
        $this->assertSame('0.0000', $this->committed('MA-0031'));
        $this->payOnRefused($layaway, 'is cancelled already');
        $this->assertProves();
    }

    private function payOnRefused(Layaway $layaway, string $words): void
    {
        $this->slip = (string) Str::uuid();
        $this->does('add', ['entry' => $layaway->label, 'version' => ''])
            ->assertStatus(422)
            ->assertSee($words);
    }

    public function test_the_fee_is_taxed_where_the_shop_says_so_and_let_off_where_a_supervisor_does(): void
    {
        DB::table('shop')->update(['fee_tax_class' => 'standard']);
        $layaway = $this->hold('50', '2 x MA-0031');
        $other = $this->hold('50', 'MA-0031');
        $this->as('201');
        $this->post("/layaways/{$layaway->label}/cancel", [
            'key' => (string) Str::uuid(),
            'version' => $layaway->version,
            'reason' => 'x',
            'back' => ['cash' => '40'],
        ])->assertSessionHasNoErrors();
        $waived = [
            'key' => (string) Str::uuid(),
            'version' => $other->version,
            'reason' => 'our mistake',
            'waive' => '1',
            'back' => ['cash' => '30', 'deposit_held' => '20'],
        ];
        $this->post("/layaways/{$other->label}/cancel", $waived)->assertSessionHasErrors('refused');
        $this->post("/layaways/{$other->label}/cancel", [
            ...$waived,
            'approver' => '201',
            'approver_pin' => '4201',
            'approver_reason' => 'our mistake',
        ])->assertSessionHasErrors('refused');
        $this->post("/layaways/{$other->label}/cancel", [
            ...$waived,
            'approver' => '301',
            'approver_pin' => '4301',
            'approver_reason' => 'our mistake',
        ])->assertSessionHasNoErrors();

        $fee = Document::query()->where('purpose', 'fee')->sole();
        $this->assertSame(1000, $fee->total->minor);
        $this->assertGreaterThan(0, $fee->tax_total->minor);
        $this->assertSame(2000, Held::of(HeldKind::Deposit));
        $this->assertProves();
    }

    public function test_the_card_is_paid_back_by_the_terminal_and_nothing_happens_when_it_refuses(): void
    {
        $this->readyToHold('50', '2 x MA-0031');
        $this->does('card', ['card' => '50'])->assertOk();
        $this->does('post')->assertOk();
        $layaway = Layaway::query()->firstOrFail();
        $this->as('201')->terminal('decline');
        $order = [
            'key' => (string) Str::uuid(),
            'version' => $layaway->version,
            'reason' => 'x',
            'back' => ['card' => '40'],
        ];
        $this->post("/layaways/{$layaway->label}/cancel", $order)->assertSessionHasErrors('refused');
        $this->assertSame(LayawayState::Running, $this->again($layaway)->state);
        $this->terminal('approve');
        $this->post("/layaways/{$layaway->label}/cancel", [
            ...$order,
            'key' => (string) Str::uuid(),
        ])->assertSessionHasNoErrors();

        $back = Document::query()->with('tenders')->where('purpose', 'paid_back')->sole();
        $paid = $this->slip()->cards->sole();
        $this->assertSame(
            [TenderKind::Card, $paid->last_four],
            [$back->tenders->sole()->kind, $back->tenders->sole()->last_four],
        );
        $this->assertProves();
    }

    public function test_cancelling_after_a_part_was_kept_pays_back_no_more_than_is_left(): void
    {
        $layaway = $this->hold('150', '2 x MA-0031');
        $this->as('201');
        $this->post("/layaways/{$layaway->label}/lines", [
            'version' => $layaway->version,
            'quantity' => ['1' => '1'],
        ])->assertSessionHasNoErrors();
        $layaway = $this->again($layaway);
        $this->assertSame(
            [10340, 10340, LayawayState::Ready],
            [$layaway->total->minor, $layaway->held()->minor, $layaway->state],
        );
        $this->assertSame(
            4660,
            Held::of(HeldKind::Deposit),
            'What was paid over the new total is a deposit.',
        );
        $this->post("/layaways/{$layaway->label}/cancel", [
            'key' => (string) Str::uuid(),
            'version' => $layaway->version,
            'reason' => 'x',
            'back' => ['cash' => '140'],
        ])->assertSessionHasErrors('refused');
        $this->post("/layaways/{$layaway->label}/cancel", [
            'key' => (string) Str::uuid(),
            'version' => $layaway->version,
            'reason' => 'x',
            'back' => ['cash' => '93.40'],
        ])->assertSessionHasNoErrors();
        $this->assertProves();
    }

    public function test_goods_are_swapped_and_the_sums_worked_anew_on_record(): void
    {
        $layaway = $this->hold('20.68', '2 x MA-0031');
        $this->as('201');
        $this->post("/layaways/{$layaway->label}/lines", [
            'version' => $layaway->version,
            'drop' => ['1' => '1'],
            'add' => 'LH-1140',
            'add_quantity' => '10',
        ])->assertSessionHasNoErrors();
        $changed = $this->again($layaway);

        $this->assertSame(['LH-1140', 2], [$changed->lines()->sole()->code, $changed->revision]);
        $this->assertSame(['0.0000', '10.0000'], [$this->committed('MA-0031'), $this->committed('LH-1140')]);
        $this->assertSame(
            $changed->total->minor - 2068,
            (int) $changed->allInstalments->where('revision', 2)->sum('amount.minor'),
        );
        $this->assertSame(
            [20680, $changed->total->minor],
            [$changed->changesMade->sole()->total_before->minor, $changed->changesMade->sole()->total_after->minor],
        );
        $this->assertSame(
            'MA-0031',
            $changed->allLines->firstWhere('revision', 1)?->code,
            'What was agreed before stays on record.',
        );
        $this->post("/layaways/{$layaway->label}/lines", [
            'version' => $layaway->version,
            'drop' => ['1' => '1'],
        ])->assertSessionHasErrors('refused');
        $this->post("/layaways/{$layaway->label}/lines", [
            'version' => $changed->version,
            'drop' => ['1' => '1'],
        ])->assertSessionHasErrors('refused');
        $this->assertProves();
    }

    public function test_no_half_of_a_piece_is_put_with_it_and_nothing_of_a_line_drops_it(): void
    {
        $layaway = $this->hold('25.00', '2 x MA-0031', 'LH-1140');
        $this->as('201');
        $change = fn (array $typed): TestResponse => $this->post(
            "/layaways/{$layaway->label}/lines",
            ['version' => $this->again($layaway)->version, ...$typed],
        );
        $change(['quantity' => ['1' => '1.5']])->assertSessionHasErrors('refused');
        $change(['add' => 'LH-1140', 'add_quantity' => '0.5'])->assertSessionHasErrors('refused');
        $this->assertSame(1, $this->again($layaway)->revision);
        $change(['quantity' => ['2' => '0']])->assertSessionHasNoErrors();
        $this->assertSame('MA-0031', $this->again($layaway)->lines()->sole()->code);
    }

    public function test_expired_it_takes_a_payment_only_once_it_is_extended(): void
    {
        $layaway = $this->holdOn(now()->subDays(120)->format('Y-m-d'), '20.68', '2 x MA-0031');
        $this->assertSame('expired', $layaway->stateWord(now()->toImmutable()));
        $this->payOn($layaway, '50')->assertStatus(422)->assertSee('A supervisor can extend it');
        $this->as('201');
        $this->post("/layaways/{$layaway->label}/extend", [
            'version' => $layaway->version,
            'first_due' => now()->format('Y-m-d'),
            'expires_on' => now()->addDays(30)->format('Y-m-d'),
        ])->assertSessionHasErrors('refused');
        $this->post("/layaways/{$layaway->label}/extend", [
            'version' => $layaway->version,
            'first_due' => now()->addDays(7)->format('Y-m-d'),
            'expires_on' => now()->addDays(30)->format('Y-m-d'),
        ])->assertSessionHasNoErrors();
        $this->as('101')->payOn($layaway, '50')->assertOk();
        $this->assertProves();
    }

    public function test_a_place_on_the_shelf_with_its_label(): void
    {
        $layaway = $this->hold('20.68', '2 x MA-0031');
        $this->post("/layaways/{$layaway->label}/shelve", [
            'shelf' => 'B 4',
            'label' => '1',
        ])->assertSessionHasNoErrors();
        $this->assertSame('B 4', $this->again($layaway)->shelf);
        $this->assertStringContainsString('B 4', (string) DB::table('printed_papers')->latest('id')->value('html'));
    }

    public function test_the_worklists_say_what_to_do_next(): void
    {
        $behind = $this->holdOn(now()->subDays(40)->format('Y-m-d'), '20.68', '2 x MA-0031');
        $ready = $this->hold('103.40', 'MA-0031');
        $this->get('/layaways?tab=behind')
            ->assertOk()
            ->assertSee($behind->label)
            ->assertDontSee($ready->label)
            ->assertSee('Call 555 0142');
        $this->get('/layaways?tab=ready')->assertOk()->assertSee($ready->label)->assertSee('Hand over');
        $this->get('/layaways?tab=expiring')->assertOk()->assertDontSee($ready->label);
        $this->get('/layaways?find=hollis')->assertOk()->assertSee($behind->label)->assertSee($ready->label);
        $this->assertStringContainsString($behind->label, $this->get('/layaways.csv?tab=behind')->streamedContent());
    }

    public function test_found_from_the_entry_line_by_number_and_by_customer(): void
    {
        $layaway = $this->hold('20.68', '2 x MA-0031');
        $this->slip = (string) Str::uuid();
        $this->get("/counter/{$this->slip}/find?q=wren")
            ->assertOk()
            ->assertSee($layaway->label);
        $this->get("/counter/{$this->slip}/find?q=lay-{$layaway->id}")
            ->assertOk()
            ->assertSee($layaway->label);
        $this->does('customer', ['customer' => $this->customer->id])
            ->assertOk()
            ->assertSee('Waiting for them')
            ->assertSee($layaway->label);
        $other = $this->customer('Somebody Else', ['phone' => '555 0199']);
        $this->does('customer', ['customer' => $other->id])->assertOk();
        $this->does('add', ['entry' => $layaway->label, 'version' => ''])
            ->assertStatus(422)
            ->assertSee('Wren Hollis’s');
    }

    public function test_another_customer_on_the_slip_asks_for_the_layaway_to_be_taken_off_first(): void
    {
        $this->readyToHold('50', 'MA-0031');
        $other = $this->customer('Somebody Else', ['phone' => '555 0199']);
        $this->does('customer', ['customer' => $other->id])
            ->assertStatus(422)
            ->assertSee('held as a layaway for Wren Hollis');
        $this->does('hold/drop')->assertOk();
        $this->does('customer', ['customer' => $other->id])->assertOk();
        $this->assertNull(Slip::query()->with('hold')->where('key', $this->slip)->firstOrFail()->hold);
    }

    public function test_a_service_fee_is_a_line_of_the_layaway_and_goes_with_it(): void
    {
        DB::table('shop')->update(['layaway_terms' => json_encode(['service_fee' => 500])]);
        $this->readyToHold('50', 'MA-0031');
        $this->assertSame(10840, $this->slip()->total->minor);
        $this->does('hold/drop')->assertOk();
        $this->assertSame(10340, $this->slip()->total->minor);
        $layaway = $this->hold('50', 'MA-0031');
        $this->payOn($layaway, '58.40', leaves: true)->assertOk();
        $this->assertSame(10840, Document::query()->where('kind', 'invoice')->toBase()->value('total'));
        $this->assertProves();
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function bounce(string $receipt, string $fee = ''): TestResponse
    {
        return $this->as('301')->post("/documents/{$receipt}/returned", [
            'key' => (string) Str::uuid(),
            'fee' => $fee,
            'reason' => 'no cover',
        ]);
    }

    private function payByCheque(Layaway $layaway, string $amount, ?bool $leaves = null): string
    {
        $this->as('101')->slip = (string) Str::uuid();
        $this->does('add', ['entry' => $layaway->label, 'version' => ''])->assertOk();
        $this->does("layaways/{$layaway->label}/amount", ['amount' => $amount])->assertOk();
        $leaves === null
            || $this->does("layaways/{$layaway->label}/leaves", ['leaves' => $leaves ? '1' : '0'])->assertOk();
        $this->does('cheque', ['cheque' => $amount, 'cheque_number' => '7731'])->assertOk();
        $this->does('post')->assertOk();

        return $this->document()->label;
    }

    public function test_a_cheque_that_bounces_is_open_again_on_the_layaway(): void
    {
        $layaway = $this->hold('20.68', '2 x MA-0031');
        $receipt = $this->payByCheque($layaway, '186.12', leaves: false);
        $this->get("/documents/{$receipt}")->assertOk();
        $this->bounce($receipt, '25.00')->assertSessionHasNoErrors();
        $this->assertSame(
            [2500, 1],
            [$this->balance($layaway->customer), (int) DB::table('house_accounts')->value('stopped')],
            'without an account the fee is a claim',
        );
        $this->bounce($receipt)->assertSessionHasErrors('refused');

        $again = $this->again($layaway);
        $this->assertSame(['running', 2068], [$again->stateWord(now()->toImmutable()), $again->held()->minor]);
        $this->get("/layaways/{$layaway->label}")
            ->assertOk()
            ->assertSee('Payment came back');
        $this->assertProves();
    }

    public function test_even_the_deposit_may_bounce_and_all_is_shared_out_anew(): void
    {
        $this->readyToHold('50', '2 x MA-0031');
        $this->does('cheque', ['cheque' => '50', 'cheque_number' => '7730'])->assertOk();
        $this->does('post')->assertOk();
        $layaway = $this->again(Layaway::query()->firstOrFail());
        $this->bounce($this->document()->label)->assertSessionHasNoErrors();
        $again = $this->again($layaway);

        $this->assertSame(
            [0, 2, 20680],
            [
                $again->held()->minor,
                $again->revision,
                (int) $again->allInstalments->where('revision', 2)->sum('amount.minor'),
            ],
        );
        $this->assertProves();
        $this->as('101')->payOn($again, '206.80', leaves: true)->assertOk();
        $this->assertProves();
    }

    public function test_once_the_goods_have_left_what_bounced_is_owed_as_a_claim(): void
    {
        $layaway = $this->hold('20.68', '2 x MA-0031');
        $receipt = $this->payByCheque($layaway, '186.12', leaves: true);
        $this->bounce($receipt)->assertSessionHasNoErrors();
        $this->assertSame(
            [18612, 'completed'],
            [$this->balance($layaway->customer), $layaway->refresh()->state->value],
        );
        $this->assertProves();
    }
}
