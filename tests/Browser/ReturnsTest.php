<?php

declare(strict_types=1);

namespace Elmstone\Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Key;

/** What a clerk does when goods come back, by keyboard wherever it goes. */
final class ReturnsTest extends BrowserCase
{
    /** Sells for cash and says the invoice's number. */
    private function sold(Clerk $clerk, string ...$goods): string
    {
        $clerk->go('/counter/new')->scan(...$goods)->awaitText('#lines', 'hook');
        $clerk->fill('#cash', '100')->awaitText('#settle', 'Change')->ctrlEnter()->awaitText('#settle', 'Posted as');

        return $clerk->text('#settle .note a');
    }

    public function test_a_scanned_receipt_comes_back_for_cash_without_the_mouse(): void
    {
        $clerk = $this->clerk();
        $label = $this->sold($clerk, '3 x LH-1140');
        $clerk->go('/counter/new')->scan($label)->awaitText('#returnable', 'hook');
        $clerk
            ->awaitFirstQuantity()
            ->press('2', Key::ENTER)
            ->awaitText('#returns', 'Coming back');
        $clerk->press(Key::ENTER)->awaitText('#settle', 'To give back');
        $clerk
            ->click('#refund-cash')
            ->press(Key::ENTER)
            ->await(
                static fn (): bool => $clerk->attribute('#post', 'aria-disabled') === 'false',
                'the return is settled',
            );
        $clerk->ctrlEnter()->awaitText('#settle', 'Cash to hand back');
        $clerk->go('/counter/new')->scan($label)->awaitText('#returnable', 'Can come back');
        $clerk
            ->awaitFirstQuantity()
            ->press('2', Key::ENTER)
            ->awaitText('#bring-back-said', 'only 1 can still come back');
        $this->assertCalm($clerk);
    }

    public function test_an_exchange_shows_both_directions_and_settles_the_difference(): void
    {
        $clerk = $this->clerk();
        $label = $this->sold($clerk, 'LH-1140');
        $clerk
            ->go('/counter/new')
            ->alt('r')
            ->await(static fn (): bool => $clerk->focus() === 'back-find', 'the search')
            ->press($label, Key::ENTER)
            ->awaitText('#returnable', 'hook');
        $clerk
            ->awaitFirstQuantity()
            ->press('1', Key::ENTER)
            ->awaitText('#returns', 'Coming back');
        $clerk->scan('LH-1300')->awaitText('#lines', 'Going out')->awaitText('#post', 'Post exchange');
        $clerk->fill('#cash', '100')->awaitText('#settle', 'Change')->ctrlEnter()->awaitText('#settle', 'CN-');
        $this->assertCalm($clerk);
    }

    public function test_a_gift_card_is_sold_and_pays_by_its_number(): void
    {
        $clerk = $this->clerk();
        $clerk
            ->go('/counter/new')
            ->alt('i')
            ->await(static fn (): bool => $clerk->focus() === 'gift-worth', 'what it is worth')
            ->press('20', Key::ENTER)
            ->awaitText('#returns', 'New card')
            ->awaitText('#total', '20.00');
        $clerk
            ->fill('#cash', '20')
            ->awaitText('#settle .bar-svg', 'cash')
            ->ctrlEnter()
            ->awaitText('#settle', 'Posted as RCT-');
        // The number stands on the paper, and on no page.
        $clerk->go('/documents/'.$clerk->text('#settle .note a').'/receipt');
        self::assertDoesNotMatchRegularExpression('/9\d{3}(?: \d{4}){3}/', $clerk->text('body'));
        $clerk
            ->go('/devices')
            ->go(
                (string) $clerk->browser->executeScript(
                    'return new URL(document.querySelector("iframe.paper-frame").src).pathname',
                ),
            );
        preg_match('/Gift card (9\d{3}(?: \d{4}){3})/', $clerk->text('body'), $found);
        $clerk->go('/counter/new')->scan('LH-1140')->awaitText('#lines', 'hook');
        $clerk
            ->scan($found[1] ?? '')
            ->awaitText('#settle', 'worth 20.00')
            ->ctrlEnter()
            ->awaitText('#settle', 'Posted as INV-');
        $this->assertCalm($clerk);
    }

    public function test_a_sale_is_voided_from_its_page_and_stands_on_a_fresh_slip(): void
    {
        $clerk = $this->clerk();
        $label = $this->sold($clerk, '2 x LH-1140', 'LH-1300');
        $clerk->go("/documents/{$label}");
        $clerk->browser->executeScript('document.querySelector("main aside details").open = true');
        $clerk
            ->type('#approver', '201')
            ->type('#approver_pin', '4201')
            ->type('#approver_reason', 'wrong customer')
            ->click('aside details .quiet-act')
            ->awaitText('#lines', 'hook set');
        $clerk->go("/documents/{$label}")->awaitText('main', 'Came back of it');
        $this->assertCalm($clerk);
    }
}
