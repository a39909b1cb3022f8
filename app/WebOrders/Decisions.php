<?php

declare(strict_types=1);

namespace Elmstone\WebOrders;

use Carbon\CarbonImmutable;

/** What a person decided about an order that could not be taken as it came. */
final readonly class Decisions
{
    /**
     * @param  int|null  $customer whose number was typed; null: whom they name
     * @param  array<int, string>  $codes what they mean, by line from 0
     * @param  array<int, bool>  $theirs whether their price is taken, by line; of others ours is
     * @param  array<int, true>  $without lines that are left out
     * @param  bool|null  $theirFreight whether bringing it costs what they say, or what our table says; null: not
     *     decided
     * @param  bool  $withoutAllowance what they take off the whole is not given
     * @param  bool  $anySum their sum of the lines need not be right
     * @param  CarbonImmutable|null  $wantedOn another day than theirs
     * @param  bool  $anyDay theirs is dropped
     */
    public function __construct(
        public ?int $customer = null,
        public array $codes = [],
        public array $theirs = [],
        public array $without = [],
        public ?bool $theirFreight = null,
        public bool $withoutAllowance = false,
        public bool $anySum = false,
        public ?CarbonImmutable $wantedOn = null,
        public bool $anyDay = false,
    ) {
    }
}
