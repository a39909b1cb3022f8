<?php

declare(strict_types=1);

namespace Elmstone\Catalogue\Markdowns;

use Carbon\CarbonImmutable;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Refused;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;

/**
 * The morning's prices are taken, all that were shown or all but some, in one act; each is on record. What became
 * otherwise since the list was made (goods came in, a price was changed) is not taken, and said.
 */
final readonly class TakeMarkdowns
{
    private const AT_ONCE = 500;

    public function __construct(private Proposals $proposals)
    {
    }

    /**
     * @param  int  $version of the list that was seen
     * @param  int  $department only of this one; 0: of all
     * @param  list<int>  $but items that are left as they are
     * @return array{int, int} how many were taken, and how many had changed meanwhile
     *
     * @throws Refused changed_elsewhere, nothing_chosen
     */
    public function handle(int $version, int $department, array $but, Staff $by): array
    {
        return DB::transaction(function () use ($version, $department, $but, $by): array {
            Proposals::lock();
            $version === Proposals::version() || throw Refused::because(
                'changed_elsewhere',
                'The list was worked out anew meanwhile. Here it is; nothing was taken yet.',
            );
            $today = ShopTime::today();
            [$taken, $changed] = [0, 0];

            foreach ($this->chosen($department, $but) as $items) {
                $is = $this->take($items, $today, $by);
                $taken += $is;
                $changed += count($items) - $is;
            }

            $taken + $changed > 0 || throw Refused::because('nothing_chosen', 'No price was left ticked.');

            return [$taken, $changed];
        });
    }

    /** One item goes back to its other prices. */
    public function end(Item $item, Staff $by): void
    {
        DB::transaction(static function () use ($item, $by): void {
            DB::table('items')->where('id', $item->id)->lockForUpdate()->value('id');
            EndMarkdowns::of([$item->id], $by->id);
        });
    }

    /**
     * @param  list<int>  $but
     * @return iterable<list<int>> items, some at a time, in order
     */
    private function chosen(int $department, array $but): iterable
    {
        $all = DB::table('markdown_proposals')
            ->when($department > 0, static fn ($query) => $query->where('department_id', $department))
            ->orderBy('item_id')
            ->pluck('item_id')
            ->map(static fn (mixed $id): int => is_numeric($id) ? (int) $id : 0)
            ->diff($but)
            ->all();

        return array_chunk($all, self::AT_ONCE);
    }

    /**
     * @param  list<int>  $items
     * @return int how many were still as the list says
     */
    private function take(array $items, CarbonImmutable $today, Staff $by): int
    {
        $was = DB::table('items')->whereIn('id', $items)->orderBy('id')->lockForUpdate()->pluck('marked_price', 'id');
        $shown = DB::table('markdown_proposals')->whereIn('item_id', $items)->pluck('price', 'item_id');
        $prices = [];

        foreach ($this->proposals->of($items, $today) as $now) {
            $seen = $shown[$now['item_id']];

            if (self::plain(is_string($seen) ? $seen : null) === self::plain($now['price'])) {
                $prices[$now['item_id']] = $now['price'];
            }
        }

        self::set($prices, $today);
        MarkdownRecord::write(array_map(
            static fn (int $item): array => [$item, self::plain(self::text($was[$item])), $prices[$item]],
            array_keys($prices),
        ), $by->id);
        DB::table('markdown_proposals')->whereIn('item_id', $items)->delete();

        return count($prices);
    }

    /** @param  array<int, string|null>  $prices by item */
    private static function set(array $prices, CarbonImmutable $today): void
    {
        $marks = array_filter($prices, is_string(...));
        $ends = array_keys(array_diff_key($prices, $marks));
        $marks === [] || DB::update(
            'UPDATE items SET marked_on = ?, marked_price = CASE id '
                .str_repeat('WHEN ? THEN CAST(? AS DECIMAL(14, 4)) ', count($marks)).'END WHERE id IN ('
                .implode(', ', array_fill(0, count($marks), '?')).')',
            [
                $today->format('Y-m-d'),
                ...array_merge(...array_map(null, array_keys($marks), array_values($marks))),
                ...array_keys($marks),
            ],
        );
        $ends === [] || DB::table('items')->whereIn('id', $ends)->update(['marked_price' => null, 'marked_on' => null]);
    }

    private static function text(mixed $price): ?string
    {
        return is_string($price) ? $price : null;
    }

    private static function plain(?string $price): ?string
    {
        return $price === null || ! str_contains($price, '.') ? $price : rtrim(rtrim($price, '0'), '.');
    }
}
