<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Shop\Till;

/** Something that is still open at a till when it is closed, and is pointed out then. Rooms tag what they know. */
interface StillOpen
{
    /** @return list<OpenMatter> */
    public function at(Till $till): array;
}
