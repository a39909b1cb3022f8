<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

/** How money came to a layaway or left it. */
enum EntryKind: string
{
    case Paid = 'paid';
    case Fee = 'fee';
    case Back = 'back';
    case Returned = 'returned';
    case Moved = 'moved';
    case Goods = 'goods';

    public function words(): string
    {
        return match ($this) {
            self::Paid => 'Payment',
            self::Fee => 'Cancellation fee',
            self::Back => 'Paid back',
            self::Returned => 'Payment came back',
            self::Moved => 'Kept as deposit',
            self::Goods => 'Invoiced',
        };
    }
}
