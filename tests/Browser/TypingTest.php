<?php

declare(strict_types=1);

namespace Elmstone\Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Key;
use PHPUnit\Framework\Attributes\DataProvider;

/** Where typing goes: what is scanned reaches the entry line wherever the hand is, and fingers write where it is. */
final class TypingTest extends BrowserCase
{
    /** @phpstan-impure */
    private function value(Clerk $clerk, string $id): string
    {
        return (string) $clerk->browser->executeScript("return document.getElementById('{$id}').value");
    }

    private function lines(Clerk $clerk, int $count): Clerk
    {
        return $clerk->await(static fn (): bool => $clerk->count('#lines tr.line') === $count, "{$count} lines");
    }

    private function focus(Clerk $clerk, string $id): Clerk
    {
        $clerk->browser->executeScript("document.getElementById('{$id}').focus()");

        return $clerk->await(static fn (): bool => $clerk->focus() === $id, $id);
    }

    /** @return array{string, string} ids of a price that somebody has to allow, and of the field for who allows it */
    private function refusedPrice(Clerk $clerk): array
    {
        $this->lines($clerk->reads('LH-1140'), 1);
        $clerk->press(Key::ARROW_UP);
        $price = $clerk->attribute('#lines tr.line .cell[name=price]', 'id');
        $clerk->fill("#{$price}", '0.10')->await(
            static fn (): bool => str_ends_with($clerk->focus(), '-approver'),
            'the approver’s number',
        );

        return [$price, $clerk->focus()];
    }

    /** @return iterable<string, array{int, list<'Enter'|'Tab'>}> milliseconds a key, and what ends it */
    public static function scanners(): iterable
    {
        yield 'fast' => [3, ['Enter']];
        yield 'slow' => [30, ['Enter']];
        yield 'by Tab' => [10, ['Tab']];
        yield 'two Enters' => [10, ['Enter', 'Enter']];
    }

    /** @param  list<'Enter'|'Tab'>  $suffix */
    #[DataProvider('scanners')]
    public function test_a_scan_while_cash_is_counted_is_sold_and_no_money(int $each, array $suffix): void
    {
        $clerk = $this->clerk();
        $this->lines($clerk->reads('LH-1140', $each, $suffix), 1);
        $this->focus($clerk, 'cash')->press('12');
        $this->lines($clerk->reads('AD-0207', $each, $suffix), 2);
        self::assertSame(['cash', '12'], [$clerk->focus(), $this->value($clerk, 'cash')]);
        $clerk->press('.50', Key::ENTER)->awaitText('#settle', 'left to pay');
        $clerk->await(fn (): bool => $this->value($clerk, 'cash') === '12.50', 'what was counted');
        $clerk->await(static fn (): bool => ! str_contains($clerk->text('#settle'), 'Change'), 'no change');
    }

    public function test_no_field_and_no_button_takes_a_scan(): void
    {
        $clerk = $this->clerk('101');
        $this->lines($clerk->reads('LH-1140'), 1);

        $fields = ['i' => 'gift-worth', 'w' => 'discount', 'c' => 'new-name', 'l' => 'one-off-price'];

        foreach ($fields as $key => $field) {
            $clerk->alt($key);
            $this->focus($clerk, $field)->reads('LH-1141');
            $clerk->await(
                static fn (): bool => $clerk->browser->executeScript(
                    'return [...document.querySelectorAll("#lines .first")].pop().value',
                ) !== '' && $clerk->browser->executeScript('return document.body.ariaBusy') !== 'true',
                'the scan',
            );
            self::assertSame([$field, ''], [$clerk->focus(), $this->value($clerk, $field)]);
            $clerk->press(Key::ESCAPE);
        }

        $this->lines($clerk, 2);
        self::assertSame('4', $clerk->attribute('#lines tr.line:nth-of-type(2) .first', 'value'));
        $this->focus($clerk, 'post')->reads('AD-0207');
        $this->lines($clerk, 3);
        self::assertSame('post', $clerk->focus());
        self::assertStringNotContainsString('Posted', $clerk->text('#settle'));
        $this->assertCalm($clerk);
    }

