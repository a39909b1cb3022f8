<?php

declare(strict_types=1);

namespace Elmstone\Stock;

use Elmstone\Books\GoodsTo;
use Elmstone\Books\Origin;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Slip\Direction;

/** One line of a document that moves goods or their worth and nothing else: no price, no tax. */
final readonly class GoodsLine
{
    /**
     * @param  int|null  $itemId null: only the worth of what is there changes
     * @param  GoodsTo|null  $to null: to another location
     * @param  Money  $cost of the whole line; of a change of worth, below zero: it is worth less
     * @param  list<string>  $serials
     */
    public function __construct(
        public ?int $itemId,
        public string $code,
        public string $description,
        public int $departmentId,
        public Quantity $quantity,
        public string $unit,
        public int $pricePer,
        public Direction $direction,
        public ?GoodsTo $to,
        public Money $cost,
        public string $note = '',
        public array $serials = [],
        public ?Origin $origin = null,
        public ?string $reason = null,
    ) {
    }

    /**
     * So many of an item.
     *
     * @param  GoodsTo|null  $to null: to another location
     * @param  list<string>  $serials
     */
    public static function of(
        Item $item,
        Quantity $quantity,
        Direction $direction,
        ?GoodsTo $to,
        Money $cost,
        array $serials = [],
        string $note = '',
        ?string $reason = null,
    ): self {
        return new self(
            $item->id,
            $item->code,
            $item->description,
            $item->department_id,
            $quantity,
            $item->unit->value,
            $item->price_per,
            $direction,
            $to,
            $cost,
            $note,
            $serials,
            null,
            $reason,
        );
    }
}
