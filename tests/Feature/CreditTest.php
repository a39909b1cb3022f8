<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Books\HeldKind;
use Elmstone\Books\Purpose;
use Elmstone\Core\Credits\CardCode;
use Elmstone\Core\Money\Currency;
use Elmstone\Held\Cards\CardsOwed;
use Elmstone\Held\Cards\GiftCard;
use Elmstone\Held\Cards\GiftCardLedger;
use Elmstone\Held\Cards\KeptCode;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Gift cards, store credit, coupons, credit notes without goods, write-offs. */
final class CreditTest extends FeatureCase
{
    use Returning;

    private function card(string $worth = '50.00', string $code = ''): GiftCard
    {
        $this->slip = (string) Str::uuid();
        $this->does('gift-cards', ['worth' => $worth, 'code' => $code])
            ->assertOk()
            ->assertSee('Sell gift card');
        $this->does('cash', ['cash' => '500'])->assertOk();
        $this->does('post')->assertOk();

        return GiftCard::query()->latest('id')->firstOrFail();
    }

    public function test_a_gift_card_is_sold_and_is_no_income(): void
    {
        $card = $this->card();
        $receipt = $this->document();
        $this->assertSame(
            [5000, 5000, 0, 'payment'],
            [
                $receipt->total->minor,
                $receipt->held(HeldKind::GiftCard)->minor,
                $receipt->tax_total->minor,
                $receipt->purpose->value,
            ],
        );
        $this->assertSame(['cash' => 5000, 'gift_cards' => -5000], $this->posted($receipt));
        $this->assertSame(
            CarbonImmutable::today()->addMonthsNoOverflow(36)->format('Y-m-d'),
            $card->expires_on?->format('Y-m-d'),
        );
        $paper = (string) DB::table('printed_papers')->latest('id')->value('html');
        $this->assertStringContainsString(CardCode::of($this->numberOf($card))->grouped(), $paper);
        $this->assertStringContainsString('keep it like money', $paper);
        $this->get("/documents/{$receipt->label}/receipt")
            ->assertOk()
            ->assertSee($card->masked())
            ->assertDontSee(CardCode::of($this->numberOf($card))->grouped());
        $this->get("/documents/{$receipt->label}")
            ->assertOk()
            ->assertDontSee($this->numberOf($card));
        $this->assertProves();
    }

    public function test_it_is_used_in_parts_with_the_rest_in_sight_and_topped_up(): void
    {
        $card = $this->card('10.00');
        $this->slip = (string) Str::uuid();
        $this->add('2 x LH-1140', CardCode::of($this->numberOf($card))->grouped())
            ->does('cash', ['cash' => null])
            ->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(153, $card->refresh()->balance()->minor);
        $this->slip = (string) Str::uuid();
        $this->add('LH-1140');
        $this->does('gift-cards/use', ['card_code' => $this->numberOf($card)])
            ->assertOk()
            ->assertSee('worth 1.53');
        $this->does('gift-cards/use', ['card_code' => $this->numberOf($card)])
            ->assertStatus(422)
            ->assertSee('pays on this slip already');
        $this->does('gift-cards/use/0', ['amount' => '1.54'])
            ->assertStatus(422)
            ->assertSee('is worth 1.53');
        $this->does('gift-cards/use/0', ['amount' => '1.00'])->assertOk();
        $this->does('cash', ['cash' => '5'])->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(53, $card->refresh()->balance()->minor);
        $this->slip = (string) Str::uuid();
        $this->does('gift-cards', ['worth' => '20', 'code' => $this->numberOf($card)])
            ->assertOk()
            ->assertSee('Top up');
        $this->does('cash', ['cash' => '20'])->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(2053, $card->refresh()->balance()->minor);
        $this->get("/gift-cards/{$card->id}")
            ->assertOk()
            ->assertSee('20.53')
            ->assertSee('Topped up')
            ->assertDontSee($this->numberOf($card));
        $this->assertProves();
    }

