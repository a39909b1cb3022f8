<?php

declare(strict_types=1);

namespace Elmstone\Counter\Page;

use Elmstone\Cards\CardRequest;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Slip\ReckonedLine;
use Elmstone\Counter\Lines\LineOnSlip;
use Elmstone\Counter\Settle\Cards\SlipSurcharges;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Devices\CustomerDisplay;
use Elmstone\Devices\DisplayContent;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Support\Show;

/** What of a slip the customer sees on their side of the counter. */
final class CustomerSees
{
    public function __construct(private readonly CustomerDisplay $display, private readonly House $house)
    {
    }

    /** Of a slip with nothing on it they see the welcome. */
    public function show(Till $till, ReckonedCounter $reckoned): void
    {
        $content = $this->content($reckoned);
        $content->lines === [] && ! $content->thanks ? $this->display->rest($till)
            : $this->display->show($till, $content);
    }

    private function content(ReckonedCounter $reckoned): DisplayContent
    {
        $slip = $reckoned->slip;
        $lines = $slip->lines->take(-DisplayContent::LINES)->map(
            static fn (LineOnSlip $line): array => [
                'quantity' => Show::decimal($line->quantity),
                'description' => $line->description,
                'each' => Show::price($line->unit_price),
                'net' => Show::money($reckoned->line($line)->net),
            ],
        );
        $surcharges = array_map(
            static fn (CardRequest $card, ReckonedLine $line): array => [
                'quantity' => '1',
                'description' => SlipSurcharges::words($card),
                'each' => Show::price(UnitPrice::of($line->net->toString())),
                'net' => Show::money($line->net),
            ],
            $reckoned->surcharges->cards,
            $reckoned->surchargeLines(),
        );
        $unknown = count($slip->unknown ?? []);
        $paid = Money::sum(
            array_map(static fn (Tender $tender): Money => $tender->amount, $reckoned->tenders()),
            $this->house->currency(),
        );
        $change = $reckoned->settlement?->change;

        return new DisplayContent(
            [
                ...array_values($lines->all()),
                ...$surcharges,
                ...$unknown === 0 ? [] : [
                    ['quantity' => (string) $unknown, 'description' => 'Still being looked up', 'each' => '',
                        'net' => ''],
                ],
            ],
            Show::money($reckoned->sums->taxTotal),
            Show::money($reckoned->payable()),
            Show::money($reckoned->outstanding()),
            $change?->isPositive() === true ? Show::money($change) : '',
            $paid->isPositive() && ! $reckoned->isRefund() ? Show::money($paid) : '',
            $slip->isDone(),
        );
    }
}
