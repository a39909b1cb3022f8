<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Elmstone\Books\HeldKind;
use Elmstone\Cards\CardRequest;
use Elmstone\Cards\CardState;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Held\Cards\GiftCard;
use Elmstone\Layaways\Layaway;
use Elmstone\Layaways\LayawayState;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * A terminal is asked only for what is written down, one question at a time, and every question is settled by its
 * answer.
 */
final class CardQuestionTest extends FeatureCase
{
    use Layaways;
    use Returning;

    /**
     * What the terminal's own book says came in and went back.
     *
     * @return array{int, int} minor units
     */
    private function terminalBook(): array
    {
        return [
            (int) DB::table('terminal_requests')->where('act', 'take')->where('outcome', 'approved')->sum('approved'),
            (int) DB::table('terminal_requests')->where('act', 'refund')->where('outcome', 'approved')->sum('approved'),
        ];
    }

    private function card(): CardRequest
    {
        return $this->slip()->cards->last() ?? throw new \LogicException('No card.');
    }

    public function test_one_sale_on_three_open_slips_is_paid_back_once(): void
    {
        $sale = $this->sellByCard('LH-1140');
        $authorisation = $sale->tenders[0]->authorisation;
        $slips = [];

        foreach ([1, 2, 3] as $i) {
            $this->back($sale, [1 => '1'])->assertOk();
            $slips[$i] = $this->slip;
        }

        $this->does('refund/terminal', ['authorisation' => $authorisation])->assertOk();
        $this->slip = $slips[1];
        $this->does('refund/terminal', ['authorisation' => $authorisation])
            ->assertStatus(422)
            ->assertSee("A card is being paid back for {$sale->label}");
        $this->refund('gift_card')->assertStatus(200);
        $this->does('post')->assertStatus(422)->assertSee('is being paid back');
        $this->slip = $slips[3];
        $this->does('post')->assertOk();
        $this->slip = $slips[2];
        $this->does('refund/terminal', ['authorisation' => $authorisation])->assertStatus(422);
        $this->assertSame([424, 424], $this->terminalBook());
        $this->assertProves();
    }

    public function test_what_is_beyond_a_limit_is_refused_before_the_terminal_is_asked(): void
    {
        $this->slip = (string) Str::uuid();
        $this->add('3 x MA-0031')->does('card')->assertOk();
        $this->does('post')->assertOk();
        $sale = $this->document();
        $authorisation = $sale->tenders[0]->authorisation;
        $this->back($sale, [1 => '3'])->assertOk();
        $this->does('refund/terminal', ['authorisation' => $authorisation])
            ->assertStatus(422)
            ->assertSee('More than 200.00 is handed back to a card');
        $this->assertSame(0, $this->terminalBook()[1]);
        $this->does('refund/terminal', ['authorisation' => $authorisation, ...$this->approval()])
            ->assertOk()
            ->assertSee('paid back');
        $this->does('post')->assertOk();
        $this->assertProves();
    }

    public function test_a_refund_keeps_its_line_and_its_slip_and_stays_in_sight(): void
    {
        $sale = $this->sellByCard('LH-1140', 'LH-1141');
        $this->back($sale, [1 => '1'])->assertOk();
        $this->terminal('silent_approve')
            ->does('refund/terminal', ['authorisation' => $sale->tenders[0]->authorisation])
            ->assertOk()
            ->assertSee('outcome unknown');
        $this->does("back/{$this->backLine()}/remove")
            ->assertStatus(422)
            ->assertSee('A card was paid back');
        $this->does("back/{$this->backLine()}", ['quantity' => '1'])->assertStatus(422);
        $this->does('clear')->assertStatus(422);
        $this->add('5 x PI-2800')
            ->get("/counter/{$this->slip}")
            ->assertOk()
            ->assertSee('outcome unknown');
        $this->does("lines/{$this->lineId()}/remove")->assertOk();
        $this->does("card/{$this->card()->id}/ask")
            ->assertOk()
            ->assertSee('paid back');
        $this->does("card/{$this->card()->id}/give-back")
            ->assertOk()
            ->assertSee('was undone');
        $this->does("back/{$this->backLine()}/remove")->assertOk();
        $this->does('clear')->assertOk();
        $this->assertSame(0, $this->terminalBook()[1]);
        $this->assertProves();
    }

