<?php

declare(strict_types=1);

namespace Elmstone\Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys as Key;

/** The office brings files in, changes terms and moves a payment. */
final class OfficeTest extends BrowserCase
{
    private function file(string $name, string $text): string
    {
        $path = sys_get_temp_dir()."/elmstone-{$name}";
        file_put_contents($path, $text);

        return $path;
    }

    public function test_the_banks_file_is_taken_in_looked_at_and_posted(): void
    {
        $clerk = $this->clerk('301');
        $path = $this->file(
            'bank.csv',
            "date,amount,payer,reference\n"
                .date('Y-m-d')
                .",11.11,Quillfeather Joinery,on account\n"
                .date('Y-m-d')
                .",22.22,Nobody Known,no idea\n",
        );
        $clerk->go('/bank');
        $clerk->browser->findElement(WebDriverBy::id('file'))->sendKeys($path);
        $clerk
            ->click('.main-act')
            ->awaitText('main table', 'Quillfeather Joinery')
            ->awaitText('main table', 'nobody known by this');
        $row = 'main tbody tr:nth-child(2)';
        $clerk->browser->findElement(WebDriverBy::cssSelector("{$row} .assign"))->sendKeys('1002'.Key::ENTER);
        $clerk->awaitText($row, 'Moss & Daughter');
        // Of the first only the payer's name speaks: whoever looks at it ticks it.
        $clerk
            ->click('main tbody tr:nth-child(1) input[type=checkbox]')
            ->click('.main-act')
            ->awaitText('.note.done', '2 payments are posted');
        self::assertSame(0, $clerk->count('main tbody input[type=checkbox]'));
        $clerk->go('/bank');
        $clerk->browser->findElement(WebDriverBy::id('file'))->sendKeys($path);
        $clerk->click('.main-act')->awaitText('.note.stop', 'This very file was taken in');
        $this->assertCalm($clerk);
        unlink($path);
    }

    public function test_goods_for_another_location_are_scanned_onto_their_sheet(): void
    {
        $clerk = $this->clerk('301');
        $clerk->go('/transfers/new')->click('input[data-code]');
        $clerk->reads('LH-1140')->reads('AD-0207', 5)->reads('LH-1140', 3)->reads('lh-1140', 30, ['Enter', 'Enter']);
        $typed = $clerk->browser->executeScript(
            'return [...document.querySelectorAll("tr:has([data-code])")].slice(0, 3).map((row) => '
                .'[row.querySelector("[data-code]").value, row.querySelector("[data-many]").value])',
        );
        self::assertSame([['LH-1140', '3'], ['AD-0207', '1'], ['', '']], $typed);
        $clerk->click('button.main-act')->awaitText('.note.done', 'on their way')->awaitText('h1', 'TRF-');
        $this->assertCalm($clerk);
    }

    public function test_a_stop_is_dragged_to_another_place_and_an_order_onto_a_lorry(): void
    {
        $clerk = $this->clerk('301');
        $clerk->go('/deliveries?day='.date('Y-m-d', (int) strtotime(date('N') === '6' ? '+2 days' : '+1 day')));
        $clerk->awaitText('main', 'Flatbed');
        $drag = 'const [from, lane] = [document.querySelector(arguments[0]), document.querySelector(arguments[1])];'
            .'const stops = [...lane.querySelectorAll(".stop")];'
            .'const clientY = arguments[2] === "top" ? stops[0].getBoundingClientRect().top : 10000;'
            .'const how = { bubbles: true, cancelable: true, clientY };'
            .'const go = (to, name) => to.dispatchEvent(new DragEvent(name, how));'
            .'go(from, "dragstart"); go(lane, "dragover"); go(lane, "drop")';
        $names = static fn (): array => (array) $clerk->browser->executeScript(
            'const lane = [...document.querySelectorAll("[data-vehicle]")].find((one) => '
                .'one.textContent.includes("Flatbed"));'
                .'return [...lane?.querySelectorAll(".stop a.code") ?? []].map((one) => one.textContent.trim())',
        );
        $before = $names();
        self::assertGreaterThan(1, count($before), 'a lorry with two stops');
        $lane = '[data-vehicle]:has(#'.$clerk->attribute('.stop[data-move]', 'id').')';
        $clerk->browser->executeScript($drag, ["{$lane} .stop:last-of-type", $lane, 'top']);
        $clerk->await(static fn (): bool => $names() === [end($before), ...array_slice($before, 0, -1)], 'it is first');
        $waiting = $clerk->attribute('[data-order]', 'data-order');
        $clerk->browser->executeScript($drag, ['[data-order]', $lane, 'end']);
        $clerk->await(static fn (): bool => in_array($waiting, $names(), true), 'it is on the lorry');
        $this->assertCalm($clerk);
    }

    public function test_a_table_of_customers_is_looked_at_before_it_comes_in(): void
    {
        $clerk = $this->clerk('301');
        $bad = $this->file('bad.csv', "name,mail\nWren Thackeray-Bell,nomail\n");
        $good = $this->file('good.csv', "name,mail\nWren Thackeray-Bell,wren@example.com\n");
        $clerk->go('/tables/customers');
        $clerk->browser->findElement(WebDriverBy::id('file'))->sendKeys($bad);
        $clerk->click('button.main-act')->awaitText('main', 'is not a mail address');
        $clerk->browser->findElement(WebDriverBy::id('file'))->sendKeys($good);
        $clerk->click('.filters button')->awaitText('main', '1 new, 0 changed, 0 not right');
        $clerk->click('button.main-act')->awaitText('.note.done', 'Brought in: 1 new');
        $clerk->go('/customers')->type('#find', 'thackeray'.Key::ENTER)->awaitText('main table', 'Wren Thackeray-Bell');
        $this->assertCalm($clerk);
        array_map(unlink(...), [$bad, $good]);
    }

    public function test_an_account_is_opened_and_stopped(): void
    {
        $clerk = $this->clerk('301');
        $clerk->go('/customers/1100')->click('main a[href$="/terms"]');
        $clerk
            ->await(static fn (): bool => $clerk->focus() === 'credit_limit', 'the limit')
            ->press('750', Key::ENTER)
            ->awaitText('.note.done', 'Saved');
        $clerk->awaitText('main', 'limit 750');
        $clerk->browser->findElement(WebDriverBy::cssSelector('input[name=reason]'))->sendKeys('asked to'.Key::ENTER);
        $clerk->awaitText('.note.stop', 'asked to');
        $this->assertCalm($clerk);
    }

    public function test_a_report_is_asked_as_of_a_day_and_printed(): void
    {
        $clerk = $this->clerk('301');
        $clerk->go('/deposits')->awaitText('main table', 'On layaways');
        $clerk->browser->executeScript('window.print = () => document.body.dataset.printed = "yes"');
        $clerk->click('main [x-data=prints]');
        self::assertSame('yes', $clerk->attribute('body', 'data-printed'));
        $clerk->go('/deposits?as_of=2000-01-01')->awaitText('main', 'Nothing was held on that day.');
        $this->assertCalm($clerk);
    }
}
