<?php

declare(strict_types=1);

namespace Elmstone\Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Key;

/** What a clerk does at the counter, mostly without a mouse. */
final class CounterTest extends BrowserCase
{
    public function test_a_sale_by_keyboard_alone(): void
    {
        $clerk = $this->clerk();
        $clerk->scan('12 x AD-0207', 'LH-1140')->awaitText('#lines', 'Limestone hook');
        $clerk
            ->press('2.4 x PI-280')
            ->awaitText('#found', 'PI-2800')
            ->press(Key::ENTER)
            ->awaitText('#lines', 'Copper pipe');
        $total = $clerk->text('#total');
        $clerk
            ->press(Key::ARROW_UP)
            ->await(static fn (): bool => str_starts_with($clerk->focus(), 'q'), 'the last line');
        $clerk->press('3', Key::ENTER)->await(static fn (): bool => $clerk->text('#total') !== $total, 'a new total');
        $total = $clerk->text('#total');
        $clerk->await(static fn (): bool => $clerk->focus() === 'entry', 'the entry line')->press(Key::ENTER);
        self::assertSame('cash', $clerk->focus());
        $clerk->press('D')->await(static fn (): bool => $clerk->focus() === 'card', 'the card row');
        $clerk->press('100', Key::ENTER)->awaitText('#settle', '100.00 approved');
        $clerk->press('C')->press('400', Key::ENTER)->awaitText('#settle', 'Change');
        $change = $clerk->text('#change');
        $clerk->ctrlEnter()->awaitText('#settle', 'Posted as');
        self::assertSame($change, $clerk->text('#change'));
        $label = $clerk->text('#settle .note a');
        $clerk->await(
            static fn (): bool => $clerk->focus() === 'next-customer',
            'the next customer',
        )->press(Key::ENTER);
        $clerk->await(
            static fn (): bool => $clerk->focus() === 'entry' && $clerk->text('#total') === '0.00',
            'a fresh slip',
        );

        // It is found again by its number, and the receipt says what the page said.
        $clerk
            ->press($label)
            ->awaitText('#found', 'Bring goods back')
            ->press(Key::ARROW_DOWN, Key::ENTER)
            ->awaitText('h1', $label);
        $clerk->go("/documents/{$label}/receipt");
        $receipt = $clerk->text('body');
        self::assertStringContainsString($total, $receipt);
        self::assertStringContainsString($change, $receipt);
        self::assertStringContainsString('100.00', $receipt);
        $this->assertCalm($clerk);
    }

    public function test_a_cell_of_a_family_is_picked_by_keyboard_and_the_hand_goes_back(): void
    {
        $clerk = $this->clerk();
        $clerk->press('grout')->awaitText('#found', 'Families')->press(Key::ENTER)->awaitText('#look', 'ivory');
        $clerk->await(
            static fn (): bool => str_contains($clerk->says(), 'white, 1 kg'),
            'the first cell has the hand',
        );
        $clerk->press(Key::ARROW_DOWN, Key::ARROW_RIGHT, '4', Key::ENTER)->awaitText('#lines', 'Grout, ivory, 3.5 kg');
        $clerk->await(static fn (): bool => $clerk->attribute('.cell.first', 'value') === '4', 'four of it');
        $clerk->press(Key::ARROW_RIGHT, Key::ENTER)->awaitText('#lines', 'Grout, ivory, 10 kg');
        $clerk->press(Key::ESCAPE)->await(static fn (): bool => $clerk->focus() === 'entry', 'the entry line');
        self::assertSame(0, $clerk->count('#look:not([hidden])'));
        self::assertSame(2, $clerk->count('tr.line'));
        $this->assertCalm($clerk);
    }

