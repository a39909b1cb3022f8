<?php

declare(strict_types=1);

namespace Elmstone\Quotes;

/** What became of a quote; that its day is over follows from its day. */
enum QuoteState: string
{
    case Open = 'open';
    case Won = 'won';
    case Lost = 'lost';
}
