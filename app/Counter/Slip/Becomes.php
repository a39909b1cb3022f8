<?php

declare(strict_types=1);

namespace Elmstone\Counter\Slip;

/** What becomes of a slip when it is posted. */
enum Becomes: string
{
    case Sale = 'sale';
    case Layaway = 'layaway';
    case Order = 'order';
    case Quote = 'quote';

    /** "to be held as a layaway" */
    public function words(): string
    {
        return match ($this) {
            self::Sale => 'a sale',
            self::Layaway => 'to be held as a layaway',
            self::Order => 'to become an order',
            self::Quote => 'to become a quote',
        };
    }
}
