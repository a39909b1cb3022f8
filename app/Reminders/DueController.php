<?php

declare(strict_types=1);

namespace Elmstone\Reminders;

use Carbon\CarbonImmutable;
use Elmstone\Support\Due\Due;
use Elmstone\Support\Due\HasDue;
use Elmstone\Support\Report\Report;
use Elmstone\Support\ShopTime;
use Illuminate\Contracts\View\View;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** What is due in all rooms, as one list to work through. */
final class DueController
{
    /** Of each room so many at most: nobody works through more in a day. */
    private const MOST = 200;

    /** @param  iterable<HasDue>  $rooms */
    public function __construct(private readonly iterable $rooms = [])
    {
    }

    public function index(): View
    {
        return $this->list(ShopTime::today())->page();
    }

    public function csv(): StreamedResponse
    {
        return $this->list(ShopTime::today())->csv();
    }

    /** @return Report<Due> */
    private function list(CarbonImmutable $day): Report
    {
        $dues = [];

        foreach ($this->rooms as $room) {
            array_push($dues, ...$room->due($day, self::MOST));
        }

        return Due::list($dues, $day);
    }
}
