<?php

declare(strict_types=1);

namespace Elmstone\Core\Reckon;

use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Pricing\Markdown;
use Elmstone\Core\Pricing\MarkdownStep;

/** "markdown": what an item costs so many days after goods last came in. */
final readonly class MarkdownAnswer
{
    /** Cents, where no currency is named. */
    private const CURRENCY = 'USD';

    /** @return array<string, mixed> */
    public static function to(Node $request): array
    {
        $request->only('do', 'currency', 'list', 'floor', 'days', 'steps');
        $currency = $request->read('currency', Currency::of(...), self::CURRENCY);
        $markdown = $request->checked('steps', static fn (): Markdown => Markdown::of(
            array_map(static fn (Node $step): MarkdownStep => self::step($step), $request->children('steps')),
        ));
        $days = $request->int('days');
        $days < 0 && throw new BadRequest('bad_days', 'Goods cannot come in tomorrow.', $request->at('days'));
        $marked = $markdown->at(
            $request->read('list', UnitPrice::of(...)),
            $days,
            $request->has('floor') ? $request->read('floor', UnitPrice::of(...)) : null,
            $currency,
        );

        return [
            'price' => $marked->price->shown($currency),
            'step' => $marked->step,
            'held_by_floor' => $marked->heldByFloor,
        ];
    }

    private static function step(Node $step): MarkdownStep
    {
        $step->only('after', 'percent');
        $percent = $step->read('percent', Percentage::ofWhole(...));

        return $step->checked('after', static fn (): MarkdownStep => new MarkdownStep($step->int('after'), $percent));
    }
}
