<?php

declare(strict_types=1);

namespace Elmstone\Layaways\Pages;

use Carbon\CarbonImmutable;
use Elmstone\Layaways\Layaway;
use Elmstone\Layaways\LayawayState;
use Illuminate\Database\Eloquent\Builder;

/** The ways to look at the layaways, each in the order they are worked through. */
enum WorklistTab: string
{
    case Due = 'due';
    case Behind = 'behind';
    case Ready = 'ready';
    case Expiring = 'expiring';
    case Ended = 'ended';

    /** Layaways whose last day comes within so many days are about to expire. */
    public const SOON = 14;

    public function label(): string
    {
        return match ($this) {
            self::Due => 'Next due',
            self::Behind => 'Behind',
            self::Ready => 'Ready to collect',
            self::Expiring => 'Expiring',
            self::Ended => 'Ended',
        };
    }

    /** @return Builder<Layaway> */
    public function query(CarbonImmutable $day): Builder
    {
        $date = $day->format('Y-m-d');
        $query = Layaway::query();

        match ($this) {
            self::Due => $query->where('state', LayawayState::Running)->orderBy('next_due')->orderBy('id'),
            self::Behind => $query
                ->where('state', LayawayState::Running)
                ->where('behind_from', '<=', $date)
                ->orderBy('behind_from')
                ->orderBy('id'),
            self::Ready => $query->where('state', LayawayState::Ready)->orderBy('paid_on')->orderBy('id'),
            self::Expiring => $query
                ->where('state', LayawayState::Running)
                ->where('lapses_on', '<=', $day->addDays(self::SOON)->format('Y-m-d'))
                ->orderBy('lapses_on')
                ->orderBy('id'),
            self::Ended => $query
                ->whereIn('state', [LayawayState::Completed, LayawayState::Cancelled])
                ->orderByDesc('id'),
        };

        return $query;
    }
}
