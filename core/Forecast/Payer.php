<?php

declare(strict_types=1);

namespace Elmstone\Core\Forecast;

/** Somebody who pays: what they paid in the last twelve months, what they promised and kept, what is open. */
final readonly class Payer
{
    /**
     * @param  list<PaidInvoice>  $paid
     * @param  list<OpenInvoice>  $open
     * @param  int|null  $invoices how many invoices were paid, where some in parts; null: as many as stand there
     */
    public function __construct(
        public string $id,
        public array $paid,
        public array $open,
        public int $promisesKept = 0,
        public int $promisesMade = 0,
        private ?int $invoices = null,
    ) {
    }

    /** How many invoices their habit rests on. */
    public function invoices(): int
    {
        return $this->invoices ?? count($this->paid);
    }
}