    public function test_an_approval_that_is_being_typed_takes_no_scan(): void
    {
        $clerk = $this->clerk('101');
        [, $approver] = $this->refusedPrice($clerk);
        $clerk->press('201')->reads('AD-0207');
        $this->lines($clerk, 2);
        self::assertSame('201', $this->value($clerk, $approver));

        foreach (['pin', 'reason'] as $field) {
            $id = str_replace('approver', $field, $approver);
            $this->focus($clerk, $id)->reads('AD-0207');
            $clerk->await(
                static fn (): bool => $clerk->browser->executeScript('return document.body.ariaBusy') !== 'true',
                'the scan',
            );
            self::assertSame('', $this->value($clerk, $id));
        }

        self::assertSame('3', $clerk->attribute('#lines tr.line:nth-of-type(2) .first', 'value'));
    }

    public function test_what_stands_in_the_line_by_hand_stays_there(): void
    {
        $clerk = $this->clerk();
        $clerk->press('elb');
        usleep(200_000);
        $this->lines($clerk->reads('LH-1140'), 1);
        self::assertSame(['entry', 'elb'], [$clerk->focus(), $this->value($clerk, 'entry')]);
        $clerk->ctrlEnter()->awaitText('#not-yet', 'still in the entry line');
        self::assertSame('entry', $clerk->focus());
    }

    public function test_what_is_not_known_stays_in_sight_and_nothing_is_posted_until_it_is_dealt_with(): void
    {
        $clerk = $this->clerk();
        $clerk->reads('LH-1140', 3)->reads('5012345999999', 3)->reads('AD-0207', 3)->reads('NO-9', 3);
        $this->lines($clerk, 2)->awaitText('#unknown', 'NO-9');
        self::assertStringContainsString('5012345999999', $clerk->text('#unknown'));
        $clerk->fill('#cash', '900')->awaitText('#settle', 'Change')->ctrlEnter()->awaitText('#settle', 'in no list');
        $clerk->click('#unknown .unknown-scan:last-child [data-sends]');
        $clerk->await(static fn (): bool => ! str_contains($clerk->text('#unknown'), 'NO-9'), 'one of them gone');
        $clerk->click('#unknown [data-one-off]')->await(
            static fn (): bool => $clerk->focus() === 'one-off-description',
            'the one-off line',
        );
        self::assertSame('5012345999999', $this->value($clerk, 'one-off-description'));
        $clerk->fill('#one-off-price', '2.00');
        $this->lines($clerk, 3)->await(static fn (): bool => $clerk->text('#unknown') === '', 'nothing unknown');
        $clerk->ctrlEnter()->awaitText('#settle', 'Posted as');
    }

    public function test_the_first_scans_after_posting_begin_the_next_slip(): void
    {
        $clerk = $this->clerk();
        $this->lines($clerk->reads('LH-1140'), 1);
        $clerk->fill('#cash', '20')->awaitText('#settle', 'Change')->ctrlEnter()->awaitText('#settle', 'Posted as');
        $posted = $clerk->path();
        $clerk->reads('AD-0207', 3)->reads('VA-2214', 3);
        $this->lines($clerk, 2);
        self::assertStringContainsString('Brass gate valve', $clerk->text('#lines'));
        self::assertStringNotContainsString('Limestone', $clerk->text('#lines'));
        self::assertNotSame($posted, $clerk->path());
        $clerk->alt('l')->await(static fn (): bool => $clerk->focus() === 'one-off-description', 'the one-off line');
        $clerk->press('Sand, a bucket')->fill('#one-off-price', '3.00');
        $this->lines($clerk, 3);
        $clerk->browser->navigate()->refresh();
        $this->lines($clerk, 3);
        $this->assertCalm($clerk);
    }

