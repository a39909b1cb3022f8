<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post;

use Elmstone\Core\Money\Money;
use Elmstone\Counter\Parts\PayInvoice;
use Elmstone\Counter\Parts\PayPlan;
use Elmstone\Counter\Parts\SupplyFromSlip;
use Elmstone\Counter\Settle\ChargeSlip;
use Elmstone\Counter\Settle\CountTender;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\PaperWay;
use Elmstone\Counter\Slip\PutCustomer;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Paper\Payable;
use Elmstone\PayLinks\LinkPayment;
use Elmstone\PayLinks\OnlineTill;
use Elmstone\PayLinks\PayableNow;
use Illuminate\Support\Str;

/** The slip that somebody who pays by a link has for it: what is to be paid is on it, and nothing else. */
final readonly class LinkSlip
{
    public function __construct(
        private OnlineTill $online,
        private SlipDesk $desk,
        private PutCustomer $put,
        private PayInvoice $invoice,
        private PayPlan $plan,
        private SupplyFromSlip $order,
        private ChargeSlip $account,
        private CountTender $tender,
    ) {
    }

    public function of(LinkPayment $payment): ?Slip
    {
        $slip = Slip::query()->where('key', $payment->slip_key)->first();

        return $slip === null ? null
            : $this->desk->read($payment->slip_key, $this->act($payment, $slip->till_id));
    }

    public function act(LinkPayment $payment, int $till): Act
    {
        return new Act((string) Str::uuid(), $this->online->staff(), $this->online->till($till), null);
    }

    /** Puts on a slip of its own what is to be paid. */
    public function fill(PayableNow $now, LinkPayment $payment, Slip $slip, int $till): void
    {
        $key = $payment->slip_key;
        $act = fn (): Act => $this->act($payment, $till);
        $slip->customer_id === $now->customer->id
            || $this->put->handle($key, $act(), $now->customer->loadMissing('type.priceLevel'));

        match ($now->link->what) {
            Payable::Invoice => in_array($now->link->id, $slip->on_items ?? [], true) ? null
                : $this->invoice->handle($key, $act(), $now->link->id),
            Payable::PlanPart => $now->plan === null ? null : $this->plan->handle($key, $act(), $now->plan),
            Payable::Order => $now->order === null ? null : $this->order->add($key, $act(), $now->order),
            Payable::Account => null,
        };

        $this->pays($now->link->what, $now->order?->id, $payment, $payment->amount, $till);
        $mail = $now->customer->mail;
        $this->tender->paper($key, $act(), $mail === '' ? PaperWay::None : PaperWay::Mail, $mail);
    }

    /** So much is paid; goods stay where they are. */
    public function pays(Payable $what, ?int $order, LinkPayment $payment, Money $amount, int $till): void
    {
        $key = $payment->slip_key;

        if ($what !== Payable::Order || $order === null) {
            $this->account->payIn($key, $this->act($payment, $till), $amount);

            return;
        }

        $slip = $this->desk->read($key, $this->act($payment, $till));

        foreach (array_keys($slip->orderParts()[$order]->leaving->quantities ?? []) as $line) {
            $this->order->quantity($key, $this->act($payment, $till), $order, $line, '0');
        }

        $this->order->amount($key, $this->act($payment, $till), $order, $amount);
    }
}