    public function test_a_number_must_be_right_and_a_card_may_bring_its_own(): void
    {
        $this->slip = (string) Str::uuid();
        $this->does('gift-cards', ['worth' => '10', 'code' => '9000000000000000'])
            ->assertStatus(422)
            ->assertSee('One digit of this card number is wrong');
        $this->does('gift-cards', ['worth' => '', 'code' => ''])
            ->assertStatus(422)
            ->assertSee('what the gift card is to be worth');
        $this->does('gift-cards/use', ['card_code' => GiftCardLedger::drawn()->digits])
            ->assertStatus(422)
            ->assertSee('No gift card has the number');
        $printed = GiftCardLedger::drawn();
        $this->assertSame(KeptCode::of($printed), $this->card('10', $printed->grouped())->code);
    }

    public function test_a_card_used_on_two_tills_at_once_pays_once(): void
    {
        $card = $this->card('4.24');
        $slips = [];

        foreach ([1, 2] as $i) {
            $this->slip = $slips[$i] = (string) Str::uuid();
            $this->add('LH-1140', $this->numberOf($card));
        }

        $this->does('post')->assertOk();
        $this->slip = $slips[1];
        $this->does('post')->assertStatus(422)->assertSee('is worth 0.00 now');
        $this->assertProves();
    }

    public function test_an_expired_a_blocked_and_a_lost_card(): void
    {
        $card = $this->card('10');
        DB::table('gift_cards')->update(['expires_on' => CarbonImmutable::yesterday()->format('Y-m-d')]);
        $this->slip = (string) Str::uuid();
        $this->add('LH-1140')
            ->does('gift-cards/use', ['card_code' => $this->numberOf($card)])
            ->assertStatus(422)
            ->assertSee('expired on');
        $this->as('201')
            ->post("/gift-cards/{$card->id}/extend", [
                'until' => CarbonImmutable::today()->addYear()->format('Y-m-d'),
                'reason' => '',
            ])
            ->assertSessionHasErrors();
        $this->post("/gift-cards/{$card->id}/extend", [
            'until' => CarbonImmutable::today()->addYear()->format('Y-m-d'),
            'reason' => 'asked nicely',
        ])->assertSessionHasNoErrors();
        $this->post("/gift-cards/{$card->id}/block", ['reason' => 'stolen'])->assertSessionHasNoErrors();
        $this->does('gift-cards/use', ['card_code' => $this->numberOf($card)])
            ->assertStatus(422)
            ->assertSee('is blocked');
        $lost = $this->numberOf($card);
        $this->post("/gift-cards/{$card->id}/replace", ['reason' => 'found the receipt'])->assertSessionHasNoErrors();
        $new = preg_match('/9\d{3} \d{4} \d{4} \d{4}/', (string) session('done'), $shown) === 1 ? $shown[0] : '';
        $this->does('gift-cards/use', ['card_code' => $lost])
            ->assertStatus(422)
            ->assertSee('was reported lost');
        $this->does('gift-cards/use', ['card_code' => $new])->assertOk();
        $this->does('post')->assertOk();
        $this->get("/gift-cards/{$card->id}")
            ->assertOk()
            ->assertSee('replaced by')
            ->assertSee('stolen');
        $this->as('101')
            ->post("/gift-cards/{$card->id}/block", ['reason' => 'no'])
            ->assertForbidden();
        $this->assertProves();
    }

    public function test_what_is_owed_on_a_day_gone_by(): void
    {
        $this->travelTo(CarbonImmutable::today()->subDays(2)->setTime(9, 0));
        $card = $this->card('30');
        $this->travelBack();
        $this->slip = (string) Str::uuid();
        $this->add('LH-1140', $this->numberOf($card))->does('post')->assertOk();
        $this->assertSame(
            [0, 3000, 2576],
            array_map(
                static fn (int $days): int => CardsOwed::total(
                    CardsOwed::on(CarbonImmutable::today()->subDays($days)),
                    Currency::of('USD'),
                )->minor,
                [3, 1, 0],
            ),
        );
        $this->get('/gift-cards')->assertOk()->assertSee('25.76');
        $this->assertStringContainsString(
            '30.00',
            $this->get('/gift-cards.csv?as_of='.CarbonImmutable::yesterday()->format('Y-m-d'))->streamedContent(),
        );
    }