    public function test_enter_takes_what_is_shown_or_what_is_named_exactly(): void
    {
        $clerk = $this->clerk();
        // Too soon for the list: it waits for a choice.
        $clerk->browser->executeScript(
            'const e = document.getElementById("entry"); e.value = "pipe"; '
                .'e.dispatchEvent(new KeyboardEvent("keydown", { key: "Enter", bubbles: true }))',
        );
        $clerk->awaitText('#found', 'PI-2800');
        self::assertSame(0, $clerk->count('#lines tr.line'));
        self::assertSame('pipe', $this->value($clerk, 'entry'));
        $clerk->press(Key::ARROW_DOWN);
        $second = $clerk->text('#found [aria-selected=true] .code');
        $clerk->press(Key::ENTER)->awaitText('#lines', $second);

        foreach (['4', '*', '4 x', '555'] as $typed) {
            $clerk->press($typed, Key::ENTER)->awaitText('#said', "No code is “{$typed}”")->await(
                fn (): bool => $this->value($clerk, 'entry') === $typed,
                'what was typed',
            );
            $clerk->browser->executeScript('document.getElementById("entry").value = ""');
            $clerk->press(Key::ESCAPE);
        }

        $this->lines($clerk, 1);
        self::assertStringContainsString('Walk-in', $clerk->text('#who'));

        foreach (['lh1140' => 1, '2*LH-1140' => 3, '3xLH-1140' => 6, '2 x LH1140' => 8] as $typed => $pieces) {
            $clerk->press($typed, Key::ENTER)->await(
                static fn (): bool => $clerk->count('#lines tr.line') === 2
                    && $clerk->attribute('#lines tr.line:nth-of-type(2) .first', 'value') === (string) $pieces,
                "{$pieces} by {$typed}",
            );
        }
    }

    public function test_what_was_refused_stays_marked_until_it_is_mended_or_left(): void
    {
        $clerk = $this->clerk();
        $this->lines($clerk->reads('LH-1140'), 1);
        $price = $clerk->attribute('#lines tr.line .cell[name=price]', 'id');
        $clerk->fill("#{$price}", 'dear')->awaitText('#lines', 'is not a number');
        $clerk->fill('#cash', '20')->awaitText('#settle', 'Change');
        self::assertSame('dear', $this->value($clerk, $price));
        self::assertStringContainsString('is-refused', $clerk->attribute("#{$price}", 'class'));
        $clerk->ctrlEnter()->awaitText('#not-yet', 'is not in force');
        self::assertSame($price, $clerk->focus());
        // The same again is tried again.
        $clerk->press(Key::ENTER)->awaitText('#lines', 'is not a number');
        $clerk->fill("#{$price}", '4.00')->await(static fn (): bool => $clerk->text('#total') === '4.29', 'its price');
        $clerk->fill("#{$price}", 'cheap')->awaitText('#lines', 'is not a number');
        $this->focus($clerk, $price)->press(Key::ESCAPE);
        self::assertSame('4.00', $this->value($clerk, $price));
        $clerk->ctrlEnter()->awaitText('#settle', 'Posted as');
    }

    public function test_what_waits_while_the_server_is_away_goes_on_with_its_own_slip(): void
    {
        $clerk = $this->clerk();
        $this->lines($clerk->reads('LH-1140'), 1);
        $slip = $clerk->path();
        $this->served()->stop();
        $clerk->reads('AD-0207')->reads('VA-2214')->awaitText('#banner', 'What you did is kept here');
        $clerk->alt('n');
        $this->served()->start();
        $this->lines($clerk, 0)->await(static fn (): bool => $clerk->path() !== $slip, 'a fresh slip');
        $this->lines($clerk->go($slip), 3);
        $this->served()->stop();
        $clerk->reads('LH-1141')->awaitText('#banner', 'What you did is kept here');
        $this->served()->start();
        $clerk->browser->navigate()->refresh();
        $this->lines($clerk, 4);
    }

    public function test_a_pin_that_waits_for_the_server_is_in_no_store_of_the_window(): void
    {
        $clerk = $this->clerk('101');
        [$price, $approver] = $this->refusedPrice($clerk);
        $this->served()->stop();
        $clerk->press('201');
        $this->focus($clerk, str_replace('approver', 'reason', $approver))->press('old stock');
        $this->focus($clerk, str_replace('approver', 'pin', $approver))->press('4201', Key::ENTER);
        $clerk->reads('AD-0207')->awaitText('#banner', 'What you did is kept here');
        $kept = (string) $clerk->browser->executeScript(
            'return JSON.stringify({ ...sessionStorage, ...localStorage })',
        );
        self::assertStringContainsString('AD-0207', $kept);
        self::assertStringNotContainsString('4201', $kept);
        $this->served()->start();
        $this->lines($clerk, 2);
        self::assertSame('0.10', $this->value($clerk, $price));
    }

