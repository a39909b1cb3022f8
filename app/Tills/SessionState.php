<?php

declare(strict_types=1);

namespace Elmstone\Tills;

enum SessionState: string
{
    /** Money is taken. */
    case Open = 'open';

    /** What is in the drawer is counted and fixed; no more money is taken until it is closed, or goes on. */
    case Counted = 'counted';

    case Closed = 'closed';
}
