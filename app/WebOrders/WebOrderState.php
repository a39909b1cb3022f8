<?php

declare(strict_types=1);

namespace Elmstone\WebOrders;

/** What became of what a web shop sent. */
enum WebOrderState: string
{
    /** Only inside the transaction that takes it in. */
    case Fresh = 'new';
    case Look = 'look';
    case Taken = 'taken';
    case Refused = 'refused';

    public function words(): string
    {
        return match ($this) {
            self::Fresh => 'new',
            self::Look => 'to look at',
            self::Taken => 'taken',
            self::Refused => 'refused',
        };
    }

    /**
     * UN/EDIFACT 4343, as UBL order responses use it: accepted, rejected, received and not decided. From memory of the
     * code list.
     */
    public function responseCode(): string
    {
        return match ($this) {
            self::Taken => 'AP',
            self::Refused => 'RE',
            default => 'AB',
        };
    }
}
