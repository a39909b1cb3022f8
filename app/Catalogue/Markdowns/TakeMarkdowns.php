<?php

declare(strict_types=1);

namespace Elmstone\Catalogue\Markdowns;

use Carbon\CarbonImmutable;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Refused;
use Elmstone\Shop\House;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;

/**
 * The morning's prices are taken, all that were shown or all but some, in one act; each is on record. What became
 * otherwise since the list was made (goods came in, a price was changed) is not taken, and said.
 */
final readonly class TakeMarkdowns
{
    public function __construct(private House $house)
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
            [$taken, $changed] = $this->take(...self::chosen($department, $but), today: $today, by: $by);
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
     * @return array{string, list<int>} the proposals that are meant, `shown`, and what that binds
     */
    private static function chosen(int $department, array $but): array
    {
        $one = $department > 0 ? ' AND shown.department_id = ?' : '';
        $not = $but === [] ? '' : ' AND shown.item_id NOT IN ('.implode(', ', array_fill(0, count($but), '?')).')';

        return ['1 = 1'.$one.$not, [...$department > 0 ? [$department] : [], ...$but]];
    }

    /**
     * @param  list<int>  $bound
     * @return array{int, int} how many were still as the list says, and how many were not
     */
    private function take(string $chosen, array $bound, CarbonImmutable $today, Staff $by): array
    {
        $many = DB::scalar(
            "SELECT COUNT(*) FROM markdown_proposals shown JOIN items i ON i.id = shown.item_id WHERE {$chosen}
                FOR UPDATE",
            $bound,
        );
        $this->settle($chosen, $bound, $today);
        MarkdownRecord::ofTaken($by->id);
        $taken = DB::update(
            'UPDATE items i JOIN taken_prices t ON t.item_id = i.id
                SET i.marked_price = t.became, i.marked_on = IF(t.became IS NULL, NULL, ?)',
            [$today->format('Y-m-d')],
        );
        DB::delete("DELETE shown FROM markdown_proposals shown WHERE {$chosen}", $bound);

        return [$taken, (is_numeric($many) ? (int) $many : 0) - $taken];
    }

    /**
     * Lays out what is taken, `taken_prices`: the proposals that were chosen and still are due.
     *
     * @param  list<int>  $bound
     */
    private function settle(string $chosen, array $bound, CarbonImmutable $today): void
    {
        AgedPrices::lay($this->house->currency());
        [$due, $with] = AgedPrices::due($today);
        DB::statement(
            'CREATE OR REPLACE TEMPORARY TABLE taken_prices (item_id BIGINT UNSIGNED PRIMARY KEY,
                was DECIMAL(14, 4), became DECIMAL(14, 4))',
        );
        DB::insert(
            "INSERT INTO taken_prices SELECT i.id, i.marked_price, shown.price FROM ({$due}) now
                JOIN markdown_proposals shown ON shown.item_id = now.item_id AND shown.price <=> now.price
                JOIN items i ON i.id = now.item_id WHERE {$chosen}",
            [...$with, ...$bound],
        );
    }
}
