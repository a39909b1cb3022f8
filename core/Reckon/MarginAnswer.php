<?php

declare(strict_types=1);

namespace Elmstone\Core\Reckon;

use Elmstone\Core\Pricing\Margin;

/** "margin": what is earned on a net figure, as margin and as mark-up. */
final readonly class MarginAnswer
{
    /** @return array<string, mixed> */
    public static function to(Node $request): array
    {
        $request->only('do', 'currency', 'net', 'cost');
        $currency = $request->currency();
        $margin = Margin::of($request->money('net', $currency), $request->money('cost', $currency));

        return [
            'margin' => $margin->amount->toString(),
            'margin_percent' => $margin->percent()?->__toString(),
            'markup_percent' => $margin->markup()?->__toString(),
        ];
    }
}
