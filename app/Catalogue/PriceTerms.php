<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Pricing\DatedPrice;
use Illuminate\Support\Facades\DB;

/** What decides the prices of one customer: their price level, standing discount and contract prices. */
final class PriceTerms
{
    /** @var array<int, list<DatedPrice>> contract prices by item, as far as they were read */
    private array $contracts = [];

    /** @var array<int, UnitPrice> the level's own prices by item, as far as they were read */
    private array $levelPrices = [];

    /** @var array<int, true> items whose prices were read */
    private array $known = [];

    public function __construct(
        private readonly int $customerId,
        private readonly ?int $levelId,
        public readonly Percentage $levelPercent,
        public readonly ?Percentage $standing,
    ) {
    }

    /** Of somebody who has none: a passer-by. */
    public static function nobodys(): self
    {
        return new self(0, null, Percentage::of('0'), null);
    }

    /** The same at another price level; contract prices and the standing discount stay. */
    public function atLevel(int $level, Percentage $percent): self
    {
        return new self($this->customerId, $level, $percent, $this->standing);
    }

    public function hasLevel(): bool
    {
        return $this->levelId !== null;
    }

    /**
     * Reads what there is for these items in two queries.
     *
     * @param  array<int>  $items
     */
    public function preload(array $items): self
    {
        $items = array_values(array_filter($items, fn (int $item): bool => ! isset($this->known[$item])));

        if ($items === []) {
            return $this;
        }

        $this->known += array_fill_keys($items, true);

        foreach (
            DB::table('contract_prices')->where('customer_id', $this->customerId)->whereIn('item_id', $items)
                ->get() as $row
        ) {
            $this->contracts[(int) $row->item_id][] = new DatedPrice(
                UnitPrice::of((string) $row->price),
                $row->from_date === null ? null : CarbonImmutable::parse((string) $row->from_date),
                $row->until_date === null ? null : CarbonImmutable::parse((string) $row->until_date),
                (string) $row->name,
            );
        }

        if ($this->levelId !== null) {
            foreach (
                DB::table('level_prices')->where('price_level_id', $this->levelId)->whereIn('item_id', $items)
                    ->get() as $row
            ) {
                $this->levelPrices[(int) $row->item_id] = UnitPrice::of((string) $row->price);
            }
        }

        return $this;
    }

    /** @return list<DatedPrice> */
    public function contracts(int $item): array
    {
        return $this->preload([$item])->contracts[$item] ?? [];
    }

    public function levelPrice(int $item): ?UnitPrice
    {
        return $this->preload([$item])->levelPrices[$item] ?? null;
    }
}
