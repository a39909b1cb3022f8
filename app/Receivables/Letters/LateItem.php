<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Letters;

use Elmstone\Core\Money\Money;
use Elmstone\Receivables\Ledger\OpenItemRecord;

/** What of an item is late, once unused credit has met it, and the letter it calls for. */
final readonly class LateItem
{
    /** @param  int|null  $level whose letter is due; null: it is only listed */
    public function __construct(
        public OpenItemRecord $item,
        public Money $open,
        public int $daysLate,
        public ?int $level,
    ) {
    }
}
