<?php

declare(strict_types=1);

namespace Elmstone\WebOrders;

use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\PriceBooks;
use Elmstone\Catalogue\PriceTerms;
use Elmstone\Catalogue\Unit;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Shop\House;
use Elmstone\Support\ShopTime;

/** Which items the lines of an order mean, and at what price: all of them in a few queries. */
final readonly class MatchItems
{
    /** UN/ECE Recommendation 20, by our units; from memory of the list. Not said: as we sell it. */
    private const UNITS = [
        'each' => ['', 'C62', 'EA', 'H87', 'PCE'],
        'hundred' => ['', 'C62', 'EA', 'H87', 'PCE'],
        'metre' => ['', 'MTR'],
        'box' => ['', 'BX', 'XBX'],
    ];

    public function __construct(private House $house)
    {
    }

    /**
     * @return array{array<int, MatchedLine>, list<Problem>} lines by their place in the order
     */
    public function of(IncomingOrder $incoming, PriceTerms $terms, Decisions $decisions): array
    {
        $items = $this->items($incoming, $decisions);
        $terms->preload(array_values(array_map(static fn (Item $item): int => $item->id, $items)));
        [$lines, $problems] = [[], []];

        foreach ($incoming->lines as $at => $line) {
            if (isset($decisions->without[$at])) {
                continue;
            }

            $item = $this->itemOf($items, $decisions->codes[$at] ?? '', $line);
            $found = $item === null
                ? Problem::of(ProblemKind::Item, "No item has the code “{$line->named()}”.", $at)
                : $this->line($line, $at, $item, $terms, $decisions);

            if ($found instanceof Problem) {
                $problems[] = $found;

                continue;
            }

            $lines[$at] = $found;

            if ($found->hasOtherPrice() && ! $decisions->hasPrice($at, $found->priceInWords())) {
                $problems[] = Problem::of(
                    ProblemKind::Price,
                    "They say {$line->priceInWords()}, our price is {$found->priceInWords()}.",
                    $at,
                );
            }
        }

        return [$lines, $problems];
    }

    private function line(
        IncomingLine $line,
        int $at,
        Item $item,
        PriceTerms $terms,
        Decisions $decisions,
    ): MatchedLine|Problem {
        $units = self::UNITS[$item->unit->value];

        if (! in_array($line->unit, $units, true)) {
            return Problem::of(
                ProblemKind::Unit,
                "They order in “{$line->unit}”, “{$item->description}” is sold by the "
                    .($item->unit === Unit::Hundred ? 'piece' : $item->unit->value).'.',
                $at,
            );
        }

        try {
            $quantity = Quantity::of((string) $line->quantity->stripTrailingZeros());
            $item->active || throw Refused::because(
                'off_sale', "{$item->code} “{$item->description}” is not on sale any more.",
            );
            $item->assertSoldIn($quantity);
        } catch (Refused $refused) {
            return Problem::of(
                $refused->rule === 'off_sale' ? ProblemKind::Item : ProblemKind::Quantity,
                $refused->getMessage(),
                $at,
            );
        }

        return MatchedLine::of(
            $line,
            $item,
            $quantity,
            PriceBooks::of($item, $terms)->quote($quantity, ShopTime::today()),
            $this->house->currency(),
            $decisions->theirs[$at] ?? false,
        );
    }

    /** @return array<string, Item> by code in capitals, and by barcode after a colon */
    private function items(IncomingOrder $incoming, Decisions $decisions): array
    {
        $codes = self::like('/^[!-~]{1,24}$/D', [
            ...array_map(static fn (IncomingLine $line): string => $line->code, $incoming->lines),
            ...$decisions->codes,
        ]);
        $barcodes = self::like('/^\d{8,14}$/D', [
            ...array_map(static fn (IncomingLine $line): string => $line->barcode, $incoming->lines),
            ...$codes,
        ]);
        $found = [];

        foreach ([['code', $codes], ['barcode', $barcodes]] as [$column, $named]) {
            $items = $named === []
                ? []
                : Item::query()->with(['breaks', 'promotions'])->whereIn($column, $named)->get();

            foreach ($items as $item) {
                $found[strtoupper($item->code)] = $item;
                $item->barcode === null || ($found[":{$item->barcode}"] = $item);
            }
        }

        return $found;
    }

    /**
     * @param  array<string>  $texts
     * @return list<string>
     */
    private static function like(string $pattern, array $texts): array
    {
        return array_values(array_unique(array_filter(
            $texts,
            static fn (string $text): bool => preg_match($pattern, $text) === 1,
        )));
    }

    /** @param  array<string, Item>  $items as items() has them */
    private function itemOf(array $items, string $decided, IncomingLine $line): ?Item
    {
        $code = $decided !== '' ? $decided : $line->code;
        $named = $code === '' ? null : $items[strtoupper($code)] ?? $items[":{$code}"] ?? null;

        return $named ?? ($decided !== '' || $line->barcode === '' ? null : $items[":{$line->barcode}"] ?? null);
    }
}