    public function test_what_is_refused_on_another_slip_is_said(): void
    {
        $clerk = $this->clerk('101');
        $this->lines($clerk->reads('LH-1140'), 1);
        $clerk->press(Key::ARROW_UP);
        $url = $clerk->attribute('#lines tr.line .cell[name=price]', 'data-save');
        $clerk->browser->executeScript(
            'sessionStorage.setItem("acts", JSON.stringify({ by: document.querySelector("[data-by]").dataset.by,'
                .' acts: [{ url: arguments[0], fields: { price: "dear", act: crypto.randomUUID() } }] }))',
            [$url],
        );
        $clerk->go('/counter/new')->awaitText('#banner', 'another slip was refused');
        self::assertSame(0, $clerk->count('#lines tr.line'));
    }

    public function test_what_somebody_else_left_undone_is_dropped_and_said(): void
    {
        $clerk = $this->clerk('101');
        $this->lines($clerk->reads('LH-1140'), 1);
        $clerk->browser->executeScript(
            'sessionStorage.setItem("acts", JSON.stringify({ by: "0", acts: [{ url: arguments[0], fields: { entry: '
                .'"AD-0207", act: crypto.randomUUID() } }] }))',
            [$clerk->attribute('#entry', 'data-add')],
        );
        $slip = $clerk->path();
        $clerk->go($slip)->awaitText('#banner', 'before you did not go through');
        $this->lines($clerk->go($slip), 1);
        self::assertSame('', $clerk->text('#banner'));
    }

    public function test_three_things_for_cash_take_three_keys_beside_the_scans(): void
    {
        $clerk = $this->clerk();
        $this->lines($clerk->reads('LH-1140')->reads('AD-0207')->reads('VA-2214'), 3);
        $clerk->press(Key::ENTER)->await(static fn (): bool => $clerk->focus() === 'cash', 'cash');
        $total = $clerk->text('#total');
        $clerk->press(Key::ENTER)->await(fn (): bool => $this->value($clerk, 'cash') === $total, 'the exact sum');
        $clerk->ctrlEnter()->awaitText('#settle', 'Posted as');
        self::assertSame('', $clerk->text('#change'));
    }

    public function test_a_discount_says_what_it_will_be_while_it_is_typed(): void
    {
        $clerk = $this->clerk();
        $this->lines($clerk->reads('LH-1140')->reads('LH-1141'), 2);
        $field = $clerk->attribute('#lines tr.line .cell[name=discount]', 'id');

        $all = [
            '5' => ['5 % off', '5 %'], '5%' => ['5 % off', '5 %'], '0.50' => ['0.50 off', '0.50 off'],
            '-.1' => ['0.10 off', '0.10 off'], '2,5' => ['2.5 % off', '2.5 %'],
            '0.2 off' => ['0.20 off', '0.20 off'],
        ];

        foreach ($all as $typed => [$says, $is]) {
            $this->focus($clerk, $field)->press((string) $typed)->awaitText('.off-says', $says);
            $clerk->press(Key::ENTER)->await(
                fn (): bool => $this->value($clerk, $field) === $is && $clerk->focus() === 'entry',
                "{$is} by {$typed}",
            );
            self::assertSame('', $clerk->text('.off-says'));
        }
    }

    public function test_keys_go_where_they_say_and_the_sheet_opens_everywhere(): void
    {
        $clerk = $this->clerk('101', 1);
        $clerk->press('?')->awaitText('#keys-panel', 'these keys')->press(Key::ESCAPE);
        self::assertSame('', $this->value($clerk, 'entry'));
        $this->focus($clerk, 'cash');
        $clerk->browser->getKeyboard()->sendKeys(Key::F1);
        $clerk->awaitText('#keys-panel', 'these keys')->press(Key::ESCAPE);
        $this->lines($clerk->reads('LH-1140'), 1);
        $clerk->alt('a')->await(
            static fn (): bool => (bool) $clerk->browser->executeScript(
                'return document.getElementById("paper-mail").checked && document.body.ariaBusy !== "true"',
            ),
            'mail',
        );
        $clerk->alt('z')->awaitText('#lines', 'Nothing yet');
        $this->assertCalm($clerk);
    }

