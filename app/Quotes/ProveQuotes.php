<?php

declare(strict_types=1);

namespace Elmstone\Quotes;

use Elmstone\Agreements\AgreedSlip;
use Elmstone\Books\Proof\Check;
use Elmstone\Books\Proof\Proof;
use Elmstone\Shop\House;

/** Proves the quotes: each one's total is its lines reckoned again. */
final class ProveQuotes implements Check
{
    public function __construct(private readonly House $house)
    {
    }

    public function prove(Proof $proof): void
    {
        foreach (Quote::query()->with('allLines')->lazyById(500) as $quote) {
            $proof->same(
                $quote->label,
                'the total',
                $quote->total,
                AgreedSlip::reckon($quote, $quote->lines(), $this->house->currency())->total,
            );
            $proof->checked('quotes reckoned again');
        }
    }
}
