<?php

declare(strict_types=1);

namespace Elmstone\Reports;

/** Where the documents behind a figure are: the register, narrowed as the figure is. */
final class Links
{
    /** @param  array<string, mixed>  $more */
    public static function documents(Asked $asked, array $more = []): string
    {
        [$from, $until] = $asked->period->dates();

        return route('documents', array_filter([
            'from' => $from,
            'until' => $until,
            'location' => $asked->location,
            'person' => $asked->person,
            ...$more,
        ], static fn (mixed $value): bool => $value !== null && $value !== ''));
    }
}
