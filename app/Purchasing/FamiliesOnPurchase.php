<?php

declare(strict_types=1);

namespace Elmstone\Purchasing;

use Elmstone\Catalogue\Families\Family;
use Elmstone\Catalogue\Families\FamilyGrid;
use Elmstone\Catalogue\Families\OnTheirWay;
use Elmstone\Support\Show;

/** The lines of a purchase that stand in a grid: those of families of which several items were ordered. */
final readonly class FamiliesOnPurchase
{
    /** From so many lines on a grid is shorter than a list. */
    private const FROM = 3;

    /**
     * @param  list<FamilyGrid>  $grids
     * @param  array<int, PurchaseLine>  $lines those that stand in one, by item
     */
    private function __construct(public array $grids, public array $lines)
    {
    }

    /** Of lines that need more said of them (serial numbers) none stands in a grid. */
    public static function of(Purchase $purchase, OnTheirWay $coming): self
    {
        $lines = $purchase->lines->filter(
            static fn (PurchaseLine $line): bool => $line->item->family_id !== null && ! $line->item->has_serials,
        );
        $families = $lines->groupBy(static fn (PurchaseLine $line): int => $line->item->family_id ?? 0)
            ->filter(static fn ($of): bool => count($of) >= self::FROM);

        return new self(
            array_values(Family::query()->whereKey($families->keys()->all())->orderBy('name')->get()
                ->map(static fn (Family $family): FamilyGrid => FamilyGrid::of($family, $coming))->all()),
            $lines->whereIn('item.family_id', $families->keys())->keyBy('item_id')->all(),
        );
    }

    public static function none(): self
    {
        return new self([], []);
    }

    public function has(PurchaseLine $line): bool
    {
        return isset($this->lines[$line->item_id]);
    }

    /** @return array<int, string> what is to come of each, by item */
    public function toCome(): array
    {
        return array_map(
            static fn (PurchaseLine $line): string => $line->toCome()->isZero() ? '' : Show::decimal($line->toCome()),
            $this->lines,
        );
    }
}
