<?php

declare(strict_types=1);

namespace Elmstone\Stock;

use Elmstone\Books\Figures\LetGo;
use Elmstone\Core\Money\Money;
use Elmstone\Shop\House;
use Elmstone\Staff\Approvals\LimitMatter;
use Elmstone\Staff\Approvals\Limits;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;

/** How much somebody may take out of the books for nothing: what is written off and what is missing count together. */
final readonly class WriteOffLimit
{
    public function __construct(private Limits $limits, private House $house)
    {
    }

    /** Under the gate of the person, so that two at once are counted one after the other. */
    public function allows(Staff $by, Money $worth): bool
    {
        $limit = $this->limits->of($by->roleHere(), LimitMatter::WriteOff);

        return $limit->allows($worth)
            && ($limit->perDay === null || ! $this->today($by)->plus($worth)->exceeds($limit->perDay));
    }

    private function today(Staff $by): Money
    {
        return LetGo::since(ShopTime::today(), $by->id, $this->house->currency());
    }
}
