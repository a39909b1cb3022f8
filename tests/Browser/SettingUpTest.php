<?php

declare(strict_types=1);

namespace Elmstone\Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Key;

/** A newcomer with a shop of their own: from an empty database to the first sale, at the till for practising. */
final class SettingUpTest extends BrowserCase
{
    private const KEY = '0123456789abcdef';

    public function test_from_empty_to_the_first_sale(): void
    {
        $empty = Served::empty('elmstone_test_own', self::KEY);
        $clerk = $this->at($empty->address);
        $clerk->go('/')->awaitText('h1', 'Whose shop is this?');
        $clerk->type('#key', 'another one')->press(Key::ENTER)->awaitText('.complaint', 'not the key');
        $clerk->type('#key', self::KEY)->press(Key::ENTER)->awaitText('h1', 'Shop');

        // What is wrong is said beside its field, and what was typed stays.
        $clerk->type('#name', 'Reed Lane Tools')->type('#country', 'Utopia')->type('#currency', 'usd')
            ->press(Key::ENTER)->awaitText('.complaint', 'Two capital letters');
        self::assertSame('Reed Lane Tools', $clerk->attribute('#name', 'value'));
        $clerk->fill('#country', 'us')->awaitText('h1', 'Taxes');
        $clerk->go('/setup/taxes?example=us')->awaitText('.note', 'Made-up')->click('.main-act')
            ->awaitText('h1', 'Places');
        $clerk->type('#places-0-code', 'MA')->type('#places-0-name', 'Main shop')
            ->type('#places-0-street', '1 Reed Lane')->type('#places-0-town', 'Ostrey')
            ->type('#places-0-taxes', 'Main place')->click('.main-act')->awaitText('h1', 'Tills');
        $clerk->click('.main-act')->awaitText('h1', 'Departments');
        $clerk->type('#departments-0-code', 'tools')->type('#departments-0-name', 'Tools')->press(Key::ENTER)
            ->awaitText('h1', 'Owner');
        $clerk->type('#number', '77')->type('#pin', '704613')->type('#name', 'Vera Lindqvale')->press(Key::ENTER)
            ->awaitText('h1', 'Terms');
        $clerk->click('.main-act')->awaitText('h1', 'Numbers');
        $clerk->click('.main-act')->awaitText('h1', 'Ready to open');
        $clerk->click('.step form .main-act')->awaitText('.note', 'The shop is open');

        // At the practice till, which is the one that is proposed.
        $clerk->type('#number', '77')->type('#pin', '704613')->press(Key::ENTER)->awaitText('.training', 'Training');
        $clerk->alt('l')->await(static fn (): bool => $clerk->focus() === 'one-off-description', 'the one-off line');
        $clerk->press('A hammer')->fill('#one-off-price', '20')->awaitText('#lines', 'hammer');
        $clerk->fill('#cash', '30')->awaitText('#settle', 'Change');
        // There is no printer yet, and it says so; the sale is practised all the same.
        $clerk->ctrlEnter()->awaitText('main', 'nothing was posted')->awaitText('main', 'has no printer');
        $this->assertCalm($clerk);
        self::assertSame(0, (int) $empty->query('SELECT COUNT(*) FROM documents'));
        $empty->stop();
    }
}
