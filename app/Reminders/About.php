<?php

declare(strict_types=1);

namespace Elmstone\Reminders;

/** What people are reminded of. */
enum About: string
{
    case Plan = 'plan';
    case Layaway = 'layaway';
    case Expiry = 'expiry';

    public function words(): string
    {
        return match ($this) {
            self::Plan => 'part of a plan',
            self::Layaway => 'layaway payment',
            self::Expiry => 'layaway’s last day',
        };
    }
}
