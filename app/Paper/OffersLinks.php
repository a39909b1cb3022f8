<?php

declare(strict_types=1);

namespace Elmstone\Paper;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;

/** Gives papers and mails the address where what they ask for can be paid. */
interface OffersLinks
{
    /**
     * @param  int  $id of what is to be paid
     * @param  Money  $amount the most that can be paid by it
     * @param  CarbonImmutable  $from the day it is counted from how long it holds
     * @return string the same for the same; empty: nothing is paid by links
     */
    public function address(Payable $what, int $id, Money $amount, CarbonImmutable $from): string;
}
