<?php

declare(strict_types=1);

namespace Elmstone\Quotes;

use Elmstone\Agreements\AgreedLine;
use Elmstone\Support\Show;

/** Two revisions of a quote side by side: which lines are new, gone, or another quantity, price or discount. */
final class Revisions
{
    /**
     * @return list<array{AgreedLine|null, AgreedLine|null, list<string>}> before, after, and what differs in words
     */
    public static function between(Quote $quote, int $before, int $after): array
    {
        $old = $quote->allLines->where('revision', $before)->values();
        $left = $quote->allLines->where('revision', $after)->values()->all();
        $pairs = [];

        foreach ($old as $line) {
            $same = null;

            foreach ($left as $place => $one) {
                if ($one->code === $line->code && $one->description === $line->description) {
                    $same = $one;
                    unset($left[$place]);
                    break;
                }
            }

            $pairs[] = [$line, $same, $same === null ? ['taken off'] : self::differences($line, $same)];
        }

        foreach ($left as $line) {
            $pairs[] = [null, $line, ['new']];
        }

        return $pairs;
    }

    /** @return list<string> */
    private static function differences(AgreedLine $before, AgreedLine $after): array
    {
        $found = [];

        foreach ([
            'quantity' => [Show::decimal($before->quantity), Show::decimal($after->quantity)],
            'price' => [Show::price($before->unit_price), Show::price($after->unit_price)],
            'discount' => [self::discount($before), self::discount($after)],
        ] as $what => [$was, $is]) {
            $was === $is || ($found[] = "{$what} {$was} → {$is}");
        }

        return $found;
    }

    private static function discount(AgreedLine $line): string
    {
        return match (true) {
            $line->discount_percent !== null => Show::decimal($line->discount_percent).' %',
            $line->discount_amount !== null => Show::money($line->discount_amount),
            default => 'none',
        };
    }
}
