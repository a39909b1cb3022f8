<?php

declare(strict_types=1);

namespace Elmstone\Cards;

use Closure;

/**
 * How a question to a card terminal stands: asked, then approved or declined, and perhaps reversed. Only the terminal's
 * answer settles what is not known.
 */
enum CardState: string
{
    /** The terminal has read a card and is not asked yet: what it would cost is in sight first. */
    case Read = 'read';
    /** Read, and never asked. */
    case Dropped = 'dropped';
    /** Sent to the terminal; until it answers, the outcome is unknown. */
    case Asked = 'asked';
    case Approved = 'approved';
    case Declined = 'declined';
    /** The terminal reached nobody, so nothing was charged; a voice code may be keyed in. */
    case OffLine = 'off_line';
    /** Approved by voice and keyed in. */
    case Keyed = 'keyed';
    /** The terminal was told to reverse it and has not confirmed it. */
    case GivingBack = 'giving_back';
    case GivenBack = 'given_back';

    /** Whether money moved by it. */
    public function pays(): bool
    {
        return $this === self::Approved || $this === self::Keyed;
    }

    /** Whether its outcome is not known, so that nothing may be posted or cleared. */
    public function isOpen(): bool
    {
        return $this === self::Asked || $this === self::GivingBack;
    }

    /** Whether money has moved by it or may have. */
    public function isLive(): bool
    {
        return $this->pays() || $this->isOpen();
    }

    /** @return list<string> */
    public static function live(): array
    {
        return self::those(static fn (self $state): bool => $state->isLive());
    }

    /** @return list<string> those by which money moved */
    public static function paying(): array
    {
        return self::those(static fn (self $state): bool => $state->pays());
    }

    /**
     * @param  Closure(self): bool  $are
     * @return list<string>
     */
    private static function those(Closure $are): array
    {
        return array_column(array_filter(self::cases(), $are), 'value');
    }
}
