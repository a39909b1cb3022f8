<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Bank;

/** What an entry of a bank's file is to the accounts. */
enum BankEntryKind: string
{
    /** Money came in: most likely somebody pays. */
    case In = 'in';
    /** The bank took a payment back. */
    case Returned = 'returned';
    /** Money that went out, a fee, the shop's own payment come back: nothing for customers' accounts. */
    case Other = 'other';
    /** Not booked yet: it comes again when it is. */
    case Pending = 'pending';
    /** It could not be read, or is in another currency: somebody looks at it. */
    case Unread = 'unread';

    public function needsSomebody(): bool
    {
        return in_array($this, [self::In, self::Returned, self::Unread], true);
    }

    public function words(): string
    {
        return match ($this) {
            self::In => 'came in',
            self::Returned => 'taken back by the bank',
            self::Other => 'went out, or not from a customer',
            self::Pending => 'not booked yet',
            self::Unread => 'to look at',
        };
    }
}
