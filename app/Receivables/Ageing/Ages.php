<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Ageing;

use Elmstone\Core\Receivables\AgeBand;
use Elmstone\Core\Receivables\Ageing;

/** The ageings of all accounts that have anything open on a day. */
interface Ages
{
    public function total(): Ageing;

    public function count(): int;

    /**
     * Those with something in a column, the most first; the whole list by balance.
     *
     * @return list<int> customers
     */
    public function sorted(?AgeBand $band): array;

    /**
     * @param  list<int>  $customers of those in the list
     * @return array<int, Ageing> by customer
     */
    public function of(array $customers): array;

    /**
     * @param  callable(Ageing): bool  $is
     * @return list<int> customers
     */
    public function where(callable $is): array;
}
