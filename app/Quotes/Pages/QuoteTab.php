<?php

declare(strict_types=1);

namespace Elmstone\Quotes\Pages;

use Carbon\CarbonImmutable;
use Elmstone\Quotes\Quote;
use Elmstone\Quotes\QuoteState;
use Illuminate\Database\Eloquent\Builder;

/** The ways to look at the quotes, each in the order they are worked through. */
enum QuoteTab: string
{
    case FollowUp = 'follow-up';
    case Expiring = 'expiring';
    case Open = 'open';
    case RanOut = 'ran-out';
    case Won = 'won';
    case Lost = 'lost';

    /** Quotes whose last day comes within so many days run out soon. */
    public const SOON = 7;

    public function label(): string
    {
        return match ($this) {
            self::FollowUp => 'To ask after',
            self::Expiring => 'Running out',
            self::Open => 'Open',
            self::RanOut => 'Ran out',
            self::Won => 'Won',
            self::Lost => 'Lost',
        };
    }

    /** @return Builder<Quote> */
    public function query(CarbonImmutable $day): Builder
    {
        $today = $day->format('Y-m-d');
        $open = Quote::query()->where('state', QuoteState::Open);

        return match ($this) {
            self::FollowUp => $open->where('follow_up_on', '<=', $today)->orderBy('follow_up_on')->orderBy('id'),
            self::Expiring => $open
                ->whereBetween('valid_until', [$today, $day->addDays(self::SOON)->format('Y-m-d')])
                ->orderBy('valid_until')
                ->orderBy('id'),
            self::Open => $open->where('valid_until', '>=', $today)->orderByDesc('id'),
            self::RanOut => $open->where('valid_until', '<', $today)->orderByDesc('valid_until')->orderByDesc('id'),
            self::Won => Quote::query()->where('state', QuoteState::Won)->orderByDesc('id'),
            self::Lost => Quote::query()->where('state', QuoteState::Lost)->orderByDesc('id'),
        };
    }
}
