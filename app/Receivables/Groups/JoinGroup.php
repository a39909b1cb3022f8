<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Groups;

use Elmstone\Core\Money\Refused;
use Elmstone\Customers\Customer;
use Elmstone\Customers\CustomerChanges;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\DB;

/** Makes an account a branch of a head office, or one on its own again; put on record. */
final readonly class JoinGroup
{
    public function __construct(private Ledger $ledger)
    {
    }

    /**
     * @param  Customer|null  $head null: on its own
     *
     * @throws Refused not_an_account, own_head, is_branch, has_branches, reason_missing, closed
     */
    public function handle(Customer $branch, ?Customer $head, string $reason, Staff $by): void
    {
        trim($reason) === '' && throw Refused::because('reason_missing', 'Say why: the reason is kept.');
        DB::transaction(function () use ($branch, $head, $reason, $by): void {
            $accounts = $this->ledger->lockAll($head === null ? [$branch->id] : [$branch->id, $head->id]);
            $account = $accounts->get($branch->id)
                ?? throw Refused::because('not_an_account', 'This customer has no house account. Open one first.');
            $head === null || $this->assertFits($account, $accounts->get($head->id), $head);
            $before = $account->head_id === null ? '' : $this->name($account->head_id);

            if ($head !== null) {
                DB::table('account_groups')->insertOrIgnore(['head_id' => $head->id]);
                $accounts->get($head->id)?->forceFill(['head_id' => $head->id])->save();
            }

            $account->forceFill(['head_id' => $head?->id, 'version' => $account->version + 1])->save();
            CustomerChanges::record(
                $branch->id, $by, 'head office', $before, $head === null ? '' : $this->name($head->id), $reason,
            );
        }, 3);
    }

    private function assertFits(HouseAccount $branch, ?HouseAccount $head, Customer $customer): void
    {
        match (true) {
            $head === null => throw Refused::because('not_an_account', "{$customer->name} has no house account."),
            $head->customer_id === $branch->customer_id => throw Refused::because(
                'own_head', 'An account is no branch of itself.',
            ),
            $head->closed_on !== null => throw Refused::because('closed', 'That account is closed.'),
            $head->head_id !== null && $head->head_id !== $head->customer_id => throw Refused::because(
                'is_branch', "{$customer->name} is a branch of {$this->name($head->head_id)} itself.",
            ),
            self::branches($branch->customer_id) > 0 => throw Refused::because(
                'has_branches', 'It has branches of its own. Put those under the other head office first.',
            ),
            default => null,
        };
    }

    /** How many accounts are branches of an account. */
    public static function branches(int $head): int
    {
        return HouseAccount::query()->where('head_id', $head)->where('customer_id', '<>', $head)->count();
    }

    private function name(int $customer): string
    {
        $of = Customer::query()->findOrFail($customer);

        return "{$of->number} {$of->name}";
    }
}
