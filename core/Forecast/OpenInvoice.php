<?php

declare(strict_types=1);

namespace Elmstone\Core\Forecast;

use DateTimeImmutable;
use Elmstone\Core\Money\Money;

/** What is still to be paid: an invoice, or an instalment. */
final readonly class OpenInvoice
{
    /** @param  DateTimeImmutable|null  $promised the day somebody said it would be paid; null: nobody did */
    public function __construct(
        public string $id,
        public DateTimeImmutable $due,
        public Money $open,
        public ?DateTimeImmutable $promised = null,
    ) {
    }
}
