<?php

declare(strict_types=1);

namespace Elmstone\Books\Drafts;

use Elmstone\Core\Consignment\Consigned;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Slip\ReckonedLine;
use Elmstone\Core\Tax\TaxTerms;

/** What the house pays for what a line sells: the goods at their cost, or its owner's share of what was theirs. */
final class LineCost
{
    public static function of(ReckonedLine $line, TaxTerms $terms, Money $goods, ?Consigned $consigned): Money
    {
        return $consigned === null
            ? $goods
            : $consigned->share->of($terms->taxIncluded ? $line->net->minus($line->taxTotal) : $line->net);
    }
}
