<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;

/**
 * What must follow in the books when an item's cost was typed otherwise. In the transaction that changed it, the item
 * locked.
 */
interface CostChanged
{
    public function for(Item $item, Staff $by, Till $till): void;
}
