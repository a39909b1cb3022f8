<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post\Steps;

use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Post\SlipPosting;
use Elmstone\Counter\Post\Step;
use Elmstone\Counter\Slip\Becomes;
use Elmstone\Quotes\GiveQuote;

/** A slip that becomes a quote, or its next revision. */
final readonly class GiveQuotes extends Step
{
    public function __construct(private GiveQuote $give)
    {
    }

    public function post(SlipPosting $posting): void
    {
        if ($posting->slip()->becomes === Becomes::Quote) {
            $posting->quote = $this->give->handle(
                $posting->reckoned->quote()?->newQuote()
                    ?? throw Refused::because('not_held', 'This slip is not to become a quote.'),
                $posting->act->by,
            );
        }
    }
}
