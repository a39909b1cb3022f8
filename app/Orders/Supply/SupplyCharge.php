<?php

declare(strict_types=1);

namespace Elmstone\Orders\Supply;

use Elmstone\Core\Approvals\ApprovalKind;
use Elmstone\Core\Approvals\Scope;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Receivables\ChargeDecision;
use Elmstone\Core\Receivables\ChargeReason;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Customers\RefusedWays;
use Elmstone\Orders\Order;
use Elmstone\Receivables\Accounts\AccountStanding;
use Elmstone\Receivables\Accounts\ChargeWords;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Shop\House;
use Elmstone\Staff\Approvals\LimitMatter;
use Elmstone\Staff\Approvals\Need;
use Elmstone\Support\Show;

/**
 * Whether what is supplied may be charged: the limit is asked again, as if this part were not ordered any more but
 * owed. What the order had allowed when it was made does not stretch to a later day.
 */
final class SupplyCharge
{
    public function __construct(private readonly House $house)
    {
    }

    /**
     * @param  Money  $total of the invoice
     * @param  HouseAccount|null  $account locked
     * @return list<Need>
     *
     * @throws Refused on_stop, not_an_account, way_refused
     */
    public function needs(Order $order, Money $total, ?HouseAccount $account, string $place): array
    {
        $charged = $total->minus(Money::min($order->held(), $total));

        if (! $order->is_charged || $account === null || ! $charged->isPositive()) {
            return [];
        }

        self::assertTaken($order);
        $standing = AccountStanding::of($account, $this->house);

        return $this->asNeeds($order, $charged, $this->decide($standing, $order, $charged), $standing, $place);
    }

    /** @throws Refused way_refused */
    private static function assertTaken(Order $order): void
    {
        $refused = RefusedWays::of($order->customer);
        $refused->why(TenderKind::HouseAccount) === null || throw Refused::because(
            'way_refused',
            $refused->words(TenderKind::HouseAccount).' It has to be paid as it is handed over, or the office lets '
                .'them charge again.',
        );
    }

    /** @return list<Need> */
    private function asNeeds(
        Order $order,
        Money $charged,
        ChargeDecision $decision,
        AccountStanding $standing,
        string $place,
    ): array {
        if ($decision->isAllowed()) {
            return [];
        }

        $words = array_map(
            static fn (ChargeReason $reason): string => ChargeWords::for($reason, $decision, $standing, null),
            $decision->reasons,
        );

        if ($decision->isRefused()) {
            throw Refused::because('on_stop', implode(' ', $words));
        }

        return [new Need(
            $place,
            $this->scope($order, $charged, $decision, $standing),
            Refused::because('approval_missing', implode(' ', $words)),
            Show::money($charged)." of {$order->label} charged to {$order->customer->name}",
            LimitMatter::OutsidePolicy,
            $charged,
        )];
    }

    /**
     * Whether so much more may be ordered to be charged.
     *
     * @return list<Need>
     *
     * @throws Refused on_stop, not_an_account
     */
    public function needsToOrder(Order $order, Money $more, ?HouseAccount $account, string $place): array
    {
        $account ?? throw Refused::because(
            'not_an_account',
            "{$order->customer->name} has no house account any more.",
        );
        $standing = AccountStanding::of($account, $this->house);

        return $this->asNeeds(
            $order, $more, $standing->standing->charge($more, $order->purchase_order, true), $standing, $place,
        );
    }

    private function decide(AccountStanding $standing, Order $order, Money $charged): ChargeDecision
    {
        $now = $standing->standing;
        $released = Money::min($charged, $now->orders->orNothing());

        return $now->released($released)->charge($charged, $order->purchase_order, true);
    }

    private function scope(Order $order, Money $charged, ChargeDecision $decision, AccountStanding $standing): Scope
    {
        $scope = Scope::of(ApprovalKind::Charge)
            ->naming('customer', $order->customer_id)
            ->naming('order', $order->id)
            ->upTo('amount', $charged);

        foreach ($decision->reasons as $reason) {
            $scope = match ($reason) {
                ChargeReason::OverLimit => $scope->upTo('over', $decision->overBy ?? $charged),
                ChargeReason::Overdue => $scope->upTo('days_late', $standing->oldestLate),
                ChargeReason::PurchaseOrderRequired => $scope->upTo('without_order', 1),
                default => $scope,
            };
        }

        return $scope;
    }
}
