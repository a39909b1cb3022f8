<?php

declare(strict_types=1);

namespace Elmstone\Counter\Slip;

enum SlipState: string
{
    case Open = 'open';
    case Posted = 'posted';
    /** Practised at a till for training: nothing came of it. */
    case Practised = 'practised';
    /** Cleared by the clerk; kept, so that what was done with it stays on record. */
    case Cleared = 'cleared';
}
