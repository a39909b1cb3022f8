<?php

declare(strict_types=1);

namespace Elmstone\Core\Tax;

use Elmstone\Core\Money\Money;

/** The tax of one group of lines: per component, and per line and component. */
final readonly class GroupTax
{
    /**
     * @param  list<TaxSubtotal>  $subtotals
     * @param  array<string, array<int, Money>>  $shares by component id, then by the line's key in the group
     */
    public function __construct(public array $subtotals, private array $shares)
    {
    }

    /** @return array<string, Money> by component id */
    public function ofLine(int $line): array
    {
        $tax = [];

        foreach ($this->shares as $component => $byLine) {
            if (isset($byLine[$line])) {
                $tax[$component] = $byLine[$line];
            }
        }

        return $tax;
    }
}
