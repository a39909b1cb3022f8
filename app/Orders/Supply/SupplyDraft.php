<?php

declare(strict_types=1);

namespace Elmstone\Orders\Supply;

use Elmstone\Agreements\AgreedLine;
use Elmstone\Agreements\TaxOfDay;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\DocumentDraft;
use Elmstone\Books\Drafts\DraftLine;
use Elmstone\Books\Drafts\LineCost;
use Elmstone\Books\Drafts\Party;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Slip\ReckonedSlip;
use Elmstone\Orders\Order;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Shares\Sharings;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;

/** The invoice of what leaves of an order, as it is to be written. */
final readonly class SupplyDraft
{
    public function __construct(private House $house, private Sharings $sharings)
    {
    }

    /** @param  HouseAccount|null  $account what it is charged to; null: it is paid */
    public function of(
        Order $order,
        SupplyFigures $supply,
        Location $location,
        PostedAt $at,
        ?HouseAccount $account,
        string $key,
    ): DocumentDraft {
        $lines = [];

        foreach (array_keys($supply->leaving->quantities) as $place => $position) {
            $line = $order->line($position);
            $line === null || ($lines[] = $this->line(
                $line, $supply->reckoned, $place, $supply->leaving->serials[$position] ?? [],
            ));
        }

        $terms = $account?->terms();

        return DocumentDraft::of(
            DocumentKind::Invoice,
            $at->soldBy($this->seller($order)),
            $key,
            $this->house->taxTerms(),
            $supply->reckoned,
        )
            ->withLines($lines, TaxOfDay::names($location))
            ->to(new Party(
                $order->customer_id,
                $order->customer->name,
                $order->purchase_order,
                $order->job,
                $order->buyer,
                TaxOfDay::exempted($order->customer, $location, $at->day),
                $terms === null ? null : $at->day->setDateFrom($terms->dueOn($at->day)),
                $terms?->words() ?? '',
                $account?->balance,
            ))
            ->supplying($order->label)
            ->noting("Order {$order->label} of {$order->made_on->format('j M Y')}");
    }

    /** Whose sale it is: who made the order, or who had most of it. */
    private function seller(Order $order): int
    {
        return $order->sharing_id === null ? $order->staff_id : $this->sharings->lead($order->sharing_id);
    }

    /** @param  list<string>  $serials */
    private function line(AgreedLine $line, ReckonedSlip $reckoned, int $place, array $serials): DraftLine
    {
        $of = $reckoned->lines[$place];

        return new DraftLine(
            $of,
            $line->item_id,
            $line->code,
            $line->description,
            $line->department_id,
            $line->unit,
            $line->price_rule,
            $line->list_price,
            LineCost::of(
                $of,
                $this->house->taxTerms(),
                ($line->item->cost ?? $line->cost ?? UnitPrice::of('0'))
                    ->worth($of->line->quantity, $line->price_per, $this->house->currency()),
                $line->item?->consigned(),
            ),
            $line->note,
            $line->approval_id,
            $serials,
            sharing: $line->sharing_id,
            consigned: $line->item?->consigned(),
        );
    }
}
