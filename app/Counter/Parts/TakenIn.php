<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

use Carbon\CarbonImmutable;
use Elmstone\Books\Drafts\DocumentDraft;
use Elmstone\Counter\Post\SlipPosting;
use Elmstone\Counter\Slip\Slip;

/** The receipt for what a slip takes in, just written. */
final readonly class TakenIn
{
    /**
     * @param  int  $receipt the receipt's document id
     * @param  TowardsAccount|null  $towards what of it is paid to the house account; null: nothing
     */
    public function __construct(
        public int $receipt,
        public DocumentDraft $draft,
        public SlipPosting $posting,
        public ?TowardsAccount $towards,
    ) {
    }

    public function slip(): Slip
    {
        return $this->posting->slip();
    }

    public function day(): CarbonImmutable
    {
        return $this->slip()->day();
    }
}
