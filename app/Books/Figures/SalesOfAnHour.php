<?php

declare(strict_types=1);

namespace Elmstone\Books\Figures;

use Elmstone\Core\Money\Money;

/** What one person sold in an hour. */
final readonly class SalesOfAnHour
{
    /**
     * @param  int|null  $hour after the day began, 0 to 23; null: posted on another day
     * @param  int  $sales how many
     * @param  int  $returns how many
     * @param  Money  $net what came back taken off
     */
    public function __construct(
        public string $person,
        public ?int $hour,
        public int $sales,
        public int $returns,
        public Money $net,
    ) {
    }
}
