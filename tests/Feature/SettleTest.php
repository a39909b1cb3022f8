<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Cards\CardRequest;
use Elmstone\Cards\CardState;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Shop\House;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;

final class SettleTest extends FeatureCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->add('10 x LH-1140');
    }

    private function card(): CardRequest
    {
        return $this->slip()->cards->last() ?? throw new \LogicException('No card.');
    }

    public function test_cash_offers_likely_notes_and_works_out_the_change(): void
    {
        $this->get("/counter/{$this->slip}")->assertSeeInOrder(['42.35', '45.00', '50.00', '60.00']);
        $this->does('cash', ['cash' => '50'])
            ->assertOk()
            ->assertSee('Change')
            ->assertSee('7.65');
        $this->does('cash', ['cash' => ''])
            ->assertOk()
            ->assertSee('42.35 is left to pay');
    }

    #[DataProvider('badAmounts')]
    public function test_a_bad_amount_is_answered_beside_its_field(string $way, string $typed, string $says): void
    {
        $this->does($way, [$way => $typed])
            ->assertStatus(422)
            ->assertSee($says);
        $this->assertNull($this->slip()->cash);
    }

    /** @return iterable<array{string, string, string}> */
    public static function badAmounts(): iterable
    {
        yield ['cash', 'fifty', 'is not a number'];
        yield ['cash', '-5', 'No minus signs'];
        yield ['cash', '5.005', 'has 2 decimal places'];
        yield ['card', '42.36', 'Only 42.35 is left to pay'];
        yield ['cheque', '1,234', 'can be read two ways'];
    }

    public function test_too_little_cash_cannot_be_posted(): void
    {
        $this->does('cash', ['cash' => '40'])->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('2.35 is left to pay');
        $this->assertSame(0, $this->documents());
    }

    public function test_a_cheque_needs_its_number(): void
    {
        $this->does('cheque', ['cheque' => '42.35'])->assertOk();
        $this->does('post')->assertStatus(422)->assertSee('Type the cheque’s number');
        $this->does('cheque', ['cheque' => '42.35', 'cheque_number' => '004417'])->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame('004417', $this->document()->tenders->sole()->reference);
    }

    public function test_any_mixture_of_ways(): void
    {
        $this->does('card', ['card' => '20'])
            ->assertOk()
            ->assertSee('20.00 approved');
        $this->does('cheque', ['cheque' => '10', 'cheque_number' => '7'])->assertOk();
        $this->does('cash', ['cash' => '20'])
            ->assertOk()
            ->assertSee('7.65');
        $this->does('post')->assertOk()->assertSee('Change to hand over');
        $this->assertSame(
            [['card', 2000], ['cheque', 1000], ['cash', 1235]],
            $this->document()
                ->tenders->map(static fn ($tender): array => [$tender->kind->value, $tender->amount->minor])
                ->all(),
        );
        $this->assertSame(765, $this->document()->change_given->minor);
    }

    public function test_a_declined_card_leaves_the_cash_as_it_was_counted(): void
    {
        $this->does('cash', ['cash' => '20'])->assertOk();
        $this->terminal('decline')
            ->does('card', ['card' => ''])
            ->assertOk()
            ->assertSee('22.35 declined')
            ->assertSee('Not enough money');
        $this->assertSame(2000, $this->slip()->cash?->minor);
        $this->does('post')->assertStatus(422);
        $this->does('cash', ['cash' => '42.35'])->assertOk();
        $this->does('post')->assertOk();
    }

    public function test_a_partial_approval_leaves_the_rest_to_pay(): void
    {
        $this->terminal('partial')
            ->does('card', ['card' => ''])
            ->assertOk()
            ->assertSee('only part of the 42.35')
            ->assertSee('21.17 is left to pay');
    }

    #[DataProvider('silences')]
    public function test_an_unknown_outcome_is_never_charged_twice_nor_lost(string $mood, CardState $truth): void
    {
        $this->terminal($mood)
            ->does('card', ['card' => ''])
            ->assertOk()
            ->assertSee('outcome unknown');
        $this->does('card', ['card' => ''])
            ->assertStatus(422)
            ->assertSee('not known yet');
        $this->does('post')->assertStatus(422)->assertSee('not known yet');
        $this->does('clear')->assertStatus(422);
        $this->as('101', 2)
            ->from('/counter')
            ->post("/counter/{$this->slip}/pick-up")
            ->assertSessionHasErrors('refused');
        $this->as('101')
            ->does("card/{$this->card()->id}/ask")
            ->assertOk();
        $this->assertSame([$truth, 1], [$this->card()->state, $this->rows('terminal_requests')]);
        $this->does("card/{$this->card()->id}/ask")->assertOk();
        $this->assertSame(1, $this->rows('card_requests'));
    }

    /** @return iterable<array{string, CardState}> */
    public static function silences(): iterable
    {
        yield ['silent_approve', CardState::Approved];
        yield ['silent_decline', CardState::Declined];
    }

    public function test_a_card_asked_just_before_the_power_went_is_asked_for_again(): void
    {
        $this->slip()
            ->cards()
            ->create([
                'key' => '6f2a2f1e-0000-4000-8000-000000000001',
                'subject' => 'slip',
                'ordinal' => 1,
                'till_id' => 1,
                'asked' => Money::of('42.35', Currency::of('USD')),
                'state' => CardState::Asked,
            ]);
        $this->get("/counter/{$this->slip}")->assertSee('outcome unknown');
        $this->does("card/{$this->card()->id}/ask")
            ->assertOk()
            ->assertSee('never got the request');
        $this->does('card', ['card' => ''])
            ->assertOk()
            ->assertSee('42.35 approved');
    }

    public function test_off_line_a_voice_code_is_keyed_in_and_never_a_whole_number(): void
    {
        $this->terminal('off_line')
            ->does('card', ['card' => ''])
            ->assertOk()
            ->assertSee('Terminal off line');
        $key = fn (string $code, string $digits) => $this->does("card/{$this->card()->id}/key", [
            'authorisation' => $code,
            'last_four' => $digits,
        ]);
        $key('4111111111111111', '1111')->assertStatus(422)->assertSee('Never the whole number');
        $key('A7731', '12345')->assertStatus(422);
        $key('A7731', '1234')->assertOk()->assertSee('keyed');
        $this->does('post')->assertOk();
        $tender = $this->document()->tenders->sole();
        $this->assertSame(['A7731', '1234'], [$tender->authorisation, $tender->last_four]);
    }

    public function test_a_card_is_given_its_money_back_before_posting(): void
    {
        $this->does('card', ['card' => ''])->assertOk();
        $this->does("lines/{$this->lineId()}", ['quantity' => '5'])
            ->assertOk()
            ->assertSee('more than is due');
        $this->does('post')->assertStatus(422)->assertSee('Only cash can be over');
        $this->does('clear')->assertStatus(422)->assertSee('Give the money back first');
        $this->does("card/{$this->card()->id}/give-back")
            ->assertOk()
            ->assertSee('given back');
        $this->does('clear')->assertOk();
        $this->assertSame('given_back', DB::table('terminal_requests')->value('act'));
    }

    public function test_giving_back_off_line_leaves_the_card_as_it_was(): void
    {
        $this->does('card', ['card' => ''])->assertOk();
        $this->terminal('off_line')
            ->does("card/{$this->card()->id}/give-back")
            ->assertStatus(422)
            ->assertSee('off line');
        $this->assertSame(CardState::Approved, $this->card()->state);
        $this->card()->update(['state' => CardState::GivingBack]);
        $this->does('post')->assertStatus(422)->assertSee('not known yet');
        $this->terminal('approve')
            ->does("card/{$this->card()->id}/give-back")
            ->assertOk()
            ->assertSee('given back');
    }

    public function test_cash_is_rounded_where_the_shop_does(): void
    {
        app(House::class)
            ->shop()
            ->update(['cash_step' => Money::of('0.10', Currency::of('USD'))]);
        $this->does('cash', ['cash' => '42.40'])
            ->assertOk()
            ->assertSee('Cash is rounded by 0.05');
        $this->does('post')->assertOk();
        $this->assertSame(
            [5, 0, 4240],
            [
                $this->document()->cash_rounding->minor,
                $this->document()->change_given->minor,
                $this->document()->tenders->sole()->amount->minor,
            ],
        );
        $this->assertSame(5, (int) $this->document()->journal->firstWhere('account', 'cash_rounding')?->credit->minor);
    }

    public function test_no_table_can_hold_a_whole_card_number(): void
    {
        // What is long enough for a card's number, and what else stands in it. Voice codes are held to twelve
        // characters where they are typed.
        $known = [
            'card_requests' => ['subject', 'authorisation', 'against', 'key', 'reason', 'card_type', 'surcharge_class'],
            'document_tenders' => ['authorisation', 'reference', 'card_type', 'kind'],
            'terminal_requests' => ['authorisation', 'against', 'key', 'reason', 'card_type'],
        ];

        foreach ($known as $table => $columns) {
            $long = DB::select(
                'SELECT COLUMN_NAME AS name FROM information_schema.COLUMNS WHERE TABLE_SCHEMA = DATABASE() AND '
                    ."TABLE_NAME = ? AND (CHARACTER_MAXIMUM_LENGTH >= 13 OR DATA_TYPE IN ('text', 'json', 'longtext', "
                    ."'blob'))",
                [$table],
            );
            $this->assertSame(
                [],
                array_values(
                    array_diff(array_map(static fn (object $column): string => $column->name, $long), $columns),
                ),
                $table,
            );
        }

        $this->add('LH-1140')->terminal('off_line')->does('card')->assertOk();

        foreach (['4111111111111111', '41111111 11111111', '4111-1111-1111-1111', '41111111111111'] as $number) {
            $this->does('card/'.$this->card()->id.'/key', ['authorisation' => $number, 'last_four' => '1111'])
                ->assertStatus(422)
                ->assertSee('Never the whole number');
        }

        $this->assertSame('', $this->card()->refresh()->authorisation);
    }

    public function test_mail_needs_an_address(): void
    {
        $this->does('paper', ['paper' => 'mail', 'mail_to' => 'nowhere'])
            ->assertStatus(422)
            ->assertSee('is not a mail address');
        $this->does('paper', ['paper' => 'mail', 'mail_to' => ''])->assertOk();
        $this->does('cash', ['cash' => '50']);
        $this->does('post')->assertStatus(422)->assertSee('Type where to mail it');
        $this->does('paper', ['paper' => 'mail', 'mail_to' => 'mason@example.test'])->assertOk();
        $this->does('post')->assertOk()->assertSee('Mailed to mason@example.test');
        $this->assertSame(1, $this->rows('sent_mails'));
    }
}
