<?php

declare(strict_types=1);

namespace Elmstone\Catalogue\Markdowns;

use Carbon\CarbonImmutable;
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

    private function write(CarbonImmutable $today): void
    {
        AgedPrices::lay($this->house->currency());
        [$due, $bound] = AgedPrices::due($today);
        DB::table('markdown_proposals')->delete();
        DB::insert(
            'INSERT INTO markdown_proposals (item_id, department_id, step, days, on_hand, price, held_by_floor) '.$due,
            $bound,
        );
        DB::table('markdown_state')->where('id', 1)->update([
            'worked_on' => $today->format('Y-m-d'),
            'version' => DB::raw('version + 1'),
        ]);
    }
}
