<?php

declare(strict_types=1);

namespace Elmstone\Ledger;

use Carbon\CarbonImmutable;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;

/** What a document did to an account, and where the account stood after it. */
final readonly class SheetRow
{
    public function __construct(
        public CarbonImmutable $day,
        public string $label,
        public Purpose $purpose,
        public string $about,
        public Money $debit,
        public Money $credit,
        public Money $balance,
    ) {
    }
}
