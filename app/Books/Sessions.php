<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Elmstone\Core\Money\Refused;

/** To which session of its drawer what is taken or handed out at a till belongs. */
interface Sessions
{
    /**
     * The open one, which stays open until the transaction ends. After the series is taken.
     *
     * @return int|null null: none is open
     *
     * @throws Refused till_counted while its count is being settled
     */
    public function take(int $till): ?int;
}
