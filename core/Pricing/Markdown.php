<?php

declare(strict_types=1);

namespace Elmstone\Core\Pricing;

use Brick\Math\BigDecimal;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\UnitPrice;

/**
 * Old goods get cheaper by their age: a department's steps of days since goods last came in. docs/rules.md, "Markdown".
 *
 * The last step reached holds: `price = max(floor, round(list × (100 − percent) ÷ 100))`, rounded to the minor unit.
 */
final readonly class Markdown
{
    /** @param  list<MarkdownStep>  $steps by their days */
    private function __construct(public array $steps)
    {
    }

    /**
     * @param  list<MarkdownStep>  $steps each after more days than the one before
     *
     * @throws Refused steps_out_of_order, bad_percent
     */
    public static function of(array $steps): self
    {
        foreach ($steps as $i => $step) {
            $before = $steps[$i - 1] ?? null;

            match (true) {
                $step->percent->value->isGreaterThan(100) => throw Refused::because(
                    'bad_percent',
                    'No more than 100 % can come off a price.',
                ),
                $before === null => null,
                $step->after <= $before->after => throw Refused::because(
                    'steps_out_of_order',
                    "A step after {$step->after} days cannot follow one after {$before->after}.",
                ),
                default => null,
            };
        }

        return new self($steps);
    }

    /** @param  int  $days since goods last came in; a step is reached on its day */
    public function at(UnitPrice $list, int $days, ?UnitPrice $floor, Currency $currency): MarkedDown
    {
        $reached = count(array_filter($this->steps, static fn (MarkdownStep $step): bool => $step->after <= $days));

        if ($reached === 0) {
            return new MarkedDown($list, 0, false);
        }

        $price = UnitPrice::of(
            Money::round(
                $list->value
                    ->multipliedBy(BigDecimal::of(100)->minus($this->steps[$reached - 1]->percent->value))
                    ->withPointMovedLeft(2),
                $currency,
            )->toString(),
        );
        $held = $floor !== null && $price->isLessThan($floor);

        return new MarkedDown($held ? $floor : $price, $reached, $held);
    }
}
