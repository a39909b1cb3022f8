<?php

declare(strict_types=1);

namespace Elmstone\Labels;

use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\ItemSearch;
use Elmstone\Core\Money\Refused;

/**
 * What labels are wanted of, as it is typed, scanned or sent by another page: a line for each item, its code, and how
 * many before it. What stands behind the code is for who reads it.
 */
final readonly class LabelList
{
    /** Labels of one printing. */
    public const MOST = 3000;

    /** @param  list<array{Item, int}>  $rows */
    private function __construct(public array $rows)
    {
    }

    /**
     * "3 x LH-1140 Limestone hook", "LH-1140", or a barcode.
     *
     * @throws Refused unknown_item, nothing_chosen, too_many
     */
    public static function read(string $typed, ItemSearch $search): self
    {
        $rows = [];
        $lines = preg_split('/\R/', trim($typed)) ?: [];
        $known = self::known($lines);

        foreach ($lines as $i => $line) {
            if (trim($line) !== '') {
                [$count, $code] = self::parts($line);
                $rows[] = [$known[strtolower($code)] ?? $search->exact($code) ?? throw Refused::because(
                    'unknown_item',
                    'Line '.($i + 1).": nothing is called “{$code}”.",
                ), $count];
            }
        }

        return match (true) {
            $rows === [] => throw Refused::because('nothing_chosen', 'Scan or type at least one item.'),
            array_sum(array_column($rows, 1)) > self::MOST => throw Refused::because(
                'too_many',
                'That is more than '.number_format(self::MOST).' labels; print some of them first.',
            ),
            default => new self($rows),
        };
    }

    /** @param  iterable<array{Item, int}>  $rows */
    public static function written(iterable $rows): string
    {
        $lines = [];

        foreach ($rows as [$item, $count]) {
            $lines[] = ($count === 1 ? '' : "{$count} x ")."{$item->code}  {$item->description}";
        }

        return implode("\n", $lines);
    }

    /** @return array{int, string} how many, and the code */
    private static function parts(string $line): array
    {
        preg_match('/^\s*(?:(\d{1,4})\s*[x×*]\s+)?(\S+)/u', $line, $found);

        return [max(1, (int) ($found[1] ?? 1)), $found[2] ?? ''];
    }

    /**
     * All whose code is typed as it is, in one question.
     *
     * @param  list<string>  $lines
     * @return array<string, Item> by code in small letters
     */
    private static function known(array $lines): array
    {
        $codes = array_map(static fn (string $line): string => self::parts($line)[1], $lines);
        $codes = array_filter($codes, static fn (string $code): bool => preg_match('/^[!-~]{1,24}$/D', $code) === 1);

        return Item::query()
            ->with(['breaks', 'promotions'])
            ->whereIn('code', $codes)
            ->get()
            ->keyBy(static fn (Item $item): string => strtolower($item->code))
            ->all();
    }
}
