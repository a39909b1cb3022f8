<?php

declare(strict_types=1);

namespace Elmstone\Purchasing;

/** How far a purchase has come. */
enum PurchaseState: string
{
    case Draft = 'draft';
    case Sent = 'sent';
    case Done = 'done';
    case Cancelled = 'cancelled';

    public function words(): string
    {
        return match ($this) {
            self::Draft => 'not sent yet',
            self::Sent => 'sent',
            self::Done => 'all here',
            self::Cancelled => 'cancelled',
        };
    }

    public function isOpen(): bool
    {
        return $this === self::Draft || $this === self::Sent;
    }
}