    public function test_holding_the_scanner_over_many_things_adds_each(): void
    {
        $clerk = $this->clerk();
        $codes = ['LH-1140', 'LH-1141', 'AD-0207', 'VA-2214', 'FX-5060'];

        for ($i = 0; $i < 4; $i++) {
            $clerk->scan(...$codes);
        }

        $clerk->await(
            static fn (): bool => $clerk->count('tr.line') === 5
                && (int) $clerk->browser->executeScript(
                    'return [...document.querySelectorAll(".cell.first")].reduce((sum, cell) => sum + '
                        .'Number(cell.value), 0)',
                ) === 20,
            'twenty pieces on five lines',
        );
        self::assertSame('entry', $clerk->focus());
    }

    public function test_what_is_unknown_comes_back_to_be_mended(): void
    {
        $clerk = $this->clerk();
        $clerk->press('wheelbarrow', Key::ENTER)->awaitText('#said', 'No code is');
        $clerk->await(
            static fn (): bool => $clerk->browser->executeScript('return document.getElementById("entry").value')
                === 'wheelbarrow',
            'what was typed',
        );
        $clerk->alt('l')->await(static fn (): bool => $clerk->focus() === 'one-off-description', 'the one-off line');
        $clerk->fill('#one-off-price', 'dear')->awaitText('#one-off-said', 'is not a number');
        self::assertSame(
            'wheelbarrow',
            $clerk->browser->executeScript('return document.getElementById("one-off-description").value'),
        );
        $clerk->fill('#one-off-price', '45,50')->awaitText('#lines', 'wheelbarrow');
        self::assertSame('48.80', $clerk->text('#total'));
    }

    public function test_a_declined_card_then_cash(): void
    {
        $clerk = $this->clerk('102', 2);
        $this->mood($clerk, 'decline');
        $clerk->go('/counter/new')->scan('LH-1140')->awaitText('#lines', 'Limestone');
        $clerk->click('[data-sends-way=card]')->awaitText('#settle', 'declined');
        $clerk->fill('#cash', '20')->awaitText('#settle', 'Change')->ctrlEnter()->awaitText('#settle', 'Posted as');
    }

    public function test_an_unknown_outcome_is_asked_for_and_charged_once(): void
    {
        $clerk = $this->clerk('102', 2);
        $this->mood($clerk, 'silent_approve');
        $clerk->go('/counter/new')->scan('LH-1140')->awaitText('#lines', 'Limestone');
        $clerk
            ->click('[data-sends-way=card]')
            ->awaitText('#settle', 'outcome unknown')
            ->ctrlEnter()
            ->awaitText('#settle', 'not known yet');
        $clerk->browser->navigate()->refresh();
        $clerk
            ->awaitText('#settle', 'outcome unknown')
            ->click('.card-asked button')
            ->awaitText('#settle', 'approved')
            ->ctrlEnter()
            ->awaitText('#settle', 'Posted as');
    }

    public function test_a_slip_is_set_aside_and_taken_up_at_another_till(): void
    {
        $first = $this->clerk('101', 1);
        $first
            ->scan('VA-2214')
            ->awaitText('#lines', 'Brass gate valve')
            ->alt('n')
            ->await(static fn (): bool => $first->text('#total') === '0.00', 'a fresh slip');
        self::assertStringContainsString('Brass gate valve', $first->text('#tabs'));
        $second = $this->clerk('103', 2);
        $second
            ->alt('p')
            ->await(static fn (): bool => $second->count('#tabs .drop-panel form') > 0, 'slips at other tills');
        $second->click('#tabs .drop-panel form:last-of-type button')->awaitText('#lines', 'Brass gate valve');
        $second->scan('LH-1140')->awaitText('#lines', 'Limestone');
    }

    public function test_posting_twice_makes_one_document(): void
    {
        $clerk = $this->clerk('104', 3);
        $clerk->scan('LH-1140')->awaitText('#lines', 'Limestone')->fill('#cash', '20')->awaitText('#settle', 'Change');
        $before = $this->served()->query('SELECT COUNT(*) FROM documents');
        $clerk->browser->executeScript(
            'document.getElementById("post").click(); document.getElementById("post").click();',
        );
        $clerk->awaitText('#settle', 'Posted as');
        $slip = $clerk->browser->getCurrentURL();
        $clerk->go('/documents')->browser->navigate()->back();
        $clerk->awaitText('#settle', 'Posted as')->ctrlEnter();
        $clerk->go((string) parse_url($slip, PHP_URL_PATH))->awaitText('#settle', 'Posted as');
        self::assertEquals($before + 1, $this->served()->query('SELECT COUNT(*) FROM documents'));
    }

