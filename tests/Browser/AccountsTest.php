<?php

declare(strict_types=1);

namespace Elmstone\Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Key;

/** House accounts as a clerk and the office work with them, mostly without a mouse. */
final class AccountsTest extends BrowserCase
{
    public function test_a_sale_to_an_account_over_its_limit_is_approved_and_charged_by_keyboard(): void
    {
        $clerk = $this->clerk('101');
        $clerk
            ->press('moss daugh')
            ->awaitText('#found', 'Moss & Daughter')
            ->press(Key::ENTER)
            ->awaitText('#who', 'Moss & Daughter');
        $clerk->await(static fn (): bool => $clerk->focus() === 'entry', 'the entry line');
        $clerk->scan('LH-1140')->awaitText('#lines', 'Limestone')->awaitText('#who', 'over the limit');
        $clerk
            ->press(Key::ENTER)
            ->press('A')
            ->await(static fn (): bool => $clerk->focus() === 'charge', 'the charge row');
        $clerk
            ->press(Key::ENTER)
            ->awaitText('#settle', 'can approve')
            ->await(static fn (): bool => $clerk->focus() === 'a-charge-approver', 'the approver');
        $clerk
            ->press('201', Key::TAB, '4201', Key::TAB, 'good for it', Key::ENTER)
            ->awaitText('#settle', 'approved by');
        $clerk->ctrlEnter()->awaitText('#settle', 'Posted as')->awaitText('#settle', 'Balance now');
        $this->assertCalm($clerk);
    }

    public function test_a_customer_is_made_in_the_middle_of_a_sale_and_nothing_is_lost(): void
    {
        $clerk = $this->clerk('102', 2);
        $clerk->scan('LH-1140')->awaitText('#lines', 'Limestone');
        $clerk->press('Zelda Underpin')->awaitText('#found', 'as a customer');
        $clerk->alt('c')->await(static fn (): bool => $clerk->focus() === 'new-name', 'the name');
        self::assertSame(
            'Zelda Underpin',
            $clerk->browser->executeScript('return document.getElementById("new-name").value'),
        );
        $clerk->press(Key::ENTER)->awaitText('#who', 'Zelda Underpin')->awaitText('#who', 'no account');
        self::assertSame(1, $clerk->count('tr.line'));
        $this->assertCalm($clerk);
    }

    public function test_a_payment_is_spread_looked_at_and_posted(): void
    {
        $clerk = $this->clerk('301');
        $clerk->go('/accounts/1001/payment')->await(static fn (): bool => $clerk->focus() === 'amount', 'the amount');
        $clerk->press('2')->awaitText('.pay-sums', '2.00');
        $first = (string) $clerk->browser->executeScript('return document.querySelector(".part").id');
        $clerk->fill("#{$first}", '0.50')->awaitText('.pay-sums', '1.50');
        $clerk->type('#reference', '990017');
        $clerk
            ->ctrlEnter()
            ->await(
                static fn (): bool => str_ends_with($clerk->browser->getCurrentURL(), '/accounts/1001'),
                'the account',
            );
        $clerk->awaitText('.note.done', 'RCT-');
        $this->assertCalm($clerk);
    }

    public function test_a_stack_of_cheques_goes_by_enter(): void
    {
        $clerk = $this->clerk('301', 3);
        $clerk->go('/accounts/cheques')->type('#customer', 'tallow')->awaitText('#cheque-found', 'Tallow & Wick');
        $clerk->click('#cheque-found button')->await(static fn (): bool => $clerk->focus() === 'amount', 'the amount');
        $clerk->press('12.50', Key::TAB, Key::TAB, '881200', Key::ENTER)->awaitText('#cheques', '12.50');
        $clerk->await(static fn (): bool => $clerk->focus() === 'customer', 'the next one');
        $clerk->press('1002', Key::TAB, 'x', Key::ENTER)->awaitText('#cheques .complaint', 'is not a number');
        $this->assertCalm($clerk);
    }

    public function test_a_run_of_statements_is_made_while_one_looks_on(): void
    {
        $clerk = $this->clerk('301', 2);
        $clerk->go('/statements')->click('.main-act')->awaitText('#run', 'All made');
        self::assertGreaterThan(5, $clerk->count('#run tr'));
        $this->assertCalm($clerk);
    }

    public function test_the_account_line_reads_a_document_out(): void
    {
        $clerk = $this->clerk('101');
        $clerk->go('/accounts/1001');
        $clerk->browser->executeScript('document.querySelector("circle[data-reads]").focus()');
        $clerk->awaitText('#line-reading', 'balance');
        $this->assertCalm($clerk);
    }
}