    public function test_an_unknown_outcome_is_never_given_back_by_decree(): void
    {
        $this->add('LH-1140');
        $this->terminal('silent_approve')->does('card')->assertOk()->assertSee('outcome unknown');
        $this->terminal('off_line')
            ->does("card/{$this->card()->id}/give-back")
            ->assertStatus(422)
            ->assertSee('off line');
        $this->assertSame(CardState::Asked, $this->card()->state);
        $this->terminal('silent_decline')
            ->does("card/{$this->card()->id}/give-back")
            ->assertOk()
            ->assertSee('not confirmed yet');
        $this->does('post')->assertStatus(422);
        $this->does("card/{$this->card()->id}/ask")
            ->assertOk()
            ->assertSee('4.24 approved');
        $this->assertSame([424, 0], $this->terminalBook(), 'it was not reversed, and so it pays');
        $this->terminal('silent_approve')
            ->does("card/{$this->card()->id}/give-back")
            ->assertOk()
            ->assertSee('not confirmed yet');
        $this->does("card/{$this->card()->id}/ask")
            ->assertOk()
            ->assertSee('4.24 given back');
        $this->assertSame([0, 0], $this->terminalBook());
        $this->assertSame(CardState::GivenBack, $this->card()->state);
    }

    public function test_an_enter_pressed_three_times_asks_once_and_another_card_is_asked_on_purpose(): void
    {
        $this->add('10 x MA-0031');
        $again = fn (array $fields) => $this->post("/counter/{$this->slip}/card", [
            'act' => (string) Str::uuid(),
            'version' => '',
            'card' => '30',
            ...$fields,
        ]);

        foreach ([1, 2, 3] as $i) {
            $again(['seen' => '0'])->assertOk();
        }

        $again([])->assertStatus(422)->assertSee('Another card');
        $again(['seen' => '1'])->assertStatus(422);
        $this->assertSame(1, $this->slip()->cards->count());
        $again(['seen' => '1', 'another' => '1'])->assertOk();
        $again(['seen' => '1', 'another' => '1'])->assertOk();
        $this->assertSame([6000, 0], $this->terminalBook());
    }

    public function test_a_refund_pressed_twice_asks_once(): void
    {
        $sale = $this->sellByCard('4 x LH-1140');
        $authorisation = $sale->tenders[0]->authorisation;
        $this->back($sale, [1 => '4'])->assertOk();
        $again = fn (array $fields) => $this->post("/counter/{$this->slip}/refund/terminal", [
            'act' => (string) Str::uuid(),
            'version' => '',
            'authorisation' => $authorisation,
            'amount' => '3',
            ...$fields,
        ]);
        $again(['seen' => '0'])->assertOk();
        $again(['seen' => '0'])->assertOk();
        $again(['seen' => '1'])
            ->assertStatus(422)
            ->assertSee('More to this card');
        $this->assertSame([1694, 300], $this->terminalBook());
        $again(['seen' => '1', 'more' => '1', 'amount' => ''])->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame([1694, 1694], $this->terminalBook());
        $this->assertProves();
    }

    public function test_a_question_is_asked_again_of_the_terminal_that_heard_it(): void
    {
        $this->add('LH-1140');
        $this->terminal('silent_approve')->does('card')->assertOk();
        $request = $this->card();
        $this->as('101', 2);
        $this->terminal('off_line');
        $this->assertSame(
            CardState::Approved,
            app(\Elmstone\Cards\CardTill::class)->askAgain($request->load('till'))->state,
            'till 1 answers, whatever till 2 does',
        );
    }

