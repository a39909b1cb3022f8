<?php

declare(strict_types=1);

namespace Elmstone\Devices\Simulated;

/** What the simulated terminal will do next. */
enum TerminalMood: string
{
    case Approve = 'approve';
    case Decline = 'decline';
    case Partial = 'partial';
    case SilentApprove = 'silent_approve';
    case SilentDecline = 'silent_decline';
    case OffLine = 'off_line';

    public function label(): string
    {
        return match ($this) {
            self::Approve => 'Approve',
            self::Decline => 'Decline: not enough money on the card',
            self::Partial => 'Approve half of the amount',
            self::SilentApprove => 'No answer in time, though the card is charged',
            self::SilentDecline => 'No answer in time, and the card is not charged',
            self::OffLine => 'Off line, until this is changed',
        };
    }

    public function isSilent(): bool
    {
        return $this === self::SilentApprove || $this === self::SilentDecline;
    }

    /** What it does after that: only being off line lasts. */
    public function then(): self
    {
        return $this === self::OffLine ? self::OffLine : self::Approve;
    }
}
