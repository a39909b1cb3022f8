<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post\Steps;

use Elmstone\Books\Document;
use Elmstone\Counter\Post\SlipPosting;
use Elmstone\Counter\Post\Step;
use Elmstone\Counter\Slip\Becomes;
use Elmstone\Quotes\EndQuote;
use Elmstone\Quotes\Quote;

/** A quote whose goods are on the slip is won with what the slip became. */
final readonly class QuoteTakenUp extends Step
{
    public function __construct(private EndQuote $end)
    {
    }

    public function post(SlipPosting $posting): void
    {
        $slip = $posting->slip();

        if ($slip->quote_id === null || $slip->becomes === Becomes::Quote) {
            return;
        }

        $became = $posting->order->label ?? $posting->made->label
            ?? Document::query()->whereKey($posting->sale)->value('label');
        $this->end->won(Quote::lock($slip->quote_id), is_string($became) ? $became : '', $posting->act->by);
    }
}
