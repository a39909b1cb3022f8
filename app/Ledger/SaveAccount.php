<?php

declare(strict_types=1);

namespace Elmstone\Ledger;

use Elmstone\Books\Account;
use Elmstone\Books\AccountKind;
use Elmstone\Books\BookAccounts;
use Elmstone\Core\Money\Refused;
use Elmstone\Staff\Doors\SecurityEvent;
use Elmstone\Staff\Doors\SecurityLog;
use Elmstone\Staff\Staff;

/** Sets the number and the name of an account, or adds one for entries by hand. Every change is on record. */
final class SaveAccount
{
    /** @throws Refused changed_elsewhere, bad_account_number, number_taken, no_name */
    public function change(Account $account, string $number, string $name, int $version, Staff $by): void
    {
        $this->assertFine($number, $name, $account->code);
        $before = "{$account->number} {$account->name}";
        BookAccounts::rename($account, $number, $name, $version)
            || throw Refused::because(
                'changed_elsewhere', 'Somebody else changed this account meanwhile. Here is how it stands now.',
            );
        SecurityLog::write(SecurityEvent::SettingChanged, $by, "account {$before} → {$number} {$name}");
    }

    /** @throws Refused bad_account_number, number_taken, no_name */
    public function add(string $number, string $name, AccountKind $kind, Staff $by): void
    {
        $this->assertFine($number, $name, '');
        BookAccounts::add($number, $name, $kind);
        SecurityLog::write(SecurityEvent::SettingChanged, $by, "account added: {$number} {$name}, {$kind->value}");
    }

    private function assertFine(string $number, string $name, string $code): void
    {
        preg_match('/^[0-9A-Z][0-9A-Z.-]{0,9}$/D', $number) === 1 || throw Refused::because(
            'bad_account_number',
            'A number is up to ten digits, capital letters, points or dashes.',
        );
        $name !== '' || throw Refused::because('no_name', 'Type what the account is called.');
        $other = Account::query()->where('number', $number)->where('code', '<>', $code)->value('name');
        is_string($other) && throw Refused::because('number_taken', "{$number} is “{$other}” already.");
    }
}
