<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post;

use Elmstone\Agreements\AgreedGoods;
use Elmstone\Books\GoodsTo;
use Elmstone\Books\HeldKind;
use Elmstone\Catalogue\GoodsMoving;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Counter\Lines\ReadLines;
use Elmstone\Counter\Parts\LayawayPart;
use Elmstone\Counter\Post\Steps\PostCredit;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipParty;
use Elmstone\Coupons\UseCoupons;
use Elmstone\Held\Ledger\HeldAccount;
use Elmstone\Held\Ledger\HeldLedger;
use Elmstone\Held\Ledger\KeptFor;
use Elmstone\Layaways\Layaway;
use Elmstone\Layaways\LayawayLedger;
use Elmstone\MoneyOut\Gate;
use Elmstone\Orders\OrderLedger;
use Elmstone\Orders\Supply\SupplyOrder;
use Elmstone\Quotes\Quote;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Ledger\Ledger;

/**
 * Takes every lock that posting a slip needs, in the order of the ladder, and then reads all that is decided on. Inside
 * a transaction, the slip's row locked.
 */
final class LockSlip
{
    public function __construct(
        private readonly StockLedger $stock,
        private readonly Ledger $ledger,
        private readonly HeldLedger $deposits,
        private readonly LayawayLedger $layaways,
        private readonly OrderLedger $orders,
        private readonly SlipParty $party,
        private readonly PostCredit $credit,
        private readonly MoveCredits $moveCredits,
        private readonly UseCoupons $useCoupons,
        private readonly Gate $gate,
    ) {
    }

    public function handle(Slip $slip, Act $act): LockedSlip
    {
        $slip->by = $act->by;
        $slip->loadBecoming();
        $this->credit->lockLines($slip);
        $slip->takesBack() && $this->gate->lock($act->by);
        $account = $slip->touchesAccount() ? $this->ledger->lockIfAny((int) $slip->customer_id) : null;
        $held = $slip->touchesDeposits() ? $this->deposits->lock(HeldKind::Deposit, (int) $slip->customer_id) : null;
        $this->moveCredits->lock($slip);
        $slip->paidOn = $this->layaways->lockAll(array_keys($slip->layawayParts()));
        $slip->orders = $this->orders->lockAll(array_keys($slip->orderParts()));
        $slip->quote_id === null || Quote::lock($slip->quote_id);
        $slip->couponsShown = $this->useCoupons
            ->lock([...$slip->couponIds(), ...UseCoupons::usedOn($slip->void_of_id)])
            ->whereIn('id', $slip->couponIds());
        $this->credit->lockOriginals($slip);
        $this->read($slip, $act, $account, $held);
        $this->lockGoods($slip);

        return new LockedSlip($slip, $account, $held);
    }

    /** All that is decided on, once everything is locked. */
    private function read(Slip $slip, Act $act, ?HouseAccount $account, ?HeldAccount $held): void
    {
        $act->till->location->loadMissing('taxProfile.components');
        $slip->till_id !== $act->till->id || $slip->setRelation('till', $act->till);
        $slip->setRelation('location', $act->till->location)->load(['cards', 'customer', 'contact']);
        ReadLines::of($slip);
        $slip->loadOwnTerms();
        $slip->account = $account === null ? null : $this->party->standing($account);
        $slip->deposits = $held === null ? null : KeptFor::of($held);

        foreach ($slip->paidOn as $layaway) {
            $layaway->setRelation('location', $slip->location)->load(['allInstalments', 'allLines.item']);
            $layaway->customer_id !== $slip->customer_id || $layaway->setRelation('customer', $slip->customer);
            $layaway->location_id === $slip->location_id || $layaway->load('location');
        }

        foreach ($slip->orders as $order) {
            $order->load(['progress', 'allLines.item', 'customer', 'location']);
        }
    }

    /** All that goes out, comes back or is set aside, and what it costs now, before the first number is taken. */
    private function lockGoods(Slip $slip): void
    {
        $moving = new GoodsMoving;
        $leaving = array_map(
            static fn (LayawayPart $part): Layaway => $slip->paidOn[$part->layawayId],
            array_filter($slip->layawayParts(), static fn (LayawayPart $part): bool => $part->leaves === true),
        );

        foreach ($slip->lines as $line) {
            $line->item_id === null
                || $moving->out($line->item_id, $line->from_id ?? $slip->location_id, $line->serials ?? []);
        }

        foreach ($slip->returns as $line) {
            if ($line->item_id !== null) {
                $line->goods_to !== GoodsTo::Stock || $moving->in($line->item_id, $slip->location_id);
                $moving->pieces($line->item_id, $line->serials ?? []);
            }
        }

        $slip->promise?->from_id === null || ($moving->locations[$slip->promise->from_id] = true);

        foreach ($slip->orderParts() as $part) {
            SupplyOrder::moving($slip->orders[$part->orderId], $part->leaving, $moving);
        }

        array_walk($leaving, static fn (Layaway $layaway) => AgreedGoods::moving($layaway, $moving));
        $costs = $this->stock->lock($moving);
        AgreedGoods::costNow([...$leaving, ...array_values($slip->orders)], $costs);

        foreach ($slip->lines as $line) {
            $line->item === null || ($line->item->cost = $costs[$line->item->id]);
        }
    }
}
