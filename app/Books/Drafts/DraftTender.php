<?php

declare(strict_types=1);

namespace Elmstone\Books\Drafts;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\Tender;

/** A tender as it is about to be posted. Of a card, only its type and last four digits are ever kept. */
final readonly class DraftTender
{
    /** @param  Money  $given what was handed over, change included */
    public function __construct(
        public Tender $tender,
        public Money $given,
        public string $reference = '',
        public string $cardType = '',
        public string $lastFour = '',
        public string $authorisation = '',
    ) {
    }
}