    public function test_store_credit_is_used_and_paid_out(): void
    {
        $customer = $this->customer('Wren Hollis');
        $sale = $this->sellTo($customer, '2 x PI-2800');
        $this->back($sale, [1 => '2'])->assertOk();
        $this->refund('store_credit')->assertOk();
        $this->does('post')->assertOk();
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $customer->id])
            ->assertOk()
            ->assertSee('Store credit');
        $this->add('LH-1140')
            ->does('store-credit', ['rest' => '1'])
            ->assertOk()
            ->assertSee('31.51 stays');
        $this->does('store-credit', ['store_credit_used' => '99'])->assertStatus(422);
        $this->does('post')->assertOk();
        $key = (string) Str::uuid();
        $form = [
            'key' => $key,
            'amount' => '31.51',
            'way' => 'cheque',
            'reference' => '4711',
            'reason' => 'moving away',
        ];
        $this->as('201')
            ->post("/store-credit/{$customer->number}/pay-out", ['amount' => '40'] + $form)
            ->assertSessionHasErrors();
        $this->post("/store-credit/{$customer->number}/pay-out", $form)->assertSessionHasNoErrors();
        $this->post("/store-credit/{$customer->number}/pay-out", $form)->assertSessionHasNoErrors();
        $this->assertSame(0, Held::of(HeldKind::StoreCredit));
        $this->get("/store-credit/{$customer->number}")
            ->assertOk()
            ->assertSee('Paid out')
            ->assertSee('Paid with it');
        $this->get('/store-credit?as_of='.CarbonImmutable::today()->format('Y-m-d'))->assertOk();
        $this->assertProves();
    }

    /** @param  array<string, mixed>  $fields */
    private function coupon(array $fields = []): int
    {
        return (int) DB::table('coupons')->insertGetId([
            'code' => 'SPRING',
            'description' => 'Spring',
            'percent' => '10',
            'starts_on' => '2020-01-01',
            ...$fields,
        ]);
    }

    public function test_a_coupon_takes_its_reduction_off_and_goes_back_with_the_goods(): void
    {
        $id = $this->coupon(['most_uses' => 1, 'ends_on' => '2099-01-01']);
        $this->slip = (string) Str::uuid();
        $this->add('3 x LH-1140', '2 x LH-1141', 'spring');
        $this->does('cash', ['cash' => '50'])
            ->assertOk()
            ->assertSee('Spring');
        $this->does('post')->assertOk();
        $sale = $this->document();
        $this->assertSame([204, 1831], [$sale->coupon_discount->minor, $sale->net->minor]);
        $this->get("/documents/{$sale->label}")
            ->assertOk()
            ->assertSee('SPRING');
        $this->slip = (string) Str::uuid();
        $this->add('LH-1140')
            ->does('coupons', ['coupon' => 'SPRING'])
            ->assertStatus(422)
            ->assertSee('was used already');
        $back = 0;

        foreach ([[1 => '1'], [1 => '2'], [2 => '2']] as $quantities) {
            $this->back($sale, $quantities)->assertOk();
            $this->refund('cash')->assertOk();
            $this->does('post')->assertOk();
            $back -= $this->creditNote()->total->minor;
        }

        $this->assertSame($sale->total->minor, $back);
        $this->assertSame(1, (int) DB::table('coupons')->where('id', $id)->value('uses'));
        $this->assertProves();
    }

    public function test_when_a_coupon_does_not_count_it_says_why(): void
    {
        $this->coupon(['code' => 'OLD', 'ends_on' => '2021-01-01']);
        $this->coupon(['code' => 'RICH', 'least_spend' => 10_000]);
        $this->coupon([
            'code' => 'PIPE',
            'items' => json_encode([(int) DB::table('items')->where('code', 'PI-2800')->value('id')]),
        ]);
        $this->coupon(['code' => 'ALONE', 'alone' => 1]);
        $this->coupon(['code' => 'BIG', 'percent' => null, 'amount' => 90_000]);
        $this->slip = (string) Str::uuid();
        $this->add('LH-1140');

        foreach (
            [
                'OLD' => 'ended on',
                'RICH' => 'for purchases of 100.00',
                'PIPE' => 'not for anything on this slip',
                'NONE' => 'No coupon is called',
            ] as $code => $words
        ) {
            $this->does('coupons', ['coupon' => $code])
                ->assertStatus(422)
                ->assertSee($words);
        }

        $this->does('coupons', ['coupon' => 'BIG'])->assertOk();
        $this->does('coupons', ['coupon' => 'ALONE'])
            ->assertStatus(422)
            ->assertSee('does not go together');
        $this->does('post')->assertOk();
        $this->assertSame(0, $this->document()->total->minor, 'never below nothing');
        $this->assertProves();
    }

    public function test_coupons_are_given_out_in_the_office(): void
    {
        $form = [
            'code' => 'tile-10',
            'description' => 'Ten off tiles',
            'off' => '10 %',
            'items' => 'LH-1140',
            'starts_on' => '2026-01-01',
            'ends_on' => '',
            'least_spend' => '20',
            'most_uses' => '',
            'active' => '1',
            'alone' => '1',
        ];
        $this->post('/coupons', $form)->assertForbidden();
        $this->as('301')
            ->post('/coupons', ['off' => '0', 'items' => 'NO-SUCH', 'ends_on' => '2025-01-01'] + $form)
            ->assertSessionHasErrors(['off', 'items', 'ends_on']);
        $this->post('/coupons', $form)->assertSessionHasNoErrors();
        $this->post('/coupons', $form)->assertSessionHasErrors('code');
        $id = DB::table('coupons')->value('id');
        $this->post("/coupons/{$id}", ['off' => '2.50', 'active' => '0'] + $form)->assertSessionHasNoErrors();
        $this->get('/coupons')->assertOk()->assertSee('TILE-10')->assertSee('was withdrawn');
        $this->get("/coupons?change={$id}")
            ->assertOk()
            ->assertSee('LH-1140');
    }

    public function test_a_wrong_price_is_credited_on_the_invoice_and_pieces_come_back_for_what_is_left(): void
    {
        $customer = $this->account();
        $label = $this->charge($customer, '4 x PI-2800');
        $invoice = $this->document();
        $form = [
            'key' => (string) Str::uuid(),
            'amounts' => [1 => '10.73'],
            'why' => 'price_wrong',
            'note' => 'list price was old',
            'way' => 'store_credit',
            'approver' => '301',
            'approver_pin' => '4301',
            'approver_reason' => 'right',
        ];
        $this->as('201')
            ->get("/documents/{$label}/credit")
            ->assertOk()
            ->assertSee('71.50');
        $this->post("/documents/{$label}/credit", ['approver_pin' => '1'] + $form)->assertSessionHasErrors();
        $this->post("/documents/{$label}/credit", ['amounts' => [1 => '71.51']] + $form)->assertSessionHasErrors();
        $this->post("/documents/{$label}/credit", ['amounts' => [1 => '']] + $form)->assertSessionHasErrors();
        $this->post("/documents/{$label}/credit", ['key' => (string) Str::uuid()] + $form)
            ->assertSessionHasNoErrors()
            ->assertRedirect();
        $note = Document::query()->where('kind', 'credit_note')->firstOrFail();
        $this->assertSame(
            [-1073, 7150 - 1073, $invoice->id],
            [$note->total->minor, $this->open($label), $note->refers_to_id],
        );
        $this->back($invoice, [1 => '4'])->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame([-(7150 - 1073), 0], [$this->creditNote()->total->minor, $this->balance($customer)]);
        $this->as('101')
            ->get("/documents/{$label}/credit")
            ->assertForbidden();
        $this->assertProves();
    }

    public function test_goodwill_and_unused_credit_paid_out(): void
    {
        $customer = $this->account();
        $form = [
            'key' => (string) Str::uuid(),
            'amount' => '15',
            'department_id' => '',
            'tax_class' => '',
            'note' => 'for the long wait',
            'way' => 'house_account',
            'approver' => '201',
            'approver_pin' => '4201',
            'approver_reason' => 'right',
        ];
        $this->as('301')
            ->get("/customers/{$customer->number}/credit")
            ->assertOk();
        $this->post("/customers/{$customer->number}/credit", $form)->assertSessionHasNoErrors();
        $this->post("/customers/{$customer->number}/credit", $form)->assertSessionHasNoErrors();
        $note = Document::query()->with('journal')->where('kind', 'credit_note')->sole();
        $this->assertSame(
            [-1500, ['allowances' => 1500, 'receivables' => -1500]],
            [$this->balance($customer), $this->posted($note)],
        );
        $this->get("/accounts/{$customer->number}/items/{$note->label}")
            ->assertOk()
            ->assertSee('Pay out what is unused');
        $pay = [
            'key' => (string) Str::uuid(),
            'amount' => '15.01',
            'way' => 'cheque',
            'reference' => '88',
            'reason' => 'asked for it',
        ];
        $this->post("/accounts/{$customer->number}/items/{$note->label}/pay-out", $pay)->assertSessionHasErrors();
        $this->post(
            "/accounts/{$customer->number}/items/{$note->label}/pay-out",
            ['amount' => '15'] + $pay,
        )->assertSessionHasNoErrors();
        $refund = Document::query()
            ->with(['journal', 'tenders'])
            ->where('purpose', Purpose::CreditPaidOut)
            ->sole();
        $this->assertSame(
            [0, 1500, ['receivables' => 1500, 'bank' => -1500]],
            [$this->balance($customer), $refund->total->minor, $this->posted($refund)],
        );
        $this->assertProves();
    }

    public function test_broken_goods_are_written_off(): void
    {
        $key = (string) Str::uuid();
        $rows = [
            ['code' => 'LH-1140', 'quantity' => '2', 'reason' => 'broken', 'note' => 'dropped'],
            ['code' => 'PI-2800', 'quantity' => '1.5', 'reason' => 'stolen'],
        ];
        $this->post('/write-offs', ['key' => $key, 'rows' => $rows])->assertForbidden();
        $this->as('201')
            ->post('/write-offs', ['key' => $key, 'rows' => [['code' => 'NONE', 'quantity' => '1']]])
            ->assertSessionHasErrors('rows.0');
        $this->post('/write-offs', [
            'key' => $key,
            'rows' => [['code' => 'LH-1140', 'quantity' => '-1']],
        ])->assertSessionHasErrors('rows.0');
        $this->post('/write-offs', ['key' => $key, 'rows' => []])->assertSessionHasErrors();
        $this->post('/write-offs', ['key' => $key, 'rows' => $rows])->assertSessionHasNoErrors();
        $this->post('/write-offs', ['key' => $key, 'rows' => $rows])->assertSessionHasNoErrors();
        $document = Document::query()->with('journal')->where('purpose', Purpose::WriteOff)->sole();
        $this->assertSame(['written_off' => 384 + 1218, 'inventory' => -384 - 1218], $this->posted($document));
        $this->assertSame(['48', '48.5'], [$this->onHand('LH-1140'), $this->onHand('PI-2800')]);
        $this->get('/write-offs')->assertOk()->assertSee('dropped')->assertSee('16.02');
        $this->get("/documents/{$document->label}")->assertOk();
        $this->assertProves();
    }

    public function test_the_rules_are_kept(): void
    {
        $this->as('301')->get('/return-rules')->assertOk();
        $this->post('/return-rules', [
            'name' => 'Usual',
            'returnable' => '1',
            'days' => '30',
            'fee_percent' => '15 %',
            'words' => 'unused',
        ])->assertSessionHasNoErrors();
        $this->post('/return-rules', ['name' => 'Usual'])->assertSessionHasErrors('name');
        $this->post('/return-rules', ['name' => 'Other', 'fee_percent' => '101'])->assertSessionHasErrors(
            'fee_percent',
        );
        $id = (int) DB::table('return_policies')->value('id');
        $this->post("/return-rules/{$id}", [
            'name' => 'Usual',
            'returnable' => '1',
            'days' => '14',
            'fee_percent' => '',
        ])->assertSessionHasNoErrors();
        $this->post('/return-rules/settings', [
            'return_policy_id' => (string) $id,
            'blind_days' => '60',
            'gift_card_months' => '',
            'departments' => [1 => (string) $id],
        ])->assertSessionHasNoErrors();
        $this->assertSame(
            [60, null, $id],
            [
                (int) DB::table('shop')->value('blind_days'),
                DB::table('shop')->value('gift_card_months'),
                (int) DB::table('departments')->value('return_policy_id'),
            ],
        );
        $this->as('101')->get('/return-rules')->assertForbidden();
    }

    public function test_papers_and_trail_of_a_credit_note(): void
    {
        $sale = $this->sell('2 x LH-1140');
        $this->back($sale, [1 => '1'])->assertOk();
        $this->refund('cash')->assertOk();
        $this->does('post')->assertOk();
        $note = $this->creditNote();
        $this->get("/documents/{$note->label}/receipt")
            ->assertOk()
            ->assertSee('Credit note')
            ->assertSee("as paid on {$sale->label}")
            ->assertSee('4.24')
            ->assertDontSee('−4.24');
        $this->get("/documents/{$note->label}/invoice")
            ->assertOk()
            ->assertSee('Refers to');
        $this->get("/documents/{$note->label}")
            ->assertOk()
            ->assertSee('Paper trail')
            ->assertSee($sale->label)
            ->assertSee('back to stock');
        $this->get("/documents/{$sale->label}")
            ->assertOk()
            ->assertSee('Came back of it')
            ->assertSee($note->label);
        $this->get("/documents/{$note->label}/invoice.xml")
            ->assertOk()
            ->assertSee('381');
    }

    public function test_who_types_numbers_no_card_has_is_guessing_and_waits(): void
    {
        $card = $this->card('10');
        $number = $this->numberOf($card);
        $this->slip = (string) Str::uuid();
        $this->add('LH-1140');

        for ($i = 0; $i < 10; $i++) {
            $this->does('gift-cards/use', ['card_code' => GiftCardLedger::drawn()->digits])->assertStatus(422);
        }

        $this->does('gift-cards/use', ['card_code' => $number])
            ->assertStatus(422)
            ->assertSee('Too many numbers');
        $this->as('201', 2)->get('/gift-cards')->assertOk();
        $this->travel(6)->minutes();
        $this->as('101')
            ->does('gift-cards/use', ['card_code' => $number])
            ->assertOk();
    }

    public function test_selling_a_card_is_no_way_to_find_out_which_numbers_there_are(): void
    {
        $this->slip = (string) Str::uuid();

        for ($i = 0; $i < 30; $i++) {
            $this->does('gift-cards', ['worth' => '1', 'code' => GiftCardLedger::drawn()->digits])->assertOk();
            $this->does('gift-cards/0/drop')->assertOk();
        }

        $this->does('gift-cards', ['worth' => '1', 'code' => GiftCardLedger::drawn()->digits])
            ->assertStatus(422)
            ->assertSee('Too many numbers');
    }

    public function test_the_database_holds_no_number_once_it_is_printed_and_one_of_another_card_is_found_out(): void
    {
        $number = $this->numberOf($one = $this->card('10'));
        $this->card('20');

        foreach (
            [
                'gift_cards', 'gift_card_codes', 'gift_card_changes', 'slips', 'slip_parts', 'document_tenders',
                'documents',
            ] as $table
        ) {
            $this->assertStringNotContainsString($number, (string) json_encode(DB::table($table)->get()), $table);
        }

        $this->assertNull($one->refresh()->number);
        [$a, $b] = DB::table('gift_card_codes')->orderBy('gift_card_id')->get()->all();
        DB::table('gift_card_codes')
            ->where('code', $a->code)
            ->update(['gift_card_id' => $b->gift_card_id]);
        DB::table('gift_card_codes')
            ->where('code', $b->code)
            ->update(['gift_card_id' => $a->gift_card_id]);
        DB::table('gift_cards')
            ->where('id', $a->gift_card_id)
            ->update(['code' => 'x']);
        DB::table('gift_cards')
            ->where('id', $b->gift_card_id)
            ->update(['code' => $a->code]);
        DB::table('gift_cards')
            ->where('id', $a->gift_card_id)
            ->update(['code' => $b->code]);
        $this->assertStringContainsString(
            'was not given to it',
            implode("\n", app(\Elmstone\Books\Proof\Prove::class)->handle()->faults),
        );
    }
}
