<?php

declare(strict_types=1);

namespace Elmstone\Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Key;
use PHPUnit\Framework\Attributes\DataProvider;

/** axe-core finds nothing on any page in any state: the rules of WCAG and what it calls best practice. */
final class AccessibilityTest extends BrowserCase
{
    /** @var array<string, Clerk> by staff number */
    private static array $people = [];

    #[DataProvider('pages')]
    public function test_axe_finds_nothing(string $page, string $number): void
    {
        $this->assertNothing($this->staying($number)->go($page), $page);
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
                '/customers/1001/personal' => '901',
                '/settings' => '901',
                '/settings/shop' => '901',
                '/settings/tills' => '901',
                '/settings/taxes' => '901',
                '/settings/papers' => '901',
                '/settings/changes' => '901',
                '/rights' => '901',
                '/running' => '901',
                '/tables' => '301',
                '/tables/items' => '301',
                '/tables/customers' => '301',
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
                '/letters' => '301',
                '/tables/open-items' => '301',
                '/bank' => '301',
                '/layaways' => '301',
                '/layaways/terms' => '301',
                '/deposits' => '301',
                '/deposits/1077' => '301',
                '/plans' => '301',
                '/reminders' => '301',
                '/till' => '301',
                '/till/count' => '301',
                '/till/terms' => '301',
                '/safe' => '301',
                '/safe/count' => '301',
                '/safe/lodgements/1' => '301',
                '/day' => '301',
                '/calendar' => '901',
                '/gift-cards' => '301',
                '/gift-cards/1' => '301',
                '/store-credit' => '301',
                '/coupons' => '301',
                '/families' => '301',
                '/families/new' => '301',
                '/families/GR' => '301',
                '/families/GR?type=prices' => '301',
                '/markdowns' => '301',
                '/markdowns/now' => '301',
                '/owners' => '301',
                '/owners/CARVER' => '301',
                '/rewards' => '301',
                '/surcharges' => '301',
                '/takings' => '301',
                '/link-payments' => '301',
                '/till/devices' => '101',
                '/labels?from=items&find=hook' => '301',
                '/write-offs' => '301',
                '/return-rules' => '301',
                '/documents/INV-000001/credit' => '301',
                '/orders' => '301',
                '/orders/terms' => '301',
                '/quotes' => '301',
                '/deliveries' => '301',
                '/to-buy' => '301',
                '/purchases' => '301',
                '/purchases/PUR-000001' => '301',
                '/suppliers' => '301',
                '/transfers' => '301',
                '/transfers/TRF-000001' => '301',
                '/transfers/new' => '301',
                '/web-orders' => '301',
                '/web-orders/1' => '301',
                '/web-orders/senders' => '301',
                '/devices/web-shop' => '301',
                '/items' => '301',
                '/items/LH-1140' => '301',
                '/items/new' => '301',
                '/staff' => '901',
                '/security-log' => '901',
                '/limits' => '901',
                '/waiting' => '101',
                '/devices' => '101',
                '/design' => '101',
                '/nowhere' => '101',
            ] as $page => $number
        ) {
            yield $page => [$page, $number];
        }
    }

    public function test_axe_finds_nothing_in_the_middle_of_a_sale(): void
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
        $this->assertNothing($clerk, 'mid-sale');
        $clerk->press(Key::ESCAPE, Key::ESCAPE, 'grout')->awaitText('#found', 'Families')->press(Key::ENTER)
            ->awaitText('#look', 'ivory');
        $this->assertNothing($clerk, 'a family to pick from');
        $this->assertCalm($clerk);
    }

    public function test_axe_finds_nothing_in_what_a_hurried_hand_meets(): void
    {
        $clerk = $this->clerk('201', 2);
        $clerk->reads('LH-1140')->awaitText('#lines', 'Limestone')->reads('NO-99')->awaitText('#unknown', 'NO-99');
        $clerk->fill('.cell[name=price]', 'dear')->awaitText('#lines', 'is not a number');
        $clerk->ctrlEnter()->awaitText('#not-yet', 'is not in force');
        $this->assertNothing($clerk, 'refused and unknown');
        $clerk->press(Key::ESCAPE)->alt('b');
        $clerk->press('Gone to the bank', Key::ENTER)->awaitText('#lines', 'Nothing yet');
        self::assertStringContainsString('✎', $clerk->text('#tabs'));
        $clerk->press('?')->awaitText('#keys-panel', 'these keys');
        $this->assertNothing($clerk, 'the sheet of keys');
        $clerk->press(Key::ESCAPE)->reads('LH-1141')->awaitText('#lines', 'Limestone');
        $clerk->press(Key::ENTER, Key::ENTER);
        // Before the hand moves on, the sum that was counted stands on the page.
        $clerk->await(static fn (): bool => $clerk->text('#why-not') === '', 'the exact sum');
        $clerk->ctrlEnter()->awaitText('#settle', 'Posted as');
        $this->assertNothing($clerk, 'posted');
        $this->assertCalm($clerk);
    }

    public function test_axe_finds_nothing_with_a_customer_over_the_limit(): void
    {
        $clerk = $this->clerk('201', 3);
        $clerk
            ->press('moss daugh')
            ->awaitText('#found', 'Moss & Daughter')
            ->press(Key::ENTER)
            ->awaitText('#who', 'Moss & Daughter');
        $clerk
            ->scan('MA-0031')
            ->awaitText('#who', 'over the limit')
            ->fill('#charge', '50')
            ->awaitText('#settle', 'can approve');
        $this->assertNothing($clerk, 'charging');
        $this->assertCalm($clerk);
    }

    public function test_axe_finds_nothing_with_a_layaway_being_made_and_on_its_page(): void
    {
        $clerk = $this->clerk('201', 2);
        $clerk
            ->press('osric')
            ->awaitText('#found', 'Osric')
            ->press(Key::ENTER)
            ->awaitText('#who', 'Osric');
        $clerk
            ->scan('MA-0031')
            ->awaitText('#lines', 'Tile saw')
            ->click('#hold')
            ->awaitText('#hold-part', 'Layaway agreement')
            ->fill('#hold', '1')
            ->awaitText('#settle', 'can approve');
        $this->assertNothing($clerk, 'holding');
        $clerk->go('/layaways')->click('main table a.code')->awaitText('h1', 'Layaway');
        $clerk->browser->executeScript('document.querySelectorAll("details").forEach((one) => { one.open = true; })');
        $this->assertNothing($clerk, 'layaway');
        $clerk->go('/plans')->click('main table a.code')->awaitText('h1', 'Payment plan');
        $this->assertNothing($clerk, 'plan');
        $this->assertCalm($clerk);
    }

    public function test_axe_finds_nothing_in_what_is_looked_at_from_the_counter(): void
    {
        $clerk = $this->clerk('201', 2);
        $clerk->press('chapel')->awaitText('#found', 'Chapel')->press(Key::ENTER)->awaitText('#who', 'Chapel');
        $clerk->reads('AD-0207')->awaitText('#lines', 'goes with it');
        $clerk->press('tile')->awaitText('#found', 'The first 7')->press(Key::ARROW_RIGHT)->awaitText('#found', 'All');
        $this->assertNothing($clerk, 'by department');
        $clerk->press(Key::ARROW_DOWN, ' ')->awaitText('#look', 'Stock');
        $this->assertNothing($clerk, 'a look at an item');
        $clerk->press(Key::ESCAPE, Key::ESCAPE, Key::ESCAPE);

        foreach (['.' => '#more-acts', 'v' => '#bought', 'k' => '#coupons-fit', 'b' => '#slip-note'] as $key => $part) {
            $clerk->alt($key)->await(static fn (): bool => $clerk->text($part) !== '', $part);
            $this->assertNothing($clerk, $part);
            $clerk->press(Key::ESCAPE);
        }

        foreach (['e' => '#own-terms', 'd' => '#drawer'] as $letter => $part) {
            $clerk->alt('.')->press($letter)->await(static fn (): bool => $clerk->text($part) !== '', $part);
            $this->assertNothing($clerk, $part);
            $clerk->press(Key::ESCAPE);
        }

        $clerk->alt('n');
        $clerk->reads('AD-0207')->awaitText('#lines', 'Floor adhesive');
        $clerk->press(Key::ENTER, Key::ENTER)->ctrlEnter()->awaitText('#settle', 'Posted as');
        $this->assertNothing($clerk, 'just posted');
    }

    public function test_axe_finds_nothing_at_the_door(): void
    {
        $clerk = $this->clerk();
        $clerk->browser->manage()->deleteAllCookies();
        $this->assertNothing($clerk->go('/sign-in'), 'sign-in');
    }

    private function assertNothing(Clerk $clerk, string $page): void
    {
        $clerk->browser->executeScript((string) file_get_contents(dirname(__DIR__, 2).'/tests/Browser/axe.min.js'));
        $found = $clerk->browser->executeAsyncScript(
            'const done = arguments[arguments.length - 1]; axe.run(document).then((result) => '
                .'done(result.violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target + " " + '
                .'(n.any[0]?.message ?? n.none[0]?.message ?? "")).join("; ")}`)))',
        );
        self::assertSame([], $found, $page);
    }
}
