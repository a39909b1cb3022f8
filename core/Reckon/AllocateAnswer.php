<?php

declare(strict_types=1);

namespace Elmstone\Core\Reckon;

use Elmstone\Core\Receivables\Share;
use Elmstone\Core\Receivables\Spread;

/** "allocate": a payment spread over open items, oldest due first. */
final readonly class AllocateAnswer
{
    /** @return array<string, mixed> */
    public static function to(Node $request): array
    {
        $request->only('do', 'currency', 'amount', 'items');
        $currency = $request->currency();
        $amount = $request->money('amount', $currency);
        $items = ChargesToMeet::in($request, $currency);
        $spread = $request->checked('amount', static fn (): Spread => Spread::oldestFirst($amount, $items));

        return [
            'allocations' => array_map(
                static fn (Share $share): array => ['id' => $share->id, 'amount' => $share->amount->toString()],
                $spread->shares,
            ),
            'unused' => $spread->unused->toString(),
        ];
    }
}
