<?php

declare(strict_types=1);

namespace Elmstone\Purchasing;

/** Whoever waits for goods that come in. The room of orders answers for them. */
interface WaitsForGoods
{
    /**
     * What is waited for at a place and not bought yet, oldest first.
     *
     * @param  list<int>|null  $items null: all
     * @param  int|null  $most no more than so many of the oldest
     * @param  list<int>|null  $among agreements; null: whoever waits
     * @return list<Wanted>
     */
    public function waiting(
        int $location,
        ?array $items = null,
        ?int $most = null,
        ?array $among = null,
    ): array;

    /**
     * What agreements are called.
     *
     * @param  list<int>  $agreements
     * @return array<int, string> by id
     */
    public function labels(array $agreements): array;

    /**
     * Locks agreements that goods may go to, before anything of a lower rank.
     *
     * @param  list<int>  $agreements
     */
    public function lock(array $agreements): void;

    /**
     * Goods are here and go to who waits: they are set aside. Under the locks; what is not wanted any more stays free.
     *
     * @param  list<Wanted>  $for
     * @return list<Wanted> what was set aside
     */
    public function serve(array $for, int $location): array;
}
