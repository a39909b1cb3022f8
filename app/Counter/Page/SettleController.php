<?php

declare(strict_types=1);

namespace Elmstone\Counter\Page;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Parts\TakeDeposit;
use Elmstone\Counter\Settle\ApproveNeeds;
use Elmstone\Counter\Settle\ChargeSlip;
use Elmstone\Counter\Settle\CountTender;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\PaperWay;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Shop\House;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The rows of the Settle band. */
final class SettleController
{
    public function __construct(private readonly CounterPage $page, private readonly House $house)
    {
    }

    public function cash(Request $request, string $slip, CountTender $count): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'cash',
            'cash',
            fn (Act $act) => $count->cash($slip, $act, $this->amount($request, 'cash')),
        );
    }

    public function cheque(Request $request, string $slip, CountTender $count): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'cheque',
            'cheque',
            fn (Act $act) => $count->cheque(
                $slip,
                $act,
                $this->amount($request, 'cheque'),
                mb_substr($request->string('cheque_number')->trim()->value(), 0, 30),
            ),
        );
    }

    public function charge(Request $request, string $slip, ChargeSlip $charge): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'charge',
            'charge',
            fn (Act $act) => $request->boolean('rest')
                ? $charge->rest($slip, $act)
                : $charge->charge($slip, $act, $this->amount($request, 'charge')),
        );
    }

    /** Somebody allows what the slip asks for: at one place, or all of it. */
    public function approve(Request $request, string $slip, ApproveNeeds $approve): Response
    {
        $place = $request->string('place')->value();

        return $this->page->after(
            $request,
            $slip,
            "approve.{$place}",
            'approver',
            static fn (Act $act) => $approve->handle($slip, $act, $place === '' ? null : $place),
        );
    }

    public function onAccount(Request $request, string $slip, ChargeSlip $charge): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'on_account',
            'on_account',
            fn (Act $act) => $charge->payIn($slip, $act, $this->amount($request, 'on_account')),
        );
    }

    public function leaveDiscount(Request $request, string $slip, ChargeSlip $charge): Response
    {
        $leaves = $request->boolean('leaves');

        return $this->page->after(
            $request,
            $slip,
            'on_account',
            'on_account',
            static fn (Act $act) => $charge->leaveDiscount($slip, $act, $leaves),
        );
    }

    public function takeDeposit(Request $request, string $slip, TakeDeposit $take): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'deposit_in',
            'deposit_in',
            fn (Act $act) => $take->take(
                $slip,
                $act,
                $this->amount($request, 'deposit_in'),
                $request->string('deposit_for')->value(),
            ),
        );
    }

    public function useDeposit(Request $request, string $slip, TakeDeposit $take): Response
    {
        return $this->page->after(
            $request,
            $slip,
            'deposit_used',
            'deposit_used',
            fn (Act $act) => $request->boolean('rest')
                ? $take->rest($slip, $act)
                : $take->use($slip, $act, $this->amount($request, 'deposit_used')),
        );
    }

    public function paper(Request $request, string $slip, CountTender $count): Response
    {
        return $this->page->after($request, $slip, 'paper', 'mail_to', static function (Act $act) use (
            $request,
            $slip,
            $count,
        ): Slip {
            $to = $request->string('mail_to')->trim()->value();

            return $to !== '' && filter_var($to, FILTER_VALIDATE_EMAIL) === false
                ? throw Refused::because('bad_mail', "“{$to}” is not a mail address.")
                : $count->paper(
                    $slip,
                    $act,
                    PaperWay::tryFrom($request->string('paper')->value()) ?? PaperWay::Print,
                    $to,
                );
        });
    }

    /** @throws Refused bad_number, bad_amount */
    private function amount(Request $request, string $name): ?Money
    {
        return $this->house->typedMoney($request->string($name)->value());
    }
}
