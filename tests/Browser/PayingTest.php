<?php

declare(strict_types=1);

namespace Elmstone\Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Key;

/** Cards on file, surcharges, signatures, links and pads, as those who pay and those who take it meet them. */
final class PayingTest extends BrowserCase
{
    public function test_a_card_on_file_is_chosen_by_keyboard_and_what_it_costs_is_said_first(): void
    {
        $clerk = $this->clerk('101', 4);
        $clerk->scan('LH-1140')->awaitText('#lines', 'hook')->type('#entry', '1004')->awaitText('#found', 'Customers');
        $clerk->press(Key::ENTER)->awaitText('#who', 'Account 1004')->awaitText('#settle', 'Card on file');
        $clerk->press(Key::ENTER)->await(static fn (): bool => $clerk->focus() !== 'entry', 'Settle');
        $clerk->press('F', Key::ENTER);
        $clerk->await(static fn (): bool => $clerk->focus() === 'on_file', 'the list of cards');
        $clerk->press('c')->click('#absent')->type('#card_postcode', '04417')->press(Key::ENTER);
        $clerk->awaitText('#settle', 'more,')->awaitText('#sums', 'Card surcharge 2 %');
        self::assertSame('true', $clerk->attribute('#post', 'aria-disabled'));
        $clerk->press(Key::ENTER)->awaitText('#settle', 'postal code matches');
        $clerk->ctrlEnter()->awaitText('#settle', 'Posted as INV-');
        $this->assertCalm($clerk);
    }

    public function test_who_pays_signs_on_their_side_and_the_counter_has_it(): void
    {
        $clerk = $this->clerk('201');
        $clerk->scan('6 x MA-0031')->awaitText('#lines', 'Tile saw');
        $clerk->click('[data-sends-way="card"]')->awaitText('#settle', 'approved');
        $clerk->awaitText('#payer-signs', 'by')->click('#payer-signs [data-sends$="/ask"]');
        $clerk->awaitText('#payer-signs', 'waiting for their display');
        $theirs = $this->clerk('901')->go('/devices/display/1')->awaitText('.display-page', 'Please sign for');
        $theirs->sign('.display-sign .pad')->click('.display-sign .keep');
        $theirs->await(static fn (): bool => $theirs->count('.display-sign') === 0, 'the display to be done');
        $clerk->awaitText('#payer-signs', '✓ signed')->ctrlEnter()->awaitText('#settle', 'Posted as INV-');
        $label = $clerk->text('#settle .note a');
        $clerk->go("/documents/{$label}")->awaitText('aside', 'Signature of who paid');
        $this->assertCalm($clerk);
        $this->assertCalm($theirs);
    }

    public function test_a_link_on_a_statement_is_paid_in_part_without_signing_in(): void
    {
        $clerk = $this->clerk('301');
        $link = $clerk->go('/accounts/1007/statement')->awaitText('.pay-link', 'pay/')->text('.pay-link .link');
        $payer = $this->stranger(390, 844)->go('/'.substr($link, (int) strpos($link, 'pay/')));
        $payer->awaitText('h1', 'Account 1007')->type('#amount', '99999')->click('.main-act');
        $payer->awaitText('main', 'is left to pay')->fill('#amount', '12.50')->awaitText('main', '✓ Paid 12.50');
        self::assertSame($payer->width('main'), $payer->width('body'), 'nothing is wider than the telephone');
        $clerk->go('/link-payments')->awaitText('main', 'Account 1007')->awaitText('main', '12.50');
        $this->assertCalm($payer);
    }

    public function test_a_pad_is_typed_checked_and_posted(): void
    {
        $clerk = $this->clerk('301', 2)->go('/takings');
        $clerk->await(static fn (): bool => $clerk->focus() === 'day', 'the day, first');
        $clerk->press('yesterday')->type('[name="rows[0][item]"]', 'LH-1140');
        $clerk->type('[name="rows[0][price]"]', '4.24')->type('[name="rows[0][who]"]', 'Ida Moss');
        $clerk->click('.takings ~ div button')->awaitText('.note', 'One row is right and new');
        $clerk->click('.note .main-act')->awaitText('main', 'Posted as one document.');
        $clerk->go('/counter/new')->alt('r');
        $clerk->press('ida moss')->awaitText('#returnable', 'LH-1140');
        $this->assertCalm($clerk);
    }
}
