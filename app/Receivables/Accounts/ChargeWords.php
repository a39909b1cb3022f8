<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Accounts;

use Elmstone\Core\Receivables\ChargeDecision;
use Elmstone\Core\Receivables\ChargeReason;
use Elmstone\Customers\Contact;
use Elmstone\Support\Show;

/** Why an account may not simply be charged, and what can be done now. */
final class ChargeWords
{
    public static function for(
        ChargeReason $reason,
        ChargeDecision $decision,
        ?AccountStanding $account,
        ?Contact $buyer,
    ): string {
        $approve = ' A supervisor or the office can approve.';

        return match ($reason) {
            ChargeReason::NotAnAccount => 'There is no house account to charge. The office can open one.',
            ChargeReason::OnStop => self::stop($account).' The office can release it.',
            ChargeReason::OverLimit => 'Over the limit'
                .($account?->standing->groupBinds() === true
                    ? " of {$account->group?->head->customer->name} and its branches"
                    : '')
                .' by '
                .($decision->overBy === null ? '' : Show::money($decision->overBy))
                .".{$approve}",
            ChargeReason::Overdue => 'The oldest item is '
                .self::late($account->oldestLate ?? 0)
                ."; {$account?->account->allowed_overdue_days} are allowed.{$approve}",
            ChargeReason::PurchaseOrderRequired => "This account wants a purchase order on every invoice.{$approve}",
            ChargeReason::BuyerNotAuthorised => $buyer === null
                ? "This account wants to know who buys. Say who it is.{$approve}"
                : $buyer->name
                    .($buyer->may_buy === true && $buyer->spending_limit !== null
                        ? ' may not spend that much on one sale.'
                        : ' may not buy on this account.')
                    .$approve,
        };
    }

    private static function stop(?AccountStanding $account): string
    {
        $head = $account?->account->stopped === true ? null : $account?->group?->head;
        $why = $head->stop_reason ?? $account->account->stop_reason ?? '';

        return ($head === null ? 'The account' : "{$head->customer->name}, their head office,").' is on stop'
            .($why === '' ? '.' : ": {$why}.");
    }

    private static function late(int $days): string
    {
        return $days === 1 ? '1 day late' : "{$days} days late";
    }

    /** The same in two or three words. */
    public static function short(
        ChargeReason $reason,
        ChargeDecision $decision,
        ?AccountStanding $account = null,
    ): string {
        return match ($reason) {
            ChargeReason::NotAnAccount => 'no house account',
            ChargeReason::OnStop => 'on stop',
            ChargeReason::OverLimit => ($decision->overBy === null ? '' : Show::money($decision->overBy).' ')
                .'over the limit',
            ChargeReason::Overdue => $account === null ? 'overdue' : self::late($account->oldestLate),
            ChargeReason::PurchaseOrderRequired => 'no purchase order',
            ChargeReason::BuyerNotAuthorised => 'buyer not named or not authorised',
        };
    }
}
