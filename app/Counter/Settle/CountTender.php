<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\PaperWay;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;

/** Notes cash or a cheque on the slip. Nothing is posted by it. */
final class CountTender
{
    public function __construct(private readonly SlipDesk $desk)
    {
    }

    /** @param  Money|null  $amount null: not by cash after all */
    public function cash(string $slipKey, Act $act, ?Money $amount): Slip
    {
        return $this->desk->change(
            $slipKey,
            $act,
            static fn (Slip $slip) => $slip->forceFill(['cash' => $amount])->save(),
        );
    }

    /**
     * @param  Money|null  $amount null: not by cheque after all
     *
     * @throws Refused bad_amount
     */
    public function cheque(string $slipKey, Act $act, ?Money $amount, string $number): Slip
    {
        return $this->desk->change(
            $slipKey,
            $act,
            static fn (Slip $slip) => $slip
                ->forceFill([
                    'cheque' => $amount,
                    'cheque_number' => $amount === null ? '' : $number,
                ])
                ->save(),
        );
    }

    public function paper(string $slipKey, Act $act, PaperWay $way, string $mailTo): Slip
    {
        return $this->desk->change(
            $slipKey,
            $act,
            static fn (Slip $slip) => $slip->forceFill(['paper' => $way, 'mail_to' => $mailTo])->save(),
        );
    }
}
