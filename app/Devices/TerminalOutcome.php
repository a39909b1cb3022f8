<?php

declare(strict_types=1);

namespace Elmstone\Devices;

enum TerminalOutcome: string
{
    case Approved = 'approved';
    case Declined = 'declined';
    /** No answer came in time: the card may or may not have been charged. */
    case Unknown = 'unknown';
    /** What was done is undone, or nothing had been done. */
    case Reversed = 'reversed';
    /** The terminal cannot reach anyone; a voice code can be keyed in. */
    case OffLine = 'off_line';
}
