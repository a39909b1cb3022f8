<?php

declare(strict_types=1);

namespace Elmstone\Core\Reckon;

use Elmstone\Core\Layaway\LayawayStanding;
use Elmstone\Core\Layaway\LayawayTerms;
use Elmstone\Core\Layaway\Portion;
use Elmstone\Core\Money\Currency;

/** "layaway": what is paid and what remains, what must be paid at least, and what cancelling would give back. */
final readonly class LayawayAnswer
{
    /** @return array<string, mixed> */
    public static function to(Node $request): array
    {
        $request->only('do', 'currency', 'total', 'terms', 'payments');
        $currency = $request->currency();
        $total = $request->money('total', $currency);
        $terms = self::terms($request, $currency);
        $payments = $request->moneys('payments', $currency);
        $standing = $request->checked(
            $total->isNegative() ? 'total' : 'payments',
            static fn (): LayawayStanding => LayawayStanding::of($total, $terms, $payments),
        );

        return [
            'min_deposit' => $standing->minDeposit->toString(),
            'paid' => $standing->paid->toString(),
            'remaining' => $standing->remaining->toString(),
            'min_payment' => $standing->minPayment->toString(),
            'paid_in_full' => $standing->isPaidInFull(),
            'cancel' => ['fee' => $standing->fee->toString(), 'refund' => $standing->refund->toString()],
        ];
    }

    private static function terms(Node $request, Currency $currency): LayawayTerms
    {
        if (! $request->has('terms')) {
            return new LayawayTerms(Portion::nothing(), Portion::nothing(), Portion::nothing());
        }

        $terms = $request->child('terms')->only('min_deposit', 'min_payment', 'cancellation_fee');

        return new LayawayTerms(
            self::portion($terms, 'min_deposit', $currency),
            self::portion($terms, 'min_payment', $currency),
            self::portion($terms, 'cancellation_fee', $currency),
        );
    }

    /** {"percent":"10"}, {"amount":"10.00"}, or both: the larger holds. */
    private static function portion(Node $terms, string $key, Currency $currency): Portion
    {
        if (! $terms->has($key)) {
            return Portion::nothing();
        }

        $portion = $terms->child($key)->only('percent', 'amount');
        $percent = $portion->has('percent') ? $portion->string('percent') : null;
        $amount = $portion->has('amount') ? $portion->money('amount', $currency) : null;
        $culprit = $amount?->isNegative() === true ? 'amount' : 'percent';

        return $portion->checked($culprit, static fn (): Portion => Portion::of($percent, $amount));
    }
}
