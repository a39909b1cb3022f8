<?php

declare(strict_types=1);

namespace Elmstone\Orders\Supply;

use Elmstone\Books\Books;
use Elmstone\Books\DocumentApprovals;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Posting;
use Elmstone\Catalogue\GoodsMoving;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Core\Money\Refused;
use Elmstone\MoneyOut\HandBack;
use Elmstone\Orders\Changing;
use Elmstone\Orders\Order;
use Elmstone\Orders\OrderLedger;
use Elmstone\Shop\Till;
use Elmstone\Staff\Approvals\GivenApproval;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;

/**
 * Supplies an order away from the counter: nothing is paid with it; the deposit is used, and the rest is charged where
 * the order is to be charged. The limit is asked again. The same key answers with the same invoice.
 */
final class SupplyInOffice
{
    public function __construct(
        private readonly Books $books,
        private readonly OrderLedger $ledger,
        private readonly SupplyOrder $supply,
        private readonly SupplyCharge $charge,
        private readonly StockLedger $stock,
        private readonly HandBack $approvals,
    ) {
    }

    /**
     * @param  int  $version of the order as it was seen
     * @return int the invoice's document id
     *
     * @throws Refused changed_elsewhere, what SupplyOrder refuses, and what needs approval
     */
    public function handle(
        int $order,
        int $version,
        Leaving $leaving,
        Till $till,
        Staff $by,
        string $key,
        ?GivenApproval $given = null,
    ): int {
        $lock = function () use ($order, $leaving): Changing {
            $account = $this->ledger->lockAccountOf($order);
            $deposits = $this->ledger->lockDepositsOf($order);
            $locked = $this->ledger->lock($order)->load(['progress', 'allLines.item', 'customer', 'location']);
            $costs = $this->stock->lock(SupplyOrder::moving($locked, $leaving, new GoodsMoving));

            foreach ($locked->lines() as $line) {
                $line->item === null || ($line->item->cost = $costs[$line->item->id] ?? $line->item->cost);
            }

            return new Changing($locked, $account, $deposits);
        };
        $write = function (Changing $it) use ($version, $leaving, $till, $by, $key, $given): int {
            [$order, $account] = [$it->order, $it->account];
            self::assertSeen($order, $version);
            $at = PostedAt::till($till, $by->id, ShopTime::today());
            SupplyOrder::assertMayLeave($order, $leaving, $till->location);
            $needs = $this->charge->needs($order, $this->supply->total($order, $leaving, $at), $account, 'supply');
            $allowed = $this->approvals->allow($by, $given, $needs);
            $this->books->taking(DocumentKind::Adjustment, DocumentKind::Invoice);
            $document = $this->supply->post($order, $leaving, $at, $account, $it->deposits, $key);
            DocumentApprovals::keep($document, $allowed);

            return $document;
        };

        return $this->books->post(Posting::under($key)->locking($lock)->writing($write));
    }

    /** @throws Refused changed_elsewhere */
    public static function assertSeen(Order $order, int $version): void
    {
        $order->version === $version || throw Refused::because(
            'changed_elsewhere',
            "Somebody has changed {$order->label} meanwhile, or supplied of it. Here is how it stands now.",
        );
    }
}
