<?php

declare(strict_types=1);

namespace Elmstone\Tests\Browser;

use PHPUnit\Framework\Attributes\DataProvider;

/** axe-core finds nothing serious on any page. */
final class AccessibilityTest extends BrowserCase
{
    /** @var array<string, Clerk> by staff number */
    private static array $people = [];

    #[DataProvider('pages')]
    public function test_axe_finds_nothing_serious(string $page, string $number): void
    {
        $this->assertNothingSerious($this->staying($number)->go($page), $page);
    }

    /** One browser for each person, who stays signed in from page to page. */
    private function staying(string $number): Clerk
    {
        return self::$people[$number] ??= $this->signedIn($number);
    }

    public static function tearDownAfterClass(): void
    {
        array_map(static fn (Clerk $clerk) => $clerk->browser->quit(), self::$people);
        self::$people = [];
    }

    /** @return iterable<string, array{string, string}> */
    public static function pages(): iterable
    {
        foreach (
            [
                '/counter/new' => '201',
                '/documents' => '301',
                '/documents/INV-000001' => '301',
                '/documents/INV-000001/receipt' => '301',
                '/documents/INV-000001/invoice' => '301',
                '/customers' => '301',
                '/customers/1001' => '301',
                '/customers/1001/change' => '301',
                '/customers/import' => '301',
                '/customers/types?item=LH-1140' => '301',
                '/accounts' => '301',
                '/accounts/1001' => '301',
                '/accounts/1001/payment?amount=80' => '301',
                '/accounts/1001/terms' => '301',
                '/accounts/1001/statement' => '301',
                '/accounts/cheques' => '301',
                '/accounts/calls' => '301',
                '/statements' => '301',
                '/finance-charges' => '301',
                '/bank' => '301',
                '/layaways' => '301',
                '/layaways/terms' => '301',
                '/deposits' => '301',
                '/deposits/1077' => '301',
                '/plans' => '301',
                '/reminders' => '301',
                '/gift-cards' => '301',
                '/gift-cards/1' => '301',
                '/store-credit' => '301',
                '/coupons' => '301',
                '/write-offs' => '301',
                '/return-rules' => '301',
                '/documents/INV-000001/credit' => '301',
                '/items' => '301',
                '/items/LH-1140' => '301',
                '/items/new' => '301',
                '/staff' => '901',
                '/devices' => '101',
                '/design' => '101',
                '/nowhere' => '101',
            ] as $page => $number
        ) {
            yield $page => [$page, $number];
        }
    }

    public function test_axe_finds_nothing_serious_in_the_middle_of_a_sale(): void
    {
        $clerk = $this->clerk('201');
        $clerk
            ->scan('12 x AD-0207', 'MA-0031', '250 x FX-5060')
            ->awaitText('#lines', 'Slotted')
            ->fill('#cash', '20')
            ->awaitText('#settle', 'is left to pay');
        $clerk
            ->fill('.cell[name=price]', '1')
            ->awaitText('#lines', 'can approve')
            ->type('#entry', 'valve')
            ->awaitText('#found', 'valve');
        $this->assertNothingSerious($clerk, 'mid-sale');
        $this->assertCalm($clerk);
    }

    public function test_axe_finds_nothing_serious_in_what_a_hurried_hand_meets(): void
    {
        $clerk = $this->clerk('201', 2);
        $clerk->reads('LH-1140')->awaitText('#lines', 'Limestone')->reads('NO-99')->awaitText('#unknown', 'NO-99');
        $clerk->fill('.cell[name=price]', 'dear')->awaitText('#lines', 'is not a number');
        $clerk->ctrlEnter()->awaitText('#not-yet', 'is not in force');
        $this->assertNothingSerious($clerk, 'refused and unknown');
        $clerk->press(\Facebook\WebDriver\WebDriverKeys::ESCAPE)->alt('b');
        $clerk->press('Gone to the bank', \Facebook\WebDriver\WebDriverKeys::ENTER)->awaitText('#lines', 'Nothing yet');
        self::assertStringContainsString('✎', $clerk->text('#tabs'));
        $clerk->press('?')->awaitText('#keys-panel', 'these keys');
        $this->assertNothingSerious($clerk, 'the sheet of keys');
        $clerk->press(\Facebook\WebDriver\WebDriverKeys::ESCAPE)->reads('LH-1141')->awaitText('#lines', 'Limestone');
        $clerk->press(\Facebook\WebDriver\WebDriverKeys::ENTER, \Facebook\WebDriver\WebDriverKeys::ENTER);
        // Before the hand moves on, the sum that was counted stands on the page.
        $clerk->await(static fn (): bool => $clerk->text('#why-not') === '', 'the exact sum');
        $clerk->ctrlEnter()->awaitText('#settle', 'Posted as');
        $this->assertNothingSerious($clerk, 'posted');
        $this->assertCalm($clerk);
    }

    public function test_axe_finds_nothing_serious_with_a_customer_over_the_limit(): void
    {
        $clerk = $this->clerk('201', 3);
        $clerk
            ->press('moss daugh')
            ->awaitText('#found', 'Moss & Daughter')
            ->press(\Facebook\WebDriver\WebDriverKeys::ENTER)
            ->awaitText('#who', 'Moss & Daughter');
        $clerk
            ->scan('MA-0031')
            ->awaitText('#who', 'over the limit')
            ->fill('#charge', '50')
            ->awaitText('#settle', 'can approve');
        $this->assertNothingSerious($clerk, 'charging');
        $this->assertCalm($clerk);
    }

    public function test_axe_finds_nothing_serious_with_a_layaway_being_made_and_on_its_page(): void
    {
        $clerk = $this->clerk('201', 2);
        $clerk
            ->press('osric')
            ->awaitText('#found', 'Osric')
            ->press(\Facebook\WebDriver\WebDriverKeys::ENTER)
            ->awaitText('#who', 'Osric');
        $clerk
            ->scan('MA-0031')
            ->awaitText('#lines', 'Tile saw')
            ->click('#hold')
            ->press('1', \Facebook\WebDriver\WebDriverKeys::ENTER)
            ->awaitText('#settle', 'can approve');
        $this->assertNothingSerious($clerk, 'holding');
        $clerk->go('/layaways')->click('main table a.code')->awaitText('h1', 'Layaway');
        $clerk->browser->executeScript('document.querySelectorAll("details").forEach((one) => { one.open = true; })');
        $this->assertNothingSerious($clerk, 'layaway');
        $clerk->go('/plans')->click('main table a.code')->awaitText('h1', 'Payment plan');
        $this->assertNothingSerious($clerk, 'plan');
        $this->assertCalm($clerk);
    }

    public function test_axe_finds_nothing_serious_at_the_door(): void
    {
        $clerk = $this->clerk();
        $clerk->browser->manage()->deleteAllCookies();
        $this->assertNothingSerious($clerk->go('/sign-in'), 'sign-in');
    }

    private function assertNothingSerious(Clerk $clerk, string $page): void
    {
        $clerk->browser->executeScript((string) file_get_contents(dirname(__DIR__, 2).'/tests/Browser/axe.min.js'));
        $found = $clerk->browser->executeAsyncScript(
            'const done = arguments[arguments.length - 1]; axe.run(document, { runOnly: ["wcag2a", "wcag2aa", '
                .'"wcag21aa"] }).then((result) => done(result.violations.filter((v) => ["serious", '
                .'"critical"].includes(v.impact)).map((v) => `${v.id}: ${v.nodes.map((n) => n.target + " " + '
                .'(n.any[0]?.message ?? "")).join("; ")}`)))',
        );
        self::assertSame([], $found, $page);
    }
}
