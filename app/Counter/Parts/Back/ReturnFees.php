<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts\Back;

use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Returns\OriginalLine;
use Elmstone\Core\Slip\SlipLine;
use Elmstone\Counter\Slip\ReturnOnSlip;
use Elmstone\Counter\Slip\Slip;

/** The restocking fee of what comes back on a slip. */
final readonly class ReturnFees
{
    /** What is kept. */
    public Money $total;

    /** @var array<int, Money> by line, also those let off */
    private array $fees;

    /** @param  list<OriginalLine|SlipLine>  $lines as they give back, in the order of the slip */
    public function __construct(Slip $slip, ReturnTerms $under, array $lines, private Currency $currency)
    {
        [$total, $fees] = [Money::zero($currency), []];

        foreach ($slip->returns->values() as $i => $line) {
            $of = $lines[$i];
            $net = $of instanceof OriginalLine ? $of->taken->net : Money::round($of->exactGross(), $currency);
            $fees[$line->id] = $under->asksFee($line)
                ? $net->percent($under->policy($line)->fee_percent)
                : Money::zero($currency);
            $total = $line->fee_waived ? $total : $total->plus($fees[$line->id]);
        }

        [$this->total, $this->fees] = [$total, $fees];
    }

    /** Of a line, also where it is let off. */
    public function of(ReturnOnSlip $line): Money
    {
        return $this->fees[$line->id] ?? Money::zero($this->currency);
    }
}
