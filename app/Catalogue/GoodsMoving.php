<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

/**
 * All goods one transaction will move, gathered before any of them is locked: StockLedger::lock takes them at once, in
 * one order.
 */
final class GoodsMoving
{
    /** @var array<int, true> items, by id */
    public array $items = [];

    /**
     * @var array<int, true> items that come in, so that their average cost may change: their stock everywhere is locked
     */
    public array $comingIn = [];

    /** @var array<int, true> */
    public array $locations = [];

    /** @var array<int, list<string>> serial numbers of what leaves or is set aside, by item */
    public array $leaving = [];

    /** @var array<int, list<string>> serial numbers of what comes back, by item */
    public array $returning = [];

    /** @param  list<string>  $serials */
    public function out(int $item, int $location, array $serials = []): self
    {
        $this->items[$item] = $this->locations[$location] = true;
        $serials === [] || ($this->leaving[$item] = [...$this->leaving[$item] ?? [], ...$serials]);

        return $this;
    }

    public function in(int $item, int $location): self
    {
        $this->comingIn[$item] = true;

        return $this->out($item, $location);
    }

    /** @param  list<string>  $serials that come back, to stock or elsewhere */
    public function pieces(int $item, array $serials): self
    {
        $this->items[$item] = true;
        $serials === [] || ($this->returning[$item] = [...$this->returning[$item] ?? [], ...$serials]);

        return $this;
    }
}
