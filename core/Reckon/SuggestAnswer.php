<?php

declare(strict_types=1);

namespace Elmstone\Core\Reckon;

use Elmstone\Core\Receivables\Suggestion;

/** "suggest": open items that sum to a payment exactly. */
final readonly class SuggestAnswer
{
    /**
     * @return array<string, mixed> `gave_up` is there, and true, only where there were too many ways to look at all of
     *     them
     */
    public static function to(Node $request): array
    {
        $request->only('do', 'currency', 'amount', 'items');
        $currency = $request->currency();
        $amount = $request->money('amount', $currency);

        if ($amount->isNegative()) {
            throw new BadRequest('bad_amount', 'A payment cannot be below zero.', 'amount');
        }

        $suggestion = Suggestion::for($amount, ChargesToMeet::in($request, $currency));

        return [
            'matches' => $suggestion->matches,
            'more' => $suggestion->more,
            ...$suggestion->gaveUp ? ['gave_up' => true] : [],
        ];
    }
}