    public function test_a_supervisor_approves_in_place(): void
    {
        $clerk = $this->clerk('104', 3);
        $clerk
            ->scan('LH-1140')
            ->awaitText('#lines', 'Limestone')
            ->fill('.cell[name=price]', '3')
            ->awaitText('#lines', 'A supervisor can approve');
        self::assertStringEndsWith('-approver', $clerk->focus());
        $clerk->press('201', Key::TAB, '4201', Key::TAB, 'chipped', Key::ENTER)->awaitText('#lines', 'approved');
        self::assertSame('3.22', $clerk->text('#total'));
    }

    public function test_a_session_that_ran_out_leaves_the_slip(): void
    {
        $clerk = $this->clerk('105', 3);
        $clerk->scan('LH-1140')->awaitText('#lines', 'Limestone');
        $clerk->browser->manage()->deleteAllCookies();
        $clerk
            ->scan('LH-1141')
            ->await(
                static fn (): bool => str_contains($clerk->browser->getCurrentURL(), '/sign-in'),
                'the sign-in page',
            );
        $clerk->signIn('105', 3)->awaitText('#lines', 'Limestone');
    }

    public function test_when_the_server_is_away_nothing_is_lost_and_it_goes_on(): void
    {
        $clerk = $this->clerk('105', 3);
        $clerk->scan('LH-1140')->awaitText('#lines', '140 mm');
        $this->served()->stop();
        $clerk->scan('LH-1141', 'AD-0207')->awaitText('#banner', 'What you did is kept here');
        $this->served()->start();
        $clerk->awaitText('#lines', '180 mm')->awaitText('#lines', 'Floor adhesive');
        self::assertSame(3, $clerk->count('tr.line'));
        $clerk->await(static fn (): bool => $clerk->text('#banner') === '', 'no banner');
    }

    public function test_the_customer_display_follows(): void
    {
        $clerk = $this->clerk('105', 3);
        $clerk->scan('LH-1140')->awaitText('#lines', 'Limestone');
        $till = $this->served()->query('SELECT id FROM tills WHERE number = 3');
        $clerk->go("/devices/display/{$till}")->awaitText('main', 'Limestone hook');
    }

    private function mood(Clerk $clerk, string $mood): void
    {
        $clerk->go('/devices');
        $clerk->browser->executeScript(
            'document.getElementById("mood").value = arguments[0]; document.querySelector("#mood").form.submit()',
            [$mood],
        );
        $clerk->awaitText('main', 'will do that next');
    }

    public static function tearDownAfterClass(): void
    {
        // The books must prove after everything that was done here.
        self::assertStringContainsString('the books prove', (new self('books'))->served()->artisan('books:prove'));
    }

    public function test_the_pin_is_asked_for_over_the_page_and_what_was_done_meanwhile_goes_on(): void
    {
        $clerk = $this->clerk('101');
        $clerk->scan('LH-1140')->awaitText('#lines', 'LH-1140');
        $clerk->browser->executeAsyncScript(
            'const done = arguments[0]; fetch("/lock", { method: "POST", headers: { "X-CSRF-TOKEN": '
                .'document.querySelector("meta[name=csrf-token]").content, "X-Requested-With": "fetch" } }).then(() '
                .'=> done());',
        );
        $clerk->scan('MA-0031')->awaitText('#idle', 'are you still here?');
        $clerk->press('9999', Key::ENTER)->awaitText('#idle', 'do not belong together');
        self::assertStringNotContainsString('MA-0031', $clerk->text('#lines'));
        $clerk->press('4101', Key::ENTER)->awaitText('#lines', 'MA-0031');
        $this->assertCalm($clerk);
    }
}
