<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Support\Show;

/** Whether so much may be paid on a layaway: said while it is typed, and decided again under its lock. */
final class Payable
{
    /** @throws Refused not_running, expired, bad_amount, over_remaining */
    public static function assert(Layaway $layaway, Money $amount, CarbonImmutable $day): void
    {
        $left = $layaway->remaining();

        match (true) {
            $layaway->state === LayawayState::Ready => throw Refused::because(
                'not_running',
                "{$layaway->label} is paid in full already; the goods can be collected.",
            ),
            $layaway->state === LayawayState::Cancelled => throw Refused::because(
                'not_running',
                "{$layaway->label} was cancelled"
                    .($layaway->ended_on === null ? '' : ' on '.Show::date($layaway->ended_on))
                    .'; nothing can be paid on it.',
            ),
            $layaway->state === LayawayState::Completed => throw Refused::because(
                'not_running',
                "{$layaway->label} is completed; nothing is left to pay.",
            ),
            $layaway->isExpired($day) => throw Refused::because(
                'expired',
                "{$layaway->label} expired on "
                    .Show::date($layaway->expires_on)
                    .'. A supervisor can extend it on its page.',
            ),
            ! $amount->isPositive() => throw Refused::because('bad_amount', 'A payment is more than nothing.'),
            $amount->exceeds($left) => throw Refused::because(
                'over_remaining',
                'Only '.Show::money($left)." is left to pay on {$layaway->label}.",
            ),
            default => null,
        };
    }
}
