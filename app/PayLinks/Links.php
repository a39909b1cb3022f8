<?php

declare(strict_types=1);

namespace Elmstone\PayLinks;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Paper\OffersLinks;
use Elmstone\Paper\Payable;
use Elmstone\Shop\House;

/** Addresses where something can be paid, where the shop wants that. */
final readonly class Links implements OffersLinks
{
    public function __construct(private House $house)
    {
    }

    public function address(Payable $what, int $id, Money $amount, CarbonImmutable $from): string
    {
        $shop = $this->house->shop();

        return $shop->links_on && $amount->isPositive()
            ? route('pay', PayLink::of($what, $id, $amount, $from->addDays($shop->link_days))->code($this->house))
            : '';
    }
}
