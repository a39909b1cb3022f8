<?php

declare(strict_types=1);

namespace Elmstone\Demo;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Carbon\CarbonImmutable;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Purpose;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Stock\BringIn;
use Elmstone\Stock\Incoming;
use Elmstone\Support\ShopTime;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;

/**
 * What the demonstration shop has on its shelves: opening stock, a lorry every other week, and the goods that stories
 * need, brought when they run low.
 */
final class DemoStock
{
    /** Codes, or how they begin, and how many of each are always there. */
    private const LEAST = [
        'MA-00' => 3,
        'ST-2001' => 24,
        'AD-0207' => 12,
        'LH-' => 8,
        'PI-2800' => 12,
        'VA-2214' => 6,
        'FX-5060' => 600,
        'SU-0011' => 6,
        'TO-0071' => 6,
        'GR-0301' => 6,
        'PT-0704' => 6,
    ];

    /** @var list<Item> */
    private array $items;

    /** @var array<int, int> what stories need of those items they need something of, by id */
    private array $least;

    /** @var array<int, Till> the first till of each location, by location */
    private array $tills;

    /** @var array<int, string> what each item cost on the first day, by id */
    private array $costs;

    /** @var array<int, array<int, BigDecimal>> what is there after a delivery, by location and item */
    private array $full = [];

    private int $lorries = 0;

    public function __construct(
        private readonly Chance $chance,
        private readonly House $house,
        private readonly BringIn $bringIn,
    ) {
        $this->items = array_values(Item::query()->orderBy('id')->get()->all());
        $this->least = array_filter(
            array_combine(
                array_map(static fn (Item $item): int => $item->id, $this->items),
                array_map(self::least(...), $this->items),
            ),
            static fn (int $least): bool => $least > 0,
        );
        $this->tills = Till::query()->orderByDesc('number')->get()->keyBy('location_id')->all();
        ksort($this->tills);
        $this->costs = array_combine(
            array_map(static fn (Item $item): int => $item->id, $this->items),
            array_map(static fn (Item $item): string => $item->cost->toString(), $this->items),
        );
    }

    public function open(CarbonImmutable $day): void
    {
        $main = array_key_first($this->tills);

        foreach ($this->tills as $location => $till) {
            foreach ($this->items as $item) {
                $usual = match (true) {
                    $item->price_per > 1 => 6000,
                    $item->list_price->value->isGreaterThan(100) => 6,
                    default => 90,
                };
                $share = $location === $main ? 100 : 35;
                $least = max(1, $this->least[$item->id] ?? 0);
                $this->full[$location][$item->id] = BigDecimal::of(
                    max(intdiv($usual * $share * $this->chance->between(30, 100), 10000), $least),
                );
            }

            $this->bring(
                $location,
                $this->full[$location],
                $day,
                Purpose::OpeningStock,
                'Counted when the books began',
            );
        }
    }

    /** The lorry comes: everything is as full as on the first day. */
    public function deliver(CarbonImmutable $day): void
    {
        foreach ($this->full as $location => $full) {
            $there = $this->available($location);
            $short = array_map(
                static fn (BigDecimal $wanted, int $item): BigDecimal => $wanted->minus($there[$item] ?? 0),
                $full,
                array_keys($full),
            );
            $this->bring($location, array_combine(array_keys($full), $short), $day, Purpose::GoodsIn, 'Lorry');
        }
    }

    /** What stories need is there, in every location. */
    public function refill(CarbonImmutable $day): void
    {
        foreach (array_keys($this->full) as $location) {
            $there = $this->available($location, ...array_keys($this->least));
            $short = [];

            foreach ($this->least as $item => $least) {
                $has = BigDecimal::of($there[$item] ?? 0);
                $has->isLessThan($least) && ($short[$item] = BigDecimal::of(2 * $least)->minus($has));
            }

            $this->bring($location, $short, $day, Purpose::GoodsIn, 'Ordered for customers');
        }
    }

    /**
     * What can be sold at a location, of all items where none are named. As it is written: little of it is reckoned
     * with.
     *
     * @return array<int, numeric-string> by item
     */
    public function available(int $location, int ...$items): array
    {
        /** @var array<int, numeric-string> $free */
        $free = DB::table('stock')
            ->where('location_id', $location)
            ->when($items !== [], static fn (Builder $query): Builder => $query->whereIn('item_id', $items))
            ->selectRaw('item_id, on_hand - committed AS free')
            ->pluck('free', 'item_id')
            ->all();

        return $free;
    }

    private static function least(Item $item): int
    {
        foreach (self::LEAST as $code => $least) {
            if (str_starts_with($item->code, $code)) {
                return $least;
            }
        }

        return 0;
    }

    /** @param  array<int, BigDecimal>  $quantities by item; nothing comes of what is not above zero */
    private function bring(int $location, array $quantities, CarbonImmutable $day, Purpose $purpose, string $note): void
    {
        $goods = [];

        foreach ($this->items as $item) {
            $quantity = $quantities[$item->id] ?? BigDecimal::zero();

            if ($quantity->isPositive()) {
                $goods[] = new Incoming(
                    $item,
                    Quantity::of((string) $quantity->stripTrailingZeros()),
                    $this->paid($item, $quantity, $purpose),
                );
            }
        }

        if ($goods !== []) {
            $till = $this->tills[$location];
            $by = Staff::query()->where('number', '201')->firstOrFail();
            $at = PostedAt::till($till, $by->id, $day)->of($location)->at(ShopTime::when($day, 17, 40));
            $this->bringIn->handle(
                $goods,
                $purpose,
                $at,
                Uuid::uuid5(Uuid::NAMESPACE_OID, 'demo lorry '.++$this->lorries)->toString(),
                $note,
            );
        }
    }

    /** What suppliers want goes up and down a little. */
    private function paid(Item $item, BigDecimal $quantity, Purpose $purpose): Money
    {
        $percent = $purpose === Purpose::OpeningStock ? 100 : $this->chance->between(98, 102);

        return Money::round(
            BigRational::of($this->costs[$item->id])
                ->multipliedBy($quantity)
                ->multipliedBy($percent)
                ->dividedBy(100 * $item->price_per),
            $this->house->currency(),
        );
    }
}
