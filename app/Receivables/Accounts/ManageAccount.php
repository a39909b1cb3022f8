<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Accounts;

use Elmstone\Core\Money\Refused;
use Elmstone\Core\Receivables\TermsKind;
use Elmstone\Customers\Customer;
use Elmstone\Customers\CustomerChanges;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Receivables\Statements\StatementKind;
use Elmstone\Receivables\Statements\StatementWay;
use Elmstone\Shop\House;
use Elmstone\Staff\Staff;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Show;
use Illuminate\Support\Facades\DB;

/**
 * Opens, changes, stops and releases house accounts; every change is put on record. Terms changed hold for what is
 * charged from then on.
 */
final class ManageAccount
{
    public function __construct(private readonly Ledger $ledger)
    {
    }

    /** @throws Refused merged, bad_terms, bad_limit, reason_missing, changed_elsewhere */
    public function save(
        Customer $customer,
        AccountTerms $terms,
        string $reason,
        Staff $by,
        ?int $version,
    ): HouseAccount {
        return DB::transaction(function () use ($customer, $terms, $reason, $by, $version): HouseAccount {
            $account = $this->ledger->lockIfAny($customer->id);

            if ($customer->isMerged()) {
                throw Refused::because('merged', 'This customer was merged into another; use that one’s account.');
            }

            return $account === null
                ? $this->open($customer, $terms, $reason, $by)
                : $this->change($account, $terms, $reason, $by, $version);
        }, 3);
    }

    /**
     * An account for a customer who has none. Inside a transaction.
     *
     * @throws Refused bad_limit
     */
    public function open(Customer $customer, AccountTerms $terms, string $reason, Staff $by): HouseAccount
    {
        self::assertLimit($terms);
        $account = HouseAccount::query()
            ->create(['customer_id' => $customer->id, 'opened_on' => ShopTime::today(), ...$terms->columns()])
            ->refresh();
        $this->record($account, 'account opened', '', $this->words($account), $reason, $by);

        return $account;
    }

    /** @throws Refused bad_limit */
    private static function assertLimit(AccountTerms $terms): void
    {
        $terms->limit->isNegative() && throw Refused::because('bad_limit', 'A limit cannot be below zero.');
    }

    /**
     * An account that only says what somebody owes who has none: nothing may be charged to it until the office gives it
     * terms. Inside a transaction.
     */
    public function claim(Customer $customer, string $why, Staff $by): HouseAccount
    {
        $account = HouseAccount::query()
            ->create([
                'customer_id' => $customer->id,
                'opened_on' => ShopTime::today(),
                'credit_limit' => MoneyCast::read(0),
                'stopped' => true,
                'stop_reason' => mb_substr("claim: {$why}", 0, 255),
                'terms_kind' => TermsKind::AtOnce,
                'terms_days' => 0,
                'discount_percent' => null,
                'discount_days' => 0,
                'allowed_overdue_days' => 0,
                'purchase_order_required' => false,
                'statement_kind' => StatementKind::OpenItem,
                'statement_way' => StatementWay::Print,
                'finance_charges' => false,
            ])
            ->refresh();
        $this->record($account, 'account opened', '', 'for a claim, on stop', $why, $by);

        return $account;
    }

    private function change(
        HouseAccount $account,
        AccountTerms $terms,
        string $reason,
        Staff $by,
        ?int $version,
    ): HouseAccount {
        self::assertLimit($terms);

        if ($version !== null && $version !== $account->version) {
            throw Refused::because(
                'changed_elsewhere',
                'Somebody else has changed this account meanwhile. Load the page again, then make your change.',
            );
        }

        if (! $terms->limit->equals($account->credit_limit) && trim($reason) === '') {
            throw Refused::because('reason_missing', 'Say why the limit changes: the reason is kept.');
        }

        [$limit, $before] = [$account->credit_limit, $this->words($account)];
        $account->forceFill([...$terms->columns(), 'version' => $account->version + 1])->save();

        if (! $account->credit_limit->equals($limit)) {
            $this->record(
                $account,
                'limit',
                Show::money($limit),
                Show::money($account->credit_limit),
                $reason,
                $by,
            );
        }

        if ($this->words($account) !== $before) {
            $this->record($account, 'account terms', $before, $this->words($account), $reason, $by);
        }

        return $account;
    }

    /** @throws Refused reason_missing */
    public function stop(int $customer, string $reason, Staff $by): void
    {
        if (trim($reason) === '') {
            throw Refused::because('reason_missing', 'Say why: the next clerk will be asked.');
        }

        $this->setStop($customer, true, $reason, $by);
    }

    /** @throws Refused reason_missing */
    public function release(int $customer, string $reason, Staff $by): void
    {
        if (trim($reason) === '') {
            throw Refused::because('reason_missing', 'Say why it is released: the reason is kept.');
        }

        $this->setStop($customer, false, $reason, $by);
    }

    private function setStop(int $customer, bool $stopped, string $reason, Staff $by): void
    {
        DB::transaction(function () use ($customer, $stopped, $reason, $by): void {
            $account = $this->ledger->lock($customer);

            if ($account->stopped !== $stopped) {
                $account
                    ->forceFill([
                        'stopped' => $stopped,
                        'stop_reason' => $stopped ? mb_substr(trim($reason), 0, 255) : '',
                        'closed_on' => $stopped ? $account->closed_on : null,
                        'version' => $account->version + 1,
                    ])
                    ->save();
                $this->record($account, $stopped ? 'put on stop' : 'released', '', '', $reason, $by);
            }
        }, 3);
    }

    private function words(HouseAccount $account): string
    {
        return implode(
            ', ',
            array_filter(
                [
                    $account->terms()->words(),
                    "{$account->allowed_overdue_days} days late allowed",
                    $account->purchase_order_required ? 'purchase order required' : '',
                    'statement '
                    .mb_strtolower($account->statement_kind->label())
                    .' by '
                    .$account->statement_way->value,
                    $account->finance_charges ? '' : 'no finance charges',
                    $account->letters ? '' : 'no reminder letters',
                    match ($account->buyer) {
                        'named' => 'buyer must be named',
                        'optional' => 'buyer optional',
                        default => '',
                    },
                ],
                static fn (string $part): bool => $part !== '',
            ),
        );
    }

    private function record(
        HouseAccount $account,
        string $what,
        string $before,
        string $after,
        string $reason,
        Staff $by,
    ): void {
        CustomerChanges::record($account->customer_id, $by, $what, $before, $after, $reason);
    }
}
