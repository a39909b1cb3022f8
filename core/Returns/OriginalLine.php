<?php

declare(strict_types=1);

namespace Elmstone\Core\Returns;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Slip\ReckonedLine;
use Elmstone\Core\Slip\SlipLine;
use Elmstone\Core\Tax\TaxComponent;
use Elmstone\Core\Tax\TaxTerms;

/** A line that comes back from its original: what it gives back, and the taxes that were paid on it. */
final readonly class OriginalLine
{
    /**
     * @param  SlipLine  $line as it is written down; its price is the original's, for information
     * @param  list<TaxComponent>  $components those the original line was taxed by
     */
    public function __construct(public SlipLine $line, public Taken $taken, public array $components)
    {
    }

    /** Its gross is what it gives back: the discounts of the original are in that already. */
    public function reckoned(TaxTerms $terms): ReckonedLine
    {
        $zero = Money::zero($this->taken->net->currency);
        $tax = $this->taken->taxTotal();

        return new ReckonedLine(
            $this->line,
            $this->taken->net,
            $zero,
            $zero,
            $this->taken->net,
            $this->taken->tax,
            $tax,
            $terms->taxIncluded ? $this->taken->net : $this->taken->net->plus($tax),
        );
    }

    /** What a component's tax was reckoned on. */
    public function base(TaxComponent $component, TaxTerms $terms): Money
    {
        if ($terms->taxIncluded) {
            return $this->taken->net->minus($this->taken->taxTotal());
        }

        return Money::sum(
            [
                $this->taken->net,
                ...array_values(array_intersect_key($this->taken->tax, array_flip($component->onTopOf))),
            ],
            $this->taken->net->currency,
        );
    }
}
