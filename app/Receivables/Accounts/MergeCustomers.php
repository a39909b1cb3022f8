<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Accounts;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Customers\Customer;
use Elmstone\Customers\JoinCustomers;
use Elmstone\Receivables\Ageing\Call;
use Elmstone\Receivables\Groups\JoinGroup;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\DB;

/**
 * Makes two customers one. What is open, notes, people, addresses, tags and contract prices go over; documents keep
 * whom they were made for. The account of the one that goes is closed; where only that one had an account, the other
 * gets it.
 */
final class MergeCustomers
{
    /** @param  iterable<FollowsMerge>  $others */
    public function __construct(
        private readonly Ledger $ledger,
        private readonly JoinCustomers $join,
        private readonly iterable $others = [],
    ) {
    }

    /** @throws Refused same, merged, has_branches */
    public function handle(Customer $from, Customer $into, Staff $by): void
    {
        DB::transaction(function () use ($from, $into, $by): void {
            $accounts = $this->ledger->lockAll([$from->id, $into->id]);
            $from->id === $into->id && throw Refused::because('same', 'That is the same customer.');
            JoinGroup::branches($from->id) === 0 || throw Refused::because(
                'has_branches', "{$from->name} has branches. Put those under another head office first.",
            );

            foreach ($this->others as $other) {
                $other->merge($from->id, $into->id);
            }

            // The customers themselves last: whoever holds an account, a deposit or a layaway writes documents that
            // name them.
            $both = Customer::query()
                ->whereIn('id', [$from->id, $into->id])
                ->orderBy('id')
                ->lockForUpdate()
                ->get();
            $both->contains(static fn (Customer $customer): bool => $customer->isMerged())
                && throw Refused::because('merged', 'One of the two was merged already.');
            $this->accounts($accounts->get($from->id), $accounts->get($into->id), $into);
            Call::query()
                ->where('customer_id', $from->id)
                ->update(['customer_id' => $into->id]);
            // What they dispute stays disputed on the account it is on now.
            $accounts->has($from->id) && DB::table('disputes')
                ->where('customer_id', $from->id)
                ->update(['customer_id' => $into->id]);
            $this->join->handle($from, $into, $by);
        }, 3);
    }

    private function accounts(?HouseAccount $from, ?HouseAccount $into, Customer $customer): void
    {
        if ($from === null) {
            return;
        }

        $strict = self::stricter($from, $into);
        $into ??= $from->replicate()->forceFill([
            'customer_id' => $customer->id,
            'balance' => Money::zero($from->balance->currency),
            'version' => 1,
        ]);
        $into->save();
        DB::table('open_items')
            ->where('customer_id', $from->customer_id)
            ->update(['customer_id' => $into->customer_id]);
        $into
            ->forceFill([
                ...$strict,
                'balance' => $into->balance->plus($from->balance),
                'version' => $into->version + 1,
            ])
            ->save();
        $from
            ->forceFill([
                'balance' => Money::zero($from->balance->currency),
                'head_id' => null,
                'stopped' => true,
                'stop_reason' => "merged into {$customer->number}",
                'version' => $from->version + 1,
            ])
            ->save();
    }

    /**
     * What the account that stays will say: of two, the stricter holds.
     *
     * @return array<string, mixed>
     */
    public static function stricter(HouseAccount $from, ?HouseAccount $into): array
    {
        if ($into === null) {
            return $from->only([
                'stopped', 'stop_reason', 'credit_limit', 'allowed_overdue_days', 'purchase_order_required', 'buyer',
                'finance_charges',
            ]);
        }

        return [
            'stopped' => $from->stopped || $into->stopped,
            'stop_reason' => $into->stopped ? $into->stop_reason : ($from->stopped ? $from->stop_reason : ''),
            'credit_limit' => Money::min($from->credit_limit, $into->credit_limit),
            'allowed_overdue_days' => min($from->allowed_overdue_days, $into->allowed_overdue_days),
            'purchase_order_required' => $from->purchase_order_required || $into->purchase_order_required,
            'buyer' => in_array('named', [$from->buyer, $into->buyer], true) ? 'named' : $into->buyer,
            'finance_charges' => $from->finance_charges || $into->finance_charges,
        ];
    }
}