    public function test_slips_further_back_fold_into_a_list_that_is_searched(): void
    {
        $clerk = $this->clerk('103', 2);
        $goods = ['LH-1140', 'AD-0207', 'VA-2214', 'LH-1141'];

        for ($i = 0; $i < 13; $i++) {
            $this->lines($clerk->reads($goods[$i % 4]), 1);
            $clerk->alt('n');
            $this->lines($clerk, 0);
        }

        $wide = 'return document.documentElement.scrollWidth <= window.innerWidth';
        self::assertTrue($clerk->browser->executeScript($wide));
        $clerk->alt('s')->await(static fn (): bool => $clerk->focus() === 'folded-find', 'the list');
        $clerk->press('limestone', Key::ENTER);
        $this->lines($clerk, 1);
        self::assertStringContainsString('Limestone', $clerk->text('#lines'));
        $this->assertCalm($clerk);
    }

    public function test_a_charge_with_a_purchase_order_takes_twelve_keys(): void
    {
        $clerk = $this->clerk('101', 1);
        $this->lines($clerk->reads('LH-1140'), 1);
        $name = (string) $this->served()->query(
            'SELECT c.name FROM customers c JOIN house_accounts a ON a.customer_id = c.id WHERE a.stopped = 0 AND '
                .'a.credit_limit - a.balance > 50000 AND a.allowed_overdue_days > 0 AND NOT EXISTS (SELECT 1 FROM '
                ."open_items i WHERE i.customer_id = c.id AND i.`open` > 0 AND i.kind = 'charge' AND i.due_date < "
                .'CURDATE()) ORDER BY c.id LIMIT 1',
        );
        $this->served()->query(
            "UPDATE house_accounts SET buyer = 'optional' WHERE customer_id = "
                .'(SELECT id FROM customers WHERE name = '.var_export($name, true).')',
        );
        $clerk->press(mb_strtolower(mb_substr($name, 0, 3)))->awaitText('#found', $name);
        // Three letters are enough for the one on top, or an arrow more finds them.
        $chosen = $clerk->text('#found [aria-selected=true]');
        $clerk->press(...str_contains($chosen, $name) ? [Key::ENTER] : [Key::ARROW_DOWN, Key::ENTER]);
        $clerk->await(static fn (): bool => $clerk->text('#who .who-name') !== 'Walk-in', 'the customer');
        $clerk->alt('u')->await(static fn (): bool => $clerk->focus() === 'purchase_order', 'the purchase order');
        $clerk->press('77', Key::ENTER)->await(static fn (): bool => $clerk->focus() === 'entry', 'the entry line');
        $clerk->press(Key::ENTER)->await(static fn (): bool => $clerk->focus() === 'cash', 'Settle');
        $clerk->press('A', Key::ENTER)->await(
            fn (): bool => $this->value($clerk, 'charge') === $clerk->text('#total'),
            'the charge',
        );
        self::assertSame('', $clerk->text('#why-not'));
        $clerk->ctrlEnter()->awaitText('#settle', 'Posted as');
    }

    public function test_a_line_comes_back_for_cash_by_five_keys_beside_the_scan(): void
    {
        $clerk = $this->clerk('101', 2);
        $this->lines($clerk->reads('LH-1140')->reads('AD-0207'), 2);
        $clerk->press(Key::ENTER, Key::ENTER)->ctrlEnter()->awaitText('#settle', 'Posted as');
        $label = $clerk->text('#settle .note a');
        $clerk->press(Key::ENTER);
        $this->lines($clerk, 0)->reads($label)->awaitText('#returnable', 'hook')->awaitFirstQuantity();
        $clerk->press('1', Key::ENTER)->awaitText('#returns', 'Coming back');
        $clerk->await(static fn (): bool => $clerk->focus() === 'entry', 'the entry line');
        $clerk->press(Key::ENTER)->await(static fn (): bool => $clerk->focus() === 'refund-cash', 'cash');
        $clerk->press(Key::ENTER)->await(
            static fn (): bool => $clerk->attribute('#post', 'aria-disabled') === 'false',
            'the return is settled',
        );
        $clerk->ctrlEnter()->awaitText('#settle', 'Cash to hand back');
    }

