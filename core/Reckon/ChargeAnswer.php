<?php

declare(strict_types=1);

namespace Elmstone\Core\Reckon;

use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Receivables\ChargeDecision;
use Elmstone\Core\Receivables\ChargeReason;
use Elmstone\Core\Receivables\Standing;

/** "charge": whether an account may be charged, and every reason why not. */
final readonly class ChargeAnswer
{
    /** @return array<string, mixed> */
    public static function to(Node $request): array
    {
        $request->only('do', 'currency', 'amount', 'account', 'purchase_order', 'buyer_authorised');
        $currency = $request->currency();
        $amount = $request->money('amount', $currency);
        $order = $request->has('purchase_order') ? $request->string('purchase_order') : null;
        $authorised = $request->bool('buyer_authorised', true);
        $decision = $request->has('account')
            ? $request->checked(
                'amount',
                static fn (): ChargeDecision => self::standing($request->child('account'), $currency)->charge(
                    $amount,
                    $order,
                    $authorised,
                ),
            )
            : Standing::withoutAccount($amount);

        return [
            'decision' => $decision->word(),
            'reasons' => array_map(
                static fn (ChargeReason $reason): array => $reason === ChargeReason::OverLimit
                && $decision->overBy !== null
                    ? ['code' => $reason->value, 'by' => $decision->overBy->toString()]
                    : ['code' => $reason->value],
                $decision->reasons,
            ),
            'available' => $decision->available->toString(),
        ];
    }

    private static function standing(Node $account, Currency $currency): Standing
    {
        $account->only(
            'limit', 'balance', 'orders', 'on_stop', 'oldest_overdue_days', 'allowed_overdue_days',
            'purchase_order_required',
        );

        return $account->checked(
            'limit',
            static fn (): Standing => new Standing(
                $account->money('limit', $currency),
                $account->money('balance', $currency),
                $account->has('orders') ? $account->money('orders', $currency) : Money::zero($currency),
                $account->bool('on_stop', false),
                $account->int('oldest_overdue_days', 0),
                $account->int('allowed_overdue_days', 0),
                $account->bool('purchase_order_required', false),
            ),
        );
    }
}
