<?php

declare(strict_types=1);

namespace Elmstone\Counter\Lines;

use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\ItemSearch;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;

/** Puts an item on the slip: what was scanned, typed or chosen. The same item again adds to its line. */
final class AddToSlip
{
    public const MOST_LINES = 500;

    public function __construct(private readonly SlipDesk $desk, private readonly ItemSearch $search)
    {
    }

    /**
     * @param  int|null  $itemId the one chosen from the list, where one was; otherwise only what is named exactly
     * @param  string  $quantity of the one chosen, as the list read it
     *
     * @throws Refused not_found, off_sale, bad_quantity, full
     */
    public function handle(
        string $slipKey,
        Act $act,
        string $typed,
        ?int $itemId = null,
        string $quantity = '1',
    ): AddedLine {
        [$item, $quantity] = $itemId === null
            ? $this->named($typed)
            : [Item::query()->findOrFail($itemId), EntryText::quantity($quantity)];

        if (! $item->active) {
            throw Refused::because('off_sale', "{$item->code} “{$item->description}” is not on sale any more.");
        }

        $line = 0;
        $slip = $this->desk->change($slipKey, $act, function (Slip $slip) use ($item, $quantity, &$line): void {
            $line = $this->put($slip, $item, $quantity);
        });

        return new AddedLine($slip, $line);
    }

    /** @return array{Item, Quantity} the item with exactly this code or barcode, and how many of it */
    private function named(string $typed): array
    {
        foreach (EntryText::readings($typed) as $reading) {
            $exact = $this->search->exact($reading->text);

            if ($exact !== null) {
                return [$exact, $reading->quantity];
            }
        }

        $text = EntryText::read($typed)->text;
        throw Refused::because(
            'not_found',
            preg_match('/^[\d\s-]{8,}$/', $text) === 1
                ? "No item has the barcode {$text}. Search by name, or add a one-off line."
                : "No code is “{$text}”. Choose from the list, or add a one-off line.",
        );
    }

    private function put(Slip $slip, Item $item, Quantity $quantity): int
    {
        // Of a long slip only what matters is read: the lines of this item and the last one.
        $lines = $slip->lines()->where(
            static fn (Builder $some) => $some->where('item_id', $item->id)->orWhere(
                'position',
                DB::table('slip_lines')->where('slip_id', $slip->id)->selectRaw('MAX(position)'),
            ),
        )->get();
        $same = $lines->first(
            static fn (LineOnSlip $line): bool => $line->item_id === $item->id && $line->isUntouched(),
        );

        return $same === null
            ? $this->append($slip, $item, $quantity, $lines->last()->position ?? 0)
            : $this->raise($same->setRelation('item', $item), $item, $quantity, $slip);
    }

    private function append(Slip $slip, Item $item, Quantity $quantity, int $last): int
    {
        if ($last >= self::MOST_LINES && $slip->lines()->count() >= self::MOST_LINES) {
            throw Refused::because(
                'full',
                'A slip holds '.self::MOST_LINES.' lines. Post this one and go on with another.',
            );
        }

        $item->assertSoldIn($quantity);

        return LineOnSlip::query()->create([
            'slip_id' => $slip->id,
            'position' => $last + 1,
            ...$item->onLine(),
            ...LinePricing::afresh($item, $quantity, $slip),
            'may_discount' => $item->takesDiscount(),
            'floor_price' => $item->floor_price,
        ])->id;
    }

    private function raise(LineOnSlip $line, Item $item, Quantity $quantity, Slip $slip): int
    {
        $line->update(LinePricing::forQuantity($line, $item, $line->quantity->plus($quantity), $slip));

        return $line->id;
    }
}