    public function test_a_layaway_payment_takes_three_keys_beside_the_scan(): void
    {
        $clerk = $this->clerk('101', 2);
        $label = (string) $this->served()->query(
            "SELECT label FROM agreements WHERE kind = 'layaway' AND state = 'running' AND next_due > CURDATE() AND "
                .'location_id = 1 ORDER BY id DESC LIMIT 1',
        );
        $clerk->reads($label)->awaitText('#layaways', $label);
        $clerk->press(Key::ENTER)->await(static fn (): bool => $clerk->focus() === 'cash', 'Settle');
        $clerk->press(Key::ENTER)->await(fn (): bool => $this->value($clerk, 'cash') !== '', 'the exact sum');
        $clerk->ctrlEnter()->awaitText('#settle', 'Posted as');
    }

    public function test_a_row_is_looked_at_by_space_and_the_list_narrows_by_department(): void
    {
        $clerk = $this->clerk('101', 2);
        $clerk->press('tile')->awaitText('#found', 'The first 7');
        $clerk->browser->executeScript('document.getElementById("found").firstElementChild.dataset.before = "1"');
        $clerk->press(' ');
        self::assertSame('tile ', $this->value($clerk, 'entry'), 'In the middle of typing a space is a space.');
        // The list is another when the space is answered; families come before the items.
        $clerk->await(static fn (): bool => $clerk->count('#found [data-before]') === 0, 'the answer to the space');
        $clerk->awaitText('#found', 'The first 7');

        for ($down = 0; $down < 9 && $clerk->count('#found [aria-selected=true][data-item]') === 0; $down++) {
            $clerk->press(Key::ARROW_DOWN);
        }

        $clerk->press(' ')->awaitText('#look', 'Stock');
        self::assertSame(['entry', 'tile '], [$clerk->focus(), $this->value($clerk, 'entry')]);
        $clerk->press(Key::ESCAPE)->await(static fn (): bool => $clerk->text('#look') === '', 'the list again');
        $clerk->press(Key::ARROW_RIGHT)->await(
            static fn (): bool => $clerk->count('#found [aria-pressed=true]:not([data-department=""])') === 1,
            'one department',
        );
        $this->lines($clerk->press(Key::ENTER), 1);
        $clerk->press('tile')->awaitText('#found', 'The first 7');
        self::assertSame(0, $clerk->count('#found .narrow-by'), 'Nothing is kept for the next.');
        $clerk->press(Key::ESCAPE, Key::ESCAPE, Key::ARROW_UP, ' ')->awaitText('#look', 'Prices');
        self::assertStringNotContainsString(' ', $this->value($clerk, $clerk->focus()));
        $this->lines($clerk->reads('LH-1140'), 2);
        $this->assertCalm($clerk);
    }

    public function test_rarer_acts_are_two_keys_away_and_give_the_hand_back(): void
    {
        $clerk = $this->clerk('101', 2);
        $this->lines($clerk->reads('AD-0207'), 1);
        $clerk->alt('.')->await(static fn (): bool => str_starts_with($clerk->focus(), 'more-'), 'more');
        $clerk->press(Key::ESCAPE)->await(static fn (): bool => $clerk->focus() === 'entry', 'the entry line');
        $clerk->alt('.')->press('d')->await(static fn (): bool => $clerk->focus() === 'drawer_reason', 'why');
        $clerk->press('float', Key::ENTER)->awaitText('#said', 'on record');
        $clerk->await(static fn (): bool => $clerk->focus() === 'entry', 'the entry line');
        $clerk->alt('.')->press('p')->await(static fn (): bool => $clerk->focus() === 'change-number', 'who serves');
        $clerk->press(Key::ESCAPE)->alt('g');
        $this->lines($clerk, 2);
        $clerk->alt('.')->press('c')->awaitText('#said', 'goes to the printer');
        $this->assertCalm($clerk);
    }

