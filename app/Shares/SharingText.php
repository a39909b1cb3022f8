<?php

declare(strict_types=1);

namespace Elmstone\Shares;

use Brick\Math\BigDecimal;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Shares\Part;
use Elmstone\Core\Shares\Sharing;

/** Who sells together, as somebody types it. */
final class SharingText
{
    private const ENTRY = '~(\d{1,10})(?:\s*[:=/]\s*(\d+(?:\.\d+)?)\s*%?|\s+(\d+(?:\.\d+)?)\s*%)?~';

    /**
     * @return non-empty-list<array{string, string}> staff number, and percentage; empty: none was typed
     *
     * @throws Refused bad_sharing
     */
    public static function read(string $typed, string $serves): array
    {
        $isTogether = str_starts_with($typed, '+');
        $entries = $isTogether ? [[$serves, '']] : [];
        $rest = (string) preg_replace_callback(self::ENTRY, static function (array $found) use (&$entries): string {
            $entries[] = [$found[1], ($found[2] ?? '') !== '' ? $found[2] : $found[3] ?? ''];

            return ' ';
        }, $typed);

        return $entries === [] || trim($rest, " ,;+&\t") !== '' || ($isTogether && count($entries) === 1)
            ? throw Refused::because(
                'bad_sharing',
                'Type staff numbers, with percentages where they differ: 201 60%, 301 40%. Or +301 for together with '
                    .'you.',
            )
            : $entries;
    }

    /**
     * @param  non-empty-list<array{string, string}>  $entries
     * @return non-empty-list<string> the percentage of each
     *
     * @throws Refused shares_not_whole, shared_twice
     */
    public static function percents(array $entries): array
    {
        $typed = array_filter(array_column($entries, 1), static fn (string $percent): bool => $percent !== '');

        if ($typed === []) {
            return array_map(
                static fn (Part $part): string => $part->percent->toString(),
                Sharing::equally(array_column($entries, 0))->parts,
            );
        }

        $left = BigDecimal::of(100);

        foreach ($typed as $percent) {
            $left = $left->minus(Percentage::of($percent)->value);
        }

        return count($typed) === count($entries) - 1 && $left->isPositive()
            ? array_map(static fn (array $entry): string => $entry[1] === '' ? (string) $left : $entry[1], $entries)
            : array_map(static fn (array $entry): string => $entry[1] === '' ? '0' : $entry[1], $entries);
    }
}
