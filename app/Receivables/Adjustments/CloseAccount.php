<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Adjustments;

use Elmstone\Core\Money\Refused;
use Elmstone\Customers\CustomerChanges;
use Elmstone\Receivables\Groups\JoinGroup;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Show;
use Illuminate\Support\Facades\DB;

/**
 * Closes a house account on which nothing is open and nothing ordered: nothing is charged to it any more, and it is in
 * no list of those who are. New terms open it again.
 */
final class CloseAccount
{
    public function __construct(private readonly Ledger $ledger)
    {
    }

    /** @throws Refused reason_missing, not_empty, orders_open */
    public function handle(int $customer, string $reason, Staff $by): void
    {
        $reason !== '' || throw Refused::because('reason_missing', 'Write why it is closed: that is kept.');

        DB::transaction(function () use ($customer, $reason, $by): void {
            $account = $this->ledger->lock($customer);
            $open = OpenItemRecord::query()->where('customer_id', $customer)->where('open', '>', 0)->count();
            $open === 0 || throw Refused::because(
                'not_empty',
                $open === 1
                    ? 'One item is open on it still: settle, move or write it off first.'
                    : "{$open} items are open on it still: settle, move or write them off first.",
            );
            $account->orders->isZero() || throw Refused::because(
                'orders_open', Show::money($account->orders).' is ordered to be charged to it.',
            );
            JoinGroup::branches($customer) === 0 || throw Refused::because(
                'has_branches', 'It has branches. Put those under another head office first.',
            );
            $account->update([
                'stopped' => true,
                'stop_reason' => mb_substr("closed: {$reason}", 0, 255),
                'closed_on' => ShopTime::today(),
                'version' => $account->version + 1,
            ]);
            CustomerChanges::record(
                $customer, $by, 'account closed', '', ShopTime::today()->format('Y-m-d'), $reason,
            );
        }, 3);
    }
}