    public function test_what_becomes_of_the_slip_is_chosen_by_key(): void
    {
        $clerk = $this->clerk('101', 2);
        $this->lines($clerk->reads('AD-0207'), 1);
        self::assertSame("E Sale\nU Quote", $clerk->text('.becomes'), 'Without a customer only a quote is another.');
        self::assertStringContainsString('name a customer first', $clerk->text('.shut'));
        $clerk->press('chapel')->awaitText('#found', 'Chapel')->press(Key::ENTER)->awaitText('.becomes', 'Layaway');
        $clerk->press(Key::ENTER)->await(static fn (): bool => $clerk->focus() === 'cash', 'Settle');
        $clerk->press('L', Key::ENTER)->awaitText('#post', 'Hold as layaway');
        $clerk->await(static fn (): bool => $clerk->focus() === 'hold', 'the deposit');
        $clerk->press('U', Key::ENTER)->awaitText('#post', 'Give the quote');
        $clerk->press('O', Key::ENTER)->awaitText('#post', 'Take the order');
        $clerk->await(static fn (): bool => $clerk->focus() === 'order-deposit', 'what is paid now');
        $clerk->click('#becomes-sale')->awaitText('#post', 'Post sale');
        $clerk->press('L', Key::ENTER)->awaitText('#post', 'Hold as layaway');
        $clerk->await(static fn (): bool => $clerk->focus() === 'hold', 'the deposit');
        $clerk->press('E', Key::ENTER)->awaitText('#post', 'Post sale');
        $clerk->press('P')->await(static fn (): bool => $clerk->focus() === 'on_account', 'towards the account');
        $clerk->press('5', Key::ENTER)->awaitText('#post', 'Post sale and payment');
        $this->assertCalm($clerk);
    }

    public function test_a_removed_line_is_taken_back_by_one_key(): void
    {
        $clerk = $this->clerk();
        $this->lines($clerk->reads('LH-1140')->reads('AD-0207'), 2);
        $clerk->press(Key::ARROW_UP)->await(static fn (): bool => $clerk->focus() !== 'entry', 'the line');
        $clerk->alt('x');
        $this->lines($clerk, 1)->alt('t');
        $this->lines($clerk, 2);
        self::assertStringContainsString('Floor adhesive', $clerk->text('#lines'));
    }

    public function test_an_arrow_past_the_last_brings_the_rest_of_the_list(): void
    {
        $clerk = $this->clerk();
        $clerk->press('tile')->awaitText('#found', 'The first 7');

        for ($i = 0; $i < 7; $i++) {
            $clerk->press(Key::ARROW_DOWN);
        }

        $clerk->await(static fn (): bool => $clerk->count('#found [data-item]') > 7, 'more');
        $eighth = $clerk->text('#found [aria-selected=true] .code');
        self::assertNotSame('', $eighth);
        $clerk->press(Key::ENTER)->awaitText('#lines', $eighth);
    }

    public function test_what_a_customer_bought_is_one_key_away(): void
    {
        $clerk = $this->clerk();
        $clerk->press('chapel')->awaitText('#found', 'Chapel')->press(Key::ENTER)->awaitText('#who', 'Chapel');
        $clerk->alt('v')->await(static fn (): bool => $clerk->focus() === 'bought-find', 'what they bought');
        $first = $clerk->text('#bought button.row-bought .code');
        self::assertNotSame('', $first);
        $clerk->press($first, Key::ENTER)->awaitText('#lines', $first);
        $clerk->press(Key::ESCAPE);
        self::assertSame('entry', $clerk->focus());
        $this->assertCalm($clerk);
    }

    public function test_what_the_slip_earns_stays_in_sight(): void
    {
        $clerk = $this->clerk('201');
        $this->lines($clerk->reads('LH-1140'), 1)->alt('m')->await(
            static fn (): bool => $clerk->text('#margin') !== '',
            'what it earns',
        );
        $before = $clerk->text('#margin');
        $this->lines($clerk->reads('MA-0031'), 2)->await(
            static fn (): bool => ! in_array($clerk->text('#margin'), ['', $before], true),
            'what it earns now',
        );
        self::assertSame('entry', $clerk->focus());
        $clerk->alt('m')->await(static fn (): bool => $clerk->text('#margin') === '', 'it closed');
    }
}
