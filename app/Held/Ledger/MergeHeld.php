<?php

declare(strict_types=1);

namespace Elmstone\Held\Ledger;

use Elmstone\Books\HeldKind;
use Elmstone\Receivables\Accounts\FollowsMerge;
use Elmstone\Support\ShopTime;

/**
 * What is held for the one that goes is held for the other, of what each has one account: entries take it out of the
 * one and put it with the other, under the document it came by. What belongs to an agreement goes with that.
 */
final class MergeHeld implements FollowsMerge
{
    public function __construct(private readonly HeldLedger $ledger)
    {
    }

    public function merge(int $from, int $into): void
    {
        foreach (HeldKind::cases() as $kind) {
            $kind->isOnePerCustomer() && $this->move($kind, $from, $into);
        }
    }

    private function move(HeldKind $kind, int $from, int $into): void
    {
        $accounts = [];

        foreach ([min($from, $into), max($from, $into)] as $customer) {
            $accounts[$customer] = $this->ledger->lock($kind, $customer);
        }

        $day = ShopTime::today();

        foreach (KeptFor::of($accounts[$from])->parts as $order => $amount) {
            $document = $accounts[$from]
                ->entries()
                ->where('kept_for', (string) $order)
                ->where('amount', '>', 0)
                ->reorder('id', 'desc')
                ->firstOrFail()->document_id;
            $this->ledger->take($accounts[$from], $document, $amount, $day, Movement::Merged, (string) $order);
            $this->ledger->put($accounts[$into], $document, $amount, $day, Movement::Merged, (string) $order);
        }
    }
}