    public function test_a_voice_code_has_a_most_and_takes_approval_beyond_it(): void
    {
        $this->add('2 x MA-0031');
        $this->terminal('off_line')->does('card')->assertOk();
        $key = fn (array $approval = []) => $this->does("card/{$this->card()->id}/key", [
            'authorisation' => 'A7731',
            'last_four' => '1234',
            ...$approval,
        ]);
        $key()->assertStatus(422)->assertSee('More than 100.00 is keyed in off line');
        $this->assertSame(CardState::OffLine, $this->card()->state);
        $key($this->approval())->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame('card_off_line', DB::table('approvals')->value('what'));
        $this->assertProves();
    }

    /** A layaway of 103.40 paid by two cards. */
    private function paidByTwoCards(string $first, string $second): Layaway
    {
        $this->customer ??= $this->customer('Wren Hollis', ['phone' => '555 0142']);
        $this->readyToHold($first, 'MA-0031');
        $this->does('card')->assertOk();
        $this->does('post')->assertOk();
        $layaway = Layaway::query()->latest('id')->firstOrFail();
        $this->slip = (string) Str::uuid();
        $this->does("layaways/{$layaway->label}")->assertOk();
        $this->does("layaways/{$layaway->label}/amount", ['amount' => $second])->assertOk();
        $this->does('card')->assertOk();
        $this->does('post')->assertOk();

        return $layaway->refresh();
    }

