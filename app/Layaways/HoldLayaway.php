<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Elmstone\Agreements\AgreedLines;
use Elmstone\Books\HeldKind;
use Elmstone\Core\Layaway\LayawayStanding;
use Elmstone\Core\Layaway\Schedule;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Held\Ledger\HeldLedger;
use Elmstone\Support\Show;

/**
 * Sets goods aside under an agreement. Inside a transaction; the deposit's receipt is posted by whoever asked for it.
 */
final class HoldLayaway
{
    public function __construct(
        private readonly LayawayLedger $ledger,
        private readonly HeldLedger $accounts,
        private readonly AgreedLines $lines,
    ) {
    }

    /**
     * @throws Refused first_due_past, after_expiry, too_long, below_least, over_remaining, and what the schedule
     *     refuses
     */
    public static function assertDates(HoldOrder $order): void
    {
        $first = $order->firstDue->format('Y-m-d');
        $rest = $order->total->minus($order->deposit);
        $most = $rest->isPositive() ? $order->terms->toValue()->mostPayments($rest) : null;
        $last = $order->rhythm->after($order->firstDue, max(0, $order->count - 1))->format('Y-m-d');

        match (true) {
            $first <= $order->day->format('Y-m-d') => throw Refused::because(
                'first_due_past',
                'The first payment falls due after the day it is made.',
            ),
            $last > $order->expiresOn->format('Y-m-d') => throw Refused::because(
                'after_expiry',
                'The last payment would fall due on '
                    .Show::date($order->day->setDateFrom($order->rhythm->after($order->firstDue, $order->count - 1)))
                    .', after the layaway has expired on '
                    .Show::date($order->expiresOn)
                    .'. Take fewer payments.',
            ),
            $most !== null && $order->count > $most => throw Refused::because(
                'below_least',
                "With {$order->count} payments each would be below the least payment agreed. Take {$most} at most.",
            ),
            $order->deposit->exceeds($order->total) => throw Refused::because(
                'over_remaining',
                'The deposit is more than the goods come to.',
            ),
            default => null,
        };
    }

    public function handle(HoldOrder $order): Layaway
    {
        self::assertDates($order);
        LayawayStanding::of($order->total, $order->terms->toValue(), [$order->deposit]);
        $account = $this->accounts->open(HeldKind::Layaway, $order->customerId);
        $layaway = Layaway::query()->create([
            'key' => $order->key,
            'location_id' => $order->locationId,
            'customer_id' => $order->customerId,
            'staff_id' => $order->staffId,
            'sharing_id' => $order->sharing,
            'state' => LayawayState::Running,
            'made_on' => $order->day,
            'expires_on' => $order->expiresOn,
            'grace_days' => $order->graceDays,
            'lapses_on' => $order->expiresOn->addDays($order->graceDays),
            'rhythm' => $order->rhythm,
            'terms' => $order->terms->toJson(),
            'tax' => $order->tax->toJson(),
            'discount_percent' => $order->discount?->percent?->toString(),
            'discount_amount' => $order->discount?->amount,
            'purchase_order' => $order->purchaseOrder,
            'job' => $order->job,
            'buyer' => $order->buyer,
            'total' => $order->total,
            'paid_before' => $order->deposit,
            'account_id' => $account->id,
            'revision' => 1,
            'version' => 1,
            'shelf' => '',
            'next_due' => null,
            'next_open' => Money::zero($order->total->currency),
            'behind_from' => null,
            'paid_on' => null,
            'document_id' => null,
            'ended_on' => null,
            'signature' => $order->signature,
            'signed_by' => $order->signedBy,
            'signed_at' => $order->signature === null ? null : now(),
        ]);
        $layaway->setRelation('account', $account);
        $this->lines->begin($layaway, $order->lines);
        $remaining = $order->total->minus($order->deposit);
        $remaining->isZero()
            || $this->ledger->schedule(
                $layaway,
                Schedule::of($remaining, $order->count, $order->firstDue, $order->rhythm),
            );

        return $layaway;
    }
}
