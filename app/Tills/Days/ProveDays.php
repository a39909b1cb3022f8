<?php

declare(strict_types=1);

namespace Elmstone\Tills\Days;

use Elmstone\Books\Document;
use Elmstone\Books\Proof\Check;
use Elmstone\Books\Proof\Proof;
use Elmstone\Shop\Location;
use Elmstone\Shop\Shop;

/** Proves that closed days and months are as they were closed: nothing was posted into them, and they are in force. */
final class ProveDays implements Check
{
    public function prove(Proof $proof): void
    {
        $closed = 0;

        foreach (Location::query()->orderBy('id')->get() as $location) {
            foreach (Closing::query()->where('location_id', $location->id)->orderBy('id')->get() as $closing) {
                $closed++;
                $late = Document::query()
                    ->where('location_id', $location->id)
                    ->whereBetween('business_date', [
                        $closing->from_day->format('Y-m-d'),
                        $closing->through->format('Y-m-d'),
                    ])
                    ->where('posted_at', '>', $closing->closed_at->format('Y-m-d H:i:s.v'))
                    ->when($closing->reopened_at !== null, static fn ($documents) => $documents
                        ->where('posted_at', '<', $closing->reopened_at?->format('Y-m-d H:i:s.v')))
                    ->value('label');
                $late === null || $proof->fault("{$late}: posted into a closed day of {$location->name}");
            }

            $through = Closing::inForce($location->id)->max('through');
            $through === null
                || $proof->same(
                    $location->name,
                    'the last closed day',
                    $location->closed_through->format('Y-m-d'),
                    (string) $through,
                );
        }

        $month = Closing::inForce(null)->max('through');
        $proof->same(
            'the house',
            'the last closed month',
            Shop::query()->first()?->months_closed_through?->format('Y-m-d'),
            $month === null ? null : (string) $month,
        );
        $proof->checked('closed days and months that nothing was posted into', $closed);
    }
}
