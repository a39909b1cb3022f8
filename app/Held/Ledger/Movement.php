<?php

declare(strict_types=1);

namespace Elmstone\Held\Ledger;

/** How money that is held came or left. */
enum Movement: string
{
    case In = 'in';
    case Used = 'used';
    case Fee = 'fee';
    case Back = 'back';
    case Returned = 'returned';
    case Moved = 'moved';
    case Merged = 'merged';

    /** As a customer reads it of their layaway. */
    public function words(): string
    {
        return match ($this) {
            self::In => 'Payment',
            self::Used => 'Invoiced',
            self::Fee => 'Cancellation fee',
            self::Back => 'Paid back',
            self::Returned => 'Payment came back',
            self::Moved => 'Kept as deposit',
            self::Merged => 'From another account of theirs',
        };
    }
}