    /** @return \Illuminate\Testing\TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function cancel(
        Layaway $layaway,
        string $card,
        string $cash = '',
        string $deposit = '',
        bool $approved = false,
    ) {
        return $this->as('201')->post("/layaways/{$layaway->label}/cancel", [
            'version' => $layaway->refresh()->version,
            'reason' => 'moves away',
            'back' => ['card' => $card, 'cash' => $cash, 'deposit_held' => $deposit],
            ...$approved ? ['approver' => '301', 'approver_pin' => '4301', 'approver_reason' => 'card closed'] : [],
        ]);
    }

    public function test_several_cards_share_what_goes_back_by_what_each_brought(): void
    {
        $layaway = $this->paidByTwoCards('60', '40');
        $this->cancel($layaway, '90')->assertSessionHasNoErrors();
        $refund = Document::query()->with('tenders')->where('kind', 'refund')->sole();
        $this->assertSame([5400, 3600], $refund->tenders->pluck('amount.minor')->all());
        $this->assertCount(2, $refund->tenders->pluck('authorisation')->unique());
        $this->assertSame([10_000, 9000], $this->terminalBook());
        $this->assertProves();
    }

    public function test_cancelling_with_a_silent_terminal_pays_once_and_the_split_stays(): void
    {
        $layaway = $this->paidByTwoCards('60', '40');
        $this->terminal('silent_approve');
        $this->cancel($layaway, '90')->assertSessionHasErrors('refused');
        $this->assertSame(LayawayState::Running, $layaway->refresh()->state);
        $this->cancel($layaway, '0', '', '90')->assertSessionHasErrors('refused');
        $this->get("/layaways/{$layaway->label}")
            ->assertOk()
            ->assertSee('went back to a card already');
        $this->cancel($layaway, '90')->assertSessionHasNoErrors();
        $this->cancel($layaway, '90')->assertSessionHasNoErrors();
        $this->assertSame([10_000, 9000], $this->terminalBook());
        $this->assertSame(1, Document::query()->where('kind', 'refund')->count());
        $this->assertProves();
    }

    public function test_after_a_decline_it_is_asked_anew_or_goes_another_way_with_approval(): void
    {
        $layaway = $this->paidByTwoCards('60', '40');
        $this->terminal('decline');
        $this->cancel($layaway, '90')->assertSessionHasErrors('refused');
        $this->cancel($layaway, '', '90')->assertSessionHasErrors('refused');
        $this->cancel($layaway, '', '90.01', approved: true)->assertSessionHasErrors('refused');
        $this->cancel($layaway, '', '90', approved: true)->assertSessionHasNoErrors();
        $this->assertSame([10_000, 0], $this->terminalBook());
        $this->assertProves();
        $other = $this->as('101')->paidByTwoCards('50', '50');
        $this->terminal('decline');
        $this->cancel($other, '90')->assertSessionHasErrors('refused');
        $this->cancel($other, '90')->assertSessionHasNoErrors();
        $this->assertSame(9000, $this->terminalBook()[1]);
        $this->assertProves();
    }

    public function test_one_payment_over_two_layaways_gives_back_no_more_than_it_brought(): void
    {
        $this->customer = $this->customer('Wren Hollis', ['phone' => '555 0142']);
        $made = [$this->hold('25', 'MA-0031'), $this->hold('25', 'MA-0031')];
        $this->slip = (string) Str::uuid();

        foreach ($made as $layaway) {
            $this->does("layaways/{$layaway->label}")->assertOk();
            $this->does("layaways/{$layaway->label}/amount", ['amount' => '78.40'])->assertOk();
            $this->does("layaways/{$layaway->label}/leaves", ['leaves' => '1'])->assertOk();
        }

        $this->does('card')->assertOk();
        $this->does('post')->assertOk();
        $authorisation = (string) DB::table('document_tenders')->where('kind', 'card')->value('authorisation');
        $back = 0;

        foreach ($made as $layaway) {
            $invoice = Document::query()->findOrFail($layaway->refresh()->document_id);
            $this->back($invoice, [1 => '1'])->assertOk();
            $this->does('refund/terminal', ['authorisation' => $authorisation, 'amount' => '78.41'])
                ->assertStatus(422)
                ->assertSee('At most 78.40');
            $this->does('refund/terminal', ['authorisation' => $authorisation])->assertOk();
            $this->refund('cash', '25.00')->assertOk();
            $this->does('post')->assertOk();
            $back += 10340;
        }

        $this->assertSame([15_680, 15_680], $this->terminalBook());
        $this->assertProves();
    }

    public function test_deposits_and_payments_on_account_go_back_to_the_card_they_came_from(): void
    {
        $customer = $this->account();
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $customer->id]);
        $this->does('deposit', ['deposit_in' => '50', 'deposit_for' => ''])->assertOk();
        $this->does('on-account', ['on_account' => '30'])->assertOk();
        $this->does('card')->assertOk();
        $this->does('post')->assertOk();
        $receipt = $this->document();
        $form = fn (string $amount, string $way, array $more = []): array => [
            'key' => (string) Str::uuid(),
            'amount' => $amount,
            'way' => $way,
            'reference' => '',
            'reason' => 'asked for it',
            ...$more,
        ];
        $this->as('201')
            ->get("/deposits/{$customer->number}")
            ->assertOk()
            ->assertSee('Card');
        $this->post("/deposits/{$customer->number}/pay-back", $form('20', 'cash'))->assertSessionHasErrors();
        $this->post("/deposits/{$customer->number}/pay-back", $form('20', 'card'))->assertSessionHasNoErrors();
        $this->terminal('silent_approve');
        $this->post("/deposits/{$customer->number}/pay-back", $form('30', 'card'))->assertSessionHasErrors();
        $this->post("/deposits/{$customer->number}/pay-back", $form('30', 'card'))->assertSessionHasNoErrors();
        $this->post(
            "/accounts/{$customer->number}/items/{$receipt->label}/pay-out",
            $form('30', 'cash'),
        )->assertSessionHasErrors();
        $this->post(
            "/accounts/{$customer->number}/items/{$receipt->label}/pay-out",
            $form('30', 'card'),
        )->assertSessionHasNoErrors();
        $this->assertSame([8000, 8000], $this->terminalBook());
        $this->assertSame(0, Held::of(HeldKind::Deposit));
        $this->assertProves();
    }

    public function test_what_one_page_pays_back_to_a_card_another_page_does_not(): void
    {
        $customer = $this->customer('Wren Hollis', ['phone' => '555 0142']);
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $customer->id]);
        $this->does('deposit', ['deposit_in' => '30', 'deposit_for' => ''])->assertOk();
        $this->does('card')->assertOk();
        $this->does('post')->assertOk();
        $receipt = $this->document();
        $back = fn () => $this->as('201')->post("/deposits/{$customer->number}/pay-back", [
            'key' => (string) Str::uuid(),
            'amount' => '4',
            'way' => 'card',
            'reference' => '',
            'reason' => 'asked for it',
        ]);
        $reverse = fn () => $this->as('201')->post("/documents/{$receipt->label}/reverse", [
            'reason' => 'wrong customer',
            'approver' => '301',
            'approver_pin' => '4301',
            'approver_reason' => 'seen',
        ]);
        $this->as('201')->terminal('silent_approve');
        $reverse()->assertSessionHasErrors();
        $back()->assertSessionHasErrors();
        $this->assertSame([3000, 3000], $this->terminalBook());
        $this->assertProves();
        $reverse()->assertSessionHasNoErrors();
        $this->assertSame([3000, 3000], $this->terminalBook());
        $this->assertProves();
    }

    public function test_what_a_gift_card_paid_goes_back_onto_it(): void
    {
        $this->slip = (string) Str::uuid();
        $this->does('gift-cards', ['worth' => '90', 'code' => ''])->assertOk();
        $this->does('cash', ['cash' => '90'])->assertOk();
        $this->does('post')->assertOk();
        $card = \Elmstone\Held\Cards\GiftCard::query()->sole();
        $this->customer = $this->customer('Wren Hollis', ['phone' => '555 0142']);
        $deposit = function (string $amount) use ($card) {
            $this->as('101');
            $this->slip = (string) Str::uuid();
            $this->does('customer', ['customer' => $this->customer?->id]);
            $this->does('deposit', ['deposit_in' => $amount, 'deposit_for' => ''])->assertOk();
            $this->does('gift-cards/use', ['card_code' => $this->numberOf($card)])->assertOk();
            $this->does('post')->assertOk();

            return $this->document();
        };
        $deposit('20');
        $form = fn (string $amount, string $way): array => [
            'key' => (string) Str::uuid(),
            'amount' => $amount,
            'way' => $way,
            'reference' => '',
            'reason' => 'asked for it',
        ];
        $this->as('201')
            ->get("/deposits/{$this->customer->number}")
            ->assertOk()
            ->assertSee('value="gift_card"', false);
        $this->post("/deposits/{$this->customer->number}/pay-back", $form('20', 'cash'))->assertSessionHasErrors();
        $this->post(
            "/deposits/{$this->customer->number}/pay-back",
            $form('20.01', 'gift_card'),
        )->assertSessionHasErrors();
        $this->post(
            "/deposits/{$this->customer->number}/pay-back",
            $form('15', 'gift_card'),
        )->assertSessionHasNoErrors();
        $this->assertSame(8500, $card->refresh()->balance()->minor);
        $receipt = $deposit('30');
        $this->as('201')
            ->post("/documents/{$receipt->label}/reverse", [
                'reason' => 'wrong customer',
                'approver' => '301',
                'approver_pin' => '4301',
                'approver_reason' => 'seen',
            ])
            ->assertSessionHasNoErrors();
        $this->assertSame(8500, $card->refresh()->balance()->minor);
        $this->as('101')->readyToHold('60', 'MA-0031');
        $this->does('gift-cards/use', ['card_code' => $this->numberOf($card)])->assertOk();
        $this->does('post')->assertOk();
        $layaway = Layaway::query()->sole();
        $this->as('201')
            ->get("/layaways/{$layaway->label}")
            ->assertOk()
            ->assertSee('Onto the gift card that paid');
        $cancel = fn (array $back) => $this->post("/layaways/{$layaway->label}/cancel", [
            'version' => $layaway->refresh()->version,
            'reason' => 'moves away',
            'back' => $back,
        ]);
        $cancel(['cash' => '50'])->assertSessionHasErrors();
        $cancel(['gift_card' => '50'])->assertSessionHasNoErrors();
        $cancel(['gift_card' => '50'])->assertSessionHasNoErrors();
        $this->assertSame(8500 - 6000 + 5000, $card->refresh()->balance()->minor);
        $this->assertProves();
    }

    public function test_a_blocked_gift_card_is_said_before_the_terminal_pays_the_rest_back(): void
    {
        $this->slip = (string) Str::uuid();
        $this->does('gift-cards', ['worth' => '30', 'code' => ''])->assertOk();
        $this->does('cash', ['cash' => '30'])->assertOk();
        $this->does('post')->assertOk();
        $card = \Elmstone\Held\Cards\GiftCard::query()->sole();
        $this->customer = $this->customer('Wren Hollis', ['phone' => '555 0142']);
        $this->readyToHold('60', 'MA-0031');
        $this->does('gift-cards/use', ['card_code' => $this->numberOf($card)])->assertOk();
        $this->does('card')->assertOk();
        $this->does('post')->assertOk();
        $layaway = Layaway::query()->sole();
        $card->update(['blocked' => true]);
        $this->as('201')
            ->post("/layaways/{$layaway->label}/cancel", [
                'version' => $layaway->version,
                'reason' => 'moves away',
                'back' => ['card' => '25', 'gift_card' => '25'],
            ])
            ->assertSessionHasErrors('refused');
        $this->assertSame([3000, 0], $this->terminalBook());
        $this->post("/layaways/{$layaway->label}/cancel", [
            'version' => $layaway->version,
            'reason' => 'moves away',
            'back' => ['card' => '25', 'deposit_held' => '25'],
        ])->assertSessionHasNoErrors();
        $this->assertSame([3000, 2500], $this->terminalBook());
        $this->assertProves();
    }

    public function test_store_credit_and_credits_are_not_paid_onto_a_card_nobody_named(): void
    {
        $customer = $this->account();
        $this->pay($customer, '50.00', '4711');
        $label = (string) Document::query()->where('kind', 'receipt')->value('label');
        $form = [
            'key' => (string) Str::uuid(),
            'amount' => '50',
            'way' => 'gift_card',
            'reference' => '',
            'reason' => 'asked for it',
        ];
        $this->as('201')
            ->post("/accounts/{$customer->number}/items/{$label}/pay-out", $form)
            ->assertSessionHasErrors();
        $this->post("/store-credit/{$customer->number}/pay-out", $form)->assertSessionHasErrors();
        $this->assertSame(0, Document::query()->where('kind', 'refund')->count());
        $this->assertProves();
    }

    public function test_a_void_with_two_gift_cards_gives_each_its_own_back(): void
    {
        foreach (['20', '50'] as $worth) {
            $this->slip = (string) Str::uuid();
            $this->does('gift-cards', ['worth' => $worth, 'code' => ''])->assertOk();
            $this->does('cash', ['cash' => $worth])->assertOk();
            $this->does('post')->assertOk();
        }

        $codes = array_map($this->numberOf(...), GiftCard::query()->orderBy('id')->get()->all());
        $this->slip = (string) Str::uuid();
        $this->add('MA-0031');
        $this->does('gift-cards/use', ['card_code' => $codes[0]])->assertOk();
        $this->does('gift-cards/use', ['card_code' => $codes[1]])->assertOk();
        $this->does('cash', ['cash' => '40'])->assertOk();
        $this->does('post')->assertOk();
        $this->post("/documents/{$this->document()->label}/void", [
            'act' => (string) Str::uuid(),
            ...$this->approval(),
        ])->assertRedirect();
        $this->assertSame(
            [2000, 5000],
            DB::table('held_accounts')->where('kind', 'gift_card')->orderBy('id')->pluck('balance')->all(),
        );
        $this->assertProves();
    }

    public function test_the_proof_finds_a_card_that_gave_back_more_than_it_brought(): void
    {
        $sale = $this->sellByCard('LH-1140');
        CardRequest::query()->create([
            'key' => (string) Str::uuid(),
            'subject' => 'slip',
            'subject_id' => 1,
            'ordinal' => 77,
            'till_id' => 1,
            'asked' => Money::of('4.25', Currency::of('USD')),
            'approved' => Money::of('4.25', Currency::of('USD')),
            'state' => CardState::Approved,
            'against' => $sale->tenders[0]->authorisation,
        ]);
        $this->assertStringContainsString(
            '0.01 more went back than it brought',
            implode("\n", app(\Elmstone\Books\Proof\Prove::class)->handle()->faults),
        );
    }
}
