<?php

declare(strict_types=1);

namespace Elmstone\Counter\Page;

use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipState;
use Elmstone\Layaways\FindLayaways;
use Elmstone\Shop\Till;
use Elmstone\Support\Show;
use Elmstone\Tills\OpenMatter;
use Elmstone\Tills\StillOpen;

/** What the counter knows to be open at a till: slips with something on them, layaways to collect today. */
final class StillOpenHere implements StillOpen
{
    private const MOST = 20;

    public function __construct(private readonly FindLayaways $layaways)
    {
    }

    /** @return list<OpenMatter> */
    public function at(Till $till): array
    {
        $found = [];
        $slips = Slip::query()
            ->where('till_id', $till->id)
            ->where('state', SlipState::Open)
            ->where('title', '<>', '')
            ->orderBy('id')
            ->limit(self::MOST)
            ->get();

        foreach ($slips as $slip) {
            $found[] = new OpenMatter(
                trim("Slip: {$slip->customer_name} {$slip->title}, ".Show::money($slip->total)),
                route('counter.show', $slip->key),
            );
        }

        $waiting = $this->layaways->toCollect($till->location_id);

        if ($waiting > 0) {
            $found[] = new OpenMatter(
                $waiting === 1 ? 'A layaway waits to be collected' : "{$waiting} layaways wait to be collected",
                route('layaways'),
            );
        }

        return $found;
    }
}
