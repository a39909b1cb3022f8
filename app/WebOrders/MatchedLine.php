<?php

declare(strict_types=1);

namespace Elmstone\WebOrders;

use Elmstone\Agreements\AgreedLine;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Pricing\PriceQuote;
use Elmstone\Core\Pricing\PriceRule;
use Elmstone\Support\Show;

/** A line as it was sent, with the item it means and today's price for whom it is. */
final readonly class MatchedLine
{
    /** @param  Money|null  $theirs what it comes to at their price; null: they said none */
    public function __construct(
        public IncomingLine $line,
        public Item $item,
        public Quantity $quantity,
        public PriceQuote $quote,
        public Money $ours,
        public ?Money $theirs,
        public bool $atTheirs,
    ) {
    }

    public static function of(
        IncomingLine $line,
        Item $item,
        Quantity $quantity,
        PriceQuote $quote,
        Currency $currency,
        bool $atTheirs,
    ): self {
        $gross = $quote->price->worth($quantity, $item->price_per, $currency);

        return new self(
            $line,
            $item,
            $quantity,
            $quote,
            $quote->discount === null ? $gross : $gross->minus($gross->percent($quote->discount)),
            $line->amount($currency),
            $atTheirs && $line->price !== null,
        );
    }

    public function hasOtherPrice(): bool
    {
        return $this->theirs !== null && ! $this->theirs->equals($this->ours);
    }

    /** Ours: "4.10", "4.10 per 100 less 5 %" */
    public function priceInWords(): string
    {
        return Show::price($this->quote->price)
            .($this->item->price_per === 1 ? '' : " per {$this->item->price_per}")
            .($this->quote->discount === null ? '' : " less {$this->quote->discount->toString()} %");
    }

    /** Their price, per as many as ours is. */
    public function theirPrice(): UnitPrice
    {
        return $this->theirs === null
            ? $this->quote->price
            : UnitPrice::ofTotal($this->theirs, $this->quantity, $this->item->price_per);
    }

    /** What it comes to as it is taken. */
    public function amount(): Money
    {
        return $this->atTheirs && $this->theirs !== null ? $this->theirs : $this->ours;
    }

    /** As it is agreed; how it reaches them is not said. */
    public function agreed(): AgreedLine
    {
        $price = $this->atTheirs ? $this->theirPrice() : $this->quote->price;

        return new AgreedLine([
            ...$this->item->onLine(),
            'quantity' => $this->quantity->toString(),
            'unit_price' => $price->toString(),
            'price_rule' => $this->atTheirs ? PriceRule::Typed : $this->quote->rule,
            'list_price' => $this->quote->list->toString(),
            'discount_percent' => $this->atTheirs ? null : $this->quote->discount?->toString(),
            'discount_amount' => null,
            'may_discount' => $this->item->takesDiscount(),
            'note' => mb_substr($this->line->note, 0, 255),
            'approval_id' => null,
            'serials' => null,
            'sharing_id' => null,
            'way' => null,
            'from_id' => null,
            'wanted_on' => null,
        ]);
    }
}
