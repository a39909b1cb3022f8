<?php

declare(strict_types=1);

namespace Elmstone\Reports;

/** Something the owner looks at: how it stands, where it leads, and whether it asks to be looked at now. */
final readonly class Eye
{
    public function __construct(public string $words, public string $detail, public string $link, public bool $looks)
    {
    }
}
