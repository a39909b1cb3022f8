<?php

declare(strict_types=1);

namespace Elmstone\Core\Pricing;

use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Refused;

/** So many days after goods last came in, so many percent come off the list price. */
final readonly class MarkdownStep
{
    /** @throws Refused bad_days */
    public function __construct(public int $after, public Percentage $percent)
    {
        $after > 0 || throw Refused::because('bad_days', 'A step is reached after one day or more.');
    }
}
