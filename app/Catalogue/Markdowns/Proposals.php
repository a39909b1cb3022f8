<?php

declare(strict_types=1);

namespace Elmstone\Catalogue\Markdowns;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Pricing\Markdown;
use Elmstone\Shop\House;
use Elmstone\Support\InTheMorning;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;

/**
 * The morning's list: every item that is on hand and old enough, at the price of the step it has reached, where it does
 * not have that price yet. Worked out once a day, by whoever comes first, and anew when asked.
 */
final readonly class Proposals implements InTheMorning
{
    private const AT_ONCE = 1000;

    public function __construct(private House $house)
    {
    }

    /** Whoever works them out, takes them or changes the steps does it alone. */
    public static function lock(): void
    {
        DB::table('markdown_state')->where('id', 1)->lockForUpdate()->value('version');
    }

    /** The list that is shown: what is taken must be of this one. */
    public static function version(): int
    {
        return (int) DB::table('markdown_state')->where('id', 1)->value('version');
    }

    /** @return CarbonImmutable|null the day they are of; null: they were never worked out */
    public static function workedOn(): ?CarbonImmutable
    {
        $day = DB::table('markdown_state')->where('id', 1)->value('worked_on');

        return is_string($day) ? CarbonImmutable::parse($day) : null;
    }

    /** How many wait to be taken. */
    public static function waiting(): int
    {
        return DB::table('markdown_proposals')->count();
    }

    /** Works them out where that was not done today. */
    public function ofToday(): void
    {
        $today = ShopTime::today();
        self::workedOn()?->isSameDay($today) === true || DB::transaction(function () use ($today): void {
            self::lock();
            self::workedOn()?->isSameDay($today) === true || $this->write($today);
        });
    }

    /** Works them out anew. */
    public function anew(): void
    {
        DB::transaction(function (): void {
            self::lock();
            $this->write(ShopTime::today());
        });
    }

    /**
     * What items are to cost as things stand.
     *
     * @param  list<int>|null  $items ids; null: all
     * @return iterable<array{
     *     item_id: int, department_id: int, step: int, days: int, on_hand: string, price: string|null,
     *     held_by_floor: bool
     * }>
     */
    public function of(?array $items, CarbonImmutable $today): iterable
    {
        $steps = Steps::all();
        $currency = $this->house->currency();

        foreach ($this->candidates($steps, $items, $today) as $row) {
            $proposal = self::proposal($row, $steps[$row->department] ?? null, $currency);

            if ($proposal !== null) {
                yield $proposal;
            }
        }
    }

    private function write(CarbonImmutable $today): void
    {
        DB::table('markdown_proposals')->delete();
        $rows = [];

        foreach ($this->of(null, $today) as $row) {
            $rows[] = $row;

            if (count($rows) === self::AT_ONCE) {
                DB::table('markdown_proposals')->insert($rows);
                $rows = [];
            }
        }

        DB::table('markdown_proposals')->insert($rows);
        DB::table('markdown_state')->where('id', 1)->update([
            'worked_on' => $today->format('Y-m-d'),
            'version' => DB::raw('version + 1'),
        ]);
    }

    /**
     * Those of departments with steps that are on hand and as old as the first of them, and all that are marked down.
     *
     * @param  array<int, Markdown>  $steps
     * @param  list<int>|null  $items
     * @return iterable<Aged>
     */
    private function candidates(array $steps, ?array $items, CarbonImmutable $today): iterable
    {
        $ids = $items === null ? '' : 'AND i.id IN ('.implode(', ', array_fill(0, count($items), '?')).')';
        $movedIds = str_replace('i.id', 'item_id', $ids);
        $departments = $steps === [] ? '0' : implode(', ', array_fill(0, count($steps), '?'));
        $first = array_map(static fn (Markdown $one): int => $one->steps[0]->after, array_values($steps));

        return $items === [] ? [] : Aged::read(
            "SELECT i.id, i.department_id, i.list_price, i.floor_price, i.marked_price,
                COALESCE(h.on_hand, 0) AS on_hand, DATEDIFF(?, c.came) AS days
            FROM items i
            LEFT JOIN (SELECT item_id, SUM(on_hand) AS on_hand FROM stock WHERE on_hand > 0 {$movedIds}
                GROUP BY item_id) h ON h.item_id = i.id
            LEFT JOIN (SELECT item_id, MAX(business_date) AS came FROM stock_movements
                WHERE why IN ('delivery', 'opening') {$movedIds} GROUP BY item_id) c ON c.item_id = i.id
            WHERE i.active = 1 {$ids} AND (i.marked_price IS NOT NULL
                OR (i.department_id IN ({$departments}) AND h.on_hand > 0 AND DATEDIFF(?, c.came) >= ?))",
            [
                $today->format('Y-m-d'), ...$items ?? [], ...$items ?? [], ...$items ?? [], ...array_keys($steps),
                $today->format('Y-m-d'), $first === [] ? 0 : min($first),
            ],
        );
    }

    /**
     * @return array{
     *     item_id: int, department_id: int, step: int, days: int, on_hand: string, price: string|null,
     *     held_by_floor: bool
     * }|null null: it has the price already
     */
    private static function proposal(Aged $row, ?Markdown $markdown, Currency $currency): ?array
    {
        $marked = $markdown?->at($row->list, $row->days, $row->floor, $currency);
        // Where the floor stands above the list price, age makes nothing cheaper.
        $price = $marked === null || $marked->step === 0 || ! $marked->price->isLessThan($row->list)
            ? null
            : $marked;

        return ($price === null ? $row->marked === null : $row->marked?->equals($price->price) === true) ? null : [
            'item_id' => $row->item,
            'department_id' => $row->department,
            'step' => $price->step ?? 0,
            'days' => $row->days,
            'on_hand' => $row->onHand,
            'price' => $price?->price->toString(),
            'held_by_floor' => $price?->heldByFloor === true,
        ];
    }
}
