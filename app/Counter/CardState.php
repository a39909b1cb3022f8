<?php

declare(strict_types=1);

namespace Elmstone\Counter;

enum CardState: string
{
    /** Sent to the terminal; until it answers, the outcome is unknown. */
    case Asked = 'asked';
    case Approved = 'approved';
    case Declined = 'declined';
    case OffLine = 'off_line';
    /** Approved by voice and keyed in. */
    case Keyed = 'keyed';
    /** The terminal was told to give it back and has not confirmed it. */
    case GivingBack = 'giving_back';
    case GivenBack = 'given_back';

    /** Whether it pays. */
    public function pays(): bool
    {
        return $this === self::Approved || $this === self::Keyed;
    }

    /** Whether it may still turn out to have been charged, so that nothing may be posted or cleared. */
    public function isOpen(): bool
    {
        return $this === self::Asked || $this === self::GivingBack;
    }
}
