<?php

declare(strict_types=1);

namespace Elmstone\Books\Drafts;

use Elmstone\Books\GoodsTo;
use Elmstone\Books\Origin;
use Elmstone\Core\Consignment\Consigned;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Pricing\PriceRule;
use Elmstone\Core\Slip\ReckonedLine;

/** A line as it is about to be posted: what it is, how its price came about, and what it comes to. */
final readonly class DraftLine
{
    /**
     * @param  int|null  $departmentId null: a fee
     * @param  Money  $cost of the whole line, positive
     * @param  list<string>  $serials of the pieces
     * @param  Origin|null  $origin of what comes back: the line it was sold on
     * @param  GoodsTo|null  $goodsTo of what comes back, or is written off
     * @param  string|null  $reason why it comes back
     * @param  int|null  $sharing who sold it; null: as all of the document
     * @param  Consigned|null  $consigned whose it was; its cost is what they have of it
     */
    public function __construct(
        public ReckonedLine $reckoned,
        public ?int $itemId,
        public string $code,
        public string $description,
        public ?int $departmentId,
        public string $unit,
        public PriceRule $rule,
        public UnitPrice $list,
        public Money $cost,
        public string $note = '',
        public ?int $approvalId = null,
        public array $serials = [],
        public ?Origin $origin = null,
        public ?GoodsTo $goodsTo = null,
        public ?string $reason = null,
        public ?int $sharing = null,
        public ?Consigned $consigned = null,
    ) {
    }
}
