<?php

declare(strict_types=1);

namespace Elmstone\Shop;

use Elmstone\Support\InTheMorning;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;

/** What is worked out once a day begins with the first who comes to the counter, once they have their page. */
final readonly class Morning
{
    /** @param  iterable<InTheMorning>  $all */
    public function __construct(private iterable $all)
    {
    }

    public function begin(): void
    {
        $today = ShopTime::today()->format('Y-m-d');
        $done = DB::table('mornings')->where('done_on', $today)->pluck('name')->flip();

        foreach ($this->all as $one) {
            if (! $done->has($one::class)) {
                $one->ofToday();
                DB::table('mornings')->upsert([['name' => $one::class, 'done_on' => $today]], ['name'], ['done_on']);
            }
        }
    }
}
