<?php

declare(strict_types=1);

namespace Elmstone\Core\Shares;

/** What a commission is a part of. */
enum RateOf: string
{
    case Net = 'net';
    case Margin = 'margin';
}
