<?php

declare(strict_types=1);

namespace Elmstone\Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Key;

/** A drawer counted by the number pad, and closed. */
final class TillsTest extends BrowserCase
{
    public function test_a_drawer_is_counted_row_by_row_and_closed_by_a_supervisor(): void
    {
        $clerk = $this->clerk('101', 3);
        $clerk->go('/till')->awaitText('main', 'What should be there is shown once it is counted');
        $clerk->go('/till/count')->await(static fn (): bool => $clerk->focus() === 'unit10000', 'the first row');
        $clerk->press('2', Key::ENTER, Key::ENTER, '4', Key::ENTER);
        $clerk
            ->awaitText('[data-worth="10000"]', '200.00')
            ->awaitText('[data-so-far="2000"]', '280.00')
            ->awaitText('[data-total]', '280.00');
        self::assertSame('unit1000', $clerk->focus());
        $clerk->press('1x', Key::ENTER)->click('main .main-act')->awaitText('main', 'a whole number');
        self::assertSame('2', $clerk->attribute('#unit10000', 'value'));
        $clerk->fill('#unit1000', '1')->awaitText('[data-total]', '290.00');
        $clerk->click('main .main-act')->awaitText('main', 'A supervisor closes it');
        self::assertStringNotContainsString('Close it', $clerk->text('main'));
        $this->assertCalm($clerk);

        $hester = $this->clerk('201', 3);
        $hester->go('/till')->awaitText('main', 'Close it');
        $hester->fill('#left_in', '291')->awaitText('main', 'write what explains it');
        $hester
            ->fill('#left_in', '291')
            ->fill('#note', 'the float was too high')
            ->awaitText('main', 'Only 290.00 is there');
        $hester->fill('#left_in', '150')->awaitText('main', 'To the safe');
        self::assertStringContainsString('140.00', $hester->text('main'));
        self::assertStringContainsString('the float was too high', $hester->text('main'));
        $hester->go('/till')->awaitText('main', 'Float as it was left in: 150.00');
        $this->assertCalm($hester);

        // The next day's first sale opens it in place, by keyboard alone, and nothing typed is lost.
        $clerk->go('/counter/new')->scan('LH-1140')->awaitText('#lines', 'hook');
        $clerk->fill('#cash', '20')->awaitText('#settle', 'Change')->ctrlEnter()->awaitText('#settle', 'not open yet');
        $clerk->browser->executeScript('document.querySelector("#open-till .quiet-act").focus()');
        $clerk->press(Key::ENTER)->awaitText('#settle', 'Change');
        self::assertStringNotContainsString('is not open', $clerk->text('main'));
        $clerk->ctrlEnter()->awaitText('#settle', 'Posted as');
        $this->assertCalm($clerk);
    }
}
