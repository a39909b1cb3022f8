<?php

declare(strict_types=1);

namespace Elmstone\Customers;

use Elmstone\Attachments\KeepAttachments;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\DB;

/**
 * Makes one customer of two: all that is known of the one goes to the other, who is found by both their names. Within a
 * transaction, both locked.
 */
final class JoinCustomers
{
    public function handle(Customer $from, Customer $into, Staff $by): void
    {
        foreach ([Contact::class, Address::class, CustomerNote::class] as $kind) {
            $kind::query()
                ->where('customer_id', $from->id)
                ->update(['customer_id' => $into->id]);
        }

        // The other's own contract price for an item wins.
        $own = DB::table('contract_prices')->where('customer_id', $into->id)->pluck('item_id');
        DB::table('contract_prices')
            ->where('customer_id', $from->id)
            ->whereNotIn('item_id', $own)
            ->update(['customer_id' => $into->id]);
        DB::statement(
            'INSERT IGNORE INTO customer_tags (customer_id, tag) SELECT ?, tag FROM customer_tags WHERE customer_id '
                .'= ?',
            [$into->id, $from->id],
        );
        KeepAttachments::giveTo(AttachToCustomer::OF, $from->id, $into->id);
        $into->refused_ways = [...$from->refused_ways ?? [], ...$into->refused_ways ?? []] ?: null;
        $into->rewards_on = collect([$into->rewards_on, $from->rewards_on])->filter()->min();
        $from->forceFill(['merged_into_id' => $into->id, 'version' => $from->version + 1])->save();
        $into
            ->forceFill(['search' => Naming::search($into->search, $from->search), 'version' => $into->version + 1])
            ->save();
        CustomerChanges::record($from->id, $by, 'merged', '', "into {$into->number} {$into->name}");
        CustomerChanges::record($into->id, $by, 'merged', '', "took over {$from->number} {$from->name}");
    }
}
