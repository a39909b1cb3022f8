<?php

declare(strict_types=1);

namespace Elmstone\Support\Due;

use Carbon\CarbonImmutable;

/** A room in which something falls due. Tagged "due". */
interface HasDue
{
    /**
     * @param  int  $most so many at most, the longest due first
     * @return iterable<Due>
     */
    public function due(CarbonImmutable $day, int $most): iterable;
}
