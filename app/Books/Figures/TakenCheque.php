<?php

declare(strict_types=1);

namespace Elmstone\Books\Figures;

use Elmstone\Core\Money\Money;

/** A cheque that was taken: which tender of which document it is. */
final readonly class TakenCheque
{
    /**
     * @param  int  $position of the tender on its document
     * @param  string  $label of the document
     * @param  string  $number as it stands on the cheque
     */
    public function __construct(
        public int $document,
        public int $position,
        public string $label,
        public string $from,
        public string $number,
        public Money $amount,
    ) {
    }

    /** What it is ticked by: "512-1". */
    public function key(): string
    {
        return "{$this->document}-{$this->position}";
    }
}
