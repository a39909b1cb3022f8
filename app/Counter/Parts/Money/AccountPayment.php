<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts\Money;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Parts\TakenIn;
use Elmstone\Counter\Parts\TakesMoney;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Receivables\Ledger\LedgerEntry;
use Elmstone\Receivables\Ledger\Setting;
use Elmstone\Shop\House;

/** What is paid towards the house account. */
final readonly class AccountPayment implements TakesMoney
{
    public function __construct(private House $house, private Ledger $ledger)
    {
    }

    public function due(Slip $slip): Money
    {
        return $slip->on_account ?? $this->house->money(0);
    }

    public function words(): string
    {
        return 'towards the account';
    }

    public function alone(): null
    {
        return null;
    }

    public function heldAs(): null
    {
        return null;
    }

    public function hindrances(ReckonedCounter $reckoned): array
    {
        return $reckoned->slip->on_account !== null && $reckoned->slip->account === null
            ? [Refused::because('not_an_account', 'Without a house account nothing can be paid towards it.')]
            : [];
    }

    public function enter(TakenIn $in): void
    {
        $account = $in->posting->account;

        if ($account === null || $in->towards === null) {
            return;
        }

        $this->ledger->enter($account, [new LedgerEntry($in->receipt, $in->draft)]);
        $this->ledger->allocate(
            $account,
            $in->receipt,
            $in->towards->items->parts($in->towards->spread),
            Setting::by($in->posting->act->by, $in->day(), $in->draft->key),
            $in->towards->items->discounts($in->towards->spread),
        );
    }
}
