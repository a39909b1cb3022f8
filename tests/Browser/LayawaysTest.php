<?php

declare(strict_types=1);

namespace Elmstone\Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Key;

/** What a clerk does with deposits, layaways and plans, by keyboard wherever it goes. */
final class LayawaysTest extends BrowserCase
{
    private function held(Clerk $clerk, string $customer, string $goods, string $deposit): string
    {
        $clerk
            ->go('/counter/new')
            ->type('#entry', $customer)
            ->awaitText('#found', 'Customers')
            ->press(Key::ENTER)
            ->awaitText('#who', 'no account');
        $clerk->scan($goods)->awaitText('#lines', 'Tile saw');
        $clerk->click('#hold')->awaitText('#hold-part', 'Layaway agreement')->fill('#hold', $deposit);
        $clerk->fill('#cash', '100')->awaitText('#settle', 'Change')->ctrlEnter()->awaitText('#settle', 'Set aside as');

        return $clerk->text('#settle .note a[href*="/layaways/"]');
    }

    public function test_a_layaway_is_signed_paid_off_and_taken_along(): void
    {
        $clerk = $this->clerk();
        $clerk->press('tamsin')->awaitText('#found', 'Tamsin')->press(Key::ENTER)->awaitText('#who', 'Tamsin');
        $clerk->scan('MA-0031')->awaitText('#lines', 'Tile saw');
        $clerk->click('#hold')->awaitText('#hold-part', 'You may cancel at any time');
        $clerk->sign('#sign .pad')->click('#sign .keep')->awaitText('#sign', 'signed');
        $clerk->fill('#hold-count', '3')->awaitText('#sign', 'changed since it was signed');
        $clerk->fill('#hold', '30')->awaitText('#total', '30.00');
        $clerk->sign('#sign .pad')->click('#sign .keep')->awaitText('#sign', 'signed');
        $clerk->fill('#cash', '30')->awaitText('#settle', 'cash')->ctrlEnter()->awaitText('#settle', 'Set aside as');
        $label = $clerk->text('#settle .note a[href*="/layaways/"]');

        $clerk->press(Key::ENTER)->awaitText('#who', 'Walk-in');
        $clerk->scan($label)->awaitText('#layaways', $label)->awaitText('#who', 'Tamsin');
        $left = $clerk->text('#layaways td.figure');
        $clerk->fill('#layaways .cell', $left)->awaitText('#layaways', 'do the goods leave now?');
        self::assertSame('true', $clerk->attribute('#post', 'aria-disabled'));
        $clerk->click('#layaways input[value="1"]')->fill('#cash', '200')->awaitText('#settle', 'Change');
        $clerk->ctrlEnter()->awaitText('#settle', "{$label} became INV-");
        $this->assertCalm($clerk);
    }

    public function test_a_payment_below_the_least_is_approved_in_place(): void
    {
        $clerk = $this->clerk();
        $label = $this->held($clerk, 'verity', 'MA-0031', '30');
        $clerk->go('/counter/new')->scan($label)->awaitText('#layaways', $label);
        $clerk->fill('#layaways .cell', '1')->awaitText('#layaways', 'is at least');
        $clerk
            ->await(static fn (): bool => str_ends_with($clerk->focus(), '-approver'), 'the approval field')
            ->press('201', Key::TAB, '4201', Key::TAB, 'short this week', Key::ENTER)
            ->awaitText('#layaways', 'approved');
        $clerk->fill('#cash', '1')->awaitText('#settle', 'cash')->ctrlEnter()->awaitText('#settle', 'Posted as');
        $this->assertCalm($clerk);
    }

    public function test_a_deposit_waits_and_is_used(): void
    {
        $clerk = $this->clerk();
        $clerk->press('wystan')->awaitText('#found', 'Wystan')->press(Key::ENTER)->awaitText('#who', 'Wystan');
        $clerk->press(Key::ENTER)->press('T')->fill('#deposit_in', '40')->awaitText('#post', 'Take deposit');
        $clerk->fill('#cash', '40')->awaitText('#settle', 'cash')->ctrlEnter()->awaitText('#settle', 'Posted as RCT-');
        $clerk
            ->go('/counter/new')
            ->type('#entry', 'wystan')
            ->awaitText('#found', 'Wystan')
            ->press(Key::ENTER)
            ->awaitText('#who', 'Deposit held');
        $clerk
            ->scan('LH-1140')
            ->awaitText('#lines', 'hook')
            ->click('#deposit_used')
            ->press(Key::ENTER)
            ->awaitText('#settle', 'stays');
        $clerk->ctrlEnter()->awaitText('#settle', 'Posted as INV-');
        $this->assertCalm($clerk);
    }

    public function test_a_layaway_is_cancelled_from_its_page_and_what_was_typed_stays(): void
    {
        $clerk = $this->clerk('201');
        $label = $this->held($clerk, 'ulric', 'MA-0031', '50');
        $clerk->go("/layaways/{$label}");
        $clerk->browser->executeScript(
            'const last = [...document.querySelectorAll("details.fold")].pop(); last.open = true; '
                .'last.scrollIntoView(); document.getElementById("back-cash").value = "";',
        );
        $clerk
            ->type('#back-cash', '50')
            ->type('#reason', 'moves away')
            ->click('.danger-act')
            ->awaitText('main', '40.00 goes back, but what is typed comes to 50.00');
        self::assertSame('moves away', $clerk->attribute('#reason', 'value'));
        $clerk->browser->executeScript('document.getElementById("back-cash").value = ""');
        $clerk->type('#back-cash', '40')->click('.danger-act')->awaitText('.note.done', 'is cancelled');
        $this->assertCalm($clerk);
    }

    public function test_an_invoice_is_put_on_a_plan(): void
    {
        $clerk = $this->clerk('301');
        $clerk->press('tallow')->awaitText('#found', 'Tallow')->press(Key::ENTER)->awaitText('#who', 'Tallow');
        $clerk
            ->scan('MA-0031')
            ->awaitText('#lines', 'Tile saw')
            ->click('#charge')
            ->press(Key::ENTER)
            ->awaitText('#settle .bar-svg', 'house account');
        $clerk->ctrlEnter()->awaitText('#settle', 'Posted as');
        $clerk
            ->click('#settle .note a')
            ->awaitText('h1', 'Invoice')
            ->click('a[href$="/plan"]')
            ->awaitText('h1', 'in parts');
        $clerk->type('#count', 'x'.Key::ENTER)->awaitText('main', 'between 1 and 120 parts');
        $clerk->browser->executeScript('document.getElementById("count").value = ""');
        $clerk
            ->type('#count', '3'.Key::ENTER)
            ->awaitText('main', 'Paid in 3 parts')
            ->type('#charge', '0');
        self::assertNotSame(
            '',
            $clerk->attribute('button.main-act', 'disabled'),
            'Nothing is made that was not worked out.',
        );
        $clerk->go($clerk->path())->click('button.main-act')->awaitText('.note.done', 'is paid in 3 parts now');
        $this->assertCalm($clerk);
    }
}
