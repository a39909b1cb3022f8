<?php

declare(strict_types=1);

namespace Elmstone\Takings;

use Carbon\CarbonImmutable;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Settlement\TenderKind;

/** One row of a day’s takings, read and right: what was sold to whom, at what price, and how it was paid. */
final readonly class SoldRow
{
    /**
     * @param  int  $line of the sheet or file
     * @param  string  $time "14:30"; empty: not said
     * @param  string  $number of their document; empty: it has none
     * @param  Item|null  $item null: something of a department
     * @param  UnitPrice  $price per unit, as it was written
     * @param  bool  $withTax whether tax is in that
     * @param  string  $fingerprint the same for the same row, and no other
     */
    public function __construct(
        public int $line,
        public CarbonImmutable $day,
        public string $time,
        public string $number,
        public string $who,
        public ?Item $item,
        public int $departmentId,
        public string $description,
        public string $taxClass,
        public Quantity $quantity,
        public UnitPrice $price,
        public bool $withTax,
        public TenderKind $tender,
        public string $fingerprint,
    ) {
    }

    /** What was taken for it where its price has tax in it; as it was written. */
    public function written(Money $none): Money
    {
        return $this->price->worth($this->quantity, $this->item->price_per ?? 1, $none->currency);
    }

    /** What it costs the house, as it is held to cost now; of what is in no list, nothing. */
    public function cost(Money $none): Money
    {
        return $this->item?->cost === null ? $none
            : $this->item->cost->worth($this->quantity, $this->item->price_per, $none->currency);
    }

    /** Rows of one sale have one: their document’s number and the day; without a number each is a sale of its own. */
    public function sale(): string
    {
        return $this->number === '' ? "line {$this->line}" : "{$this->day->format('Y-m-d')} {$this->number}";
    }
}
