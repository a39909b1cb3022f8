<?php

declare(strict_types=1);

namespace Elmstone\Layaways\Pages;

use Carbon\CarbonImmutable;
use Elmstone\Core\Receivables\Days;
use Elmstone\Layaways\Layaway;
use Elmstone\Layaways\LayawayState;
use Elmstone\Shop\House;
use Elmstone\Support\Show;

/** What to do next about a layaway, in a few words. */
final class NextStep
{
    public static function for(Layaway $layaway, CarbonImmutable $day, House $house): string
    {
        $reach = $layaway->customer->phone !== ''
                ? "call {$layaway->customer->phone}"
                : ($layaway->customer->mail !== ''
                    ? "write to {$layaway->customer->mail}"
                    : 'write');
        $open = Show::money($layaway->next_open);

        return match (true) {
            $layaway->state === LayawayState::Ready => 'Hand over'
                .($layaway->shelf === '' ? '' : ", stands on {$layaway->shelf}")
                .($layaway->paid_on !== null && Days::between($layaway->paid_on, $day) > 7 ? "; {$reach}" : ''),
            $layaway->state === LayawayState::Completed => 'Nothing; it is sold',
            $layaway->state === LayawayState::Cancelled => $layaway->shelf === ''
                ? 'Nothing; it was cancelled'
                : "Put the goods back from {$layaway->shelf}",
            $layaway->isExpired($day) => 'Extend or cancel: '.$reach,
            $layaway->isBehind($day) => ucfirst($reach)." about {$open}",
            $layaway->next_due?->lessThanOrEqualTo($day) === true => "Take {$open}; {$reach} if they do not come",
            Days::between($day, $layaway->lapses_on) <= WorklistTab::SOON => ucfirst($reach)
                .': '
                .Show::money($layaway->remaining())
                .' is left',
            default => "Wait for {$open}",
        };
    }
}
