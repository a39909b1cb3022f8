<?php

declare(strict_types=1);

namespace Elmstone\Orders\Supply;

use Brick\Math\BigDecimal;

/** What of an order leaves: so much of which lines, and which pieces. */
final readonly class Leaving
{
    /**
     * @param  array<int, BigDecimal>  $quantities by position, each above zero
     * @param  array<int, list<string>>  $serials by position
     */
    private function __construct(public array $quantities, public array $serials)
    {
    }

    /**
     * @param  array<int, BigDecimal>  $quantities by position; nothing of a line is left out
     * @param  array<int, list<string>>  $serials by position
     */
    public static function of(array $quantities, array $serials = []): self
    {
        $quantities = array_filter($quantities, static fn (BigDecimal $one): bool => $one->isPositive());
        ksort($quantities);

        return new self($quantities, array_intersect_key($serials, $quantities));
    }

    public function with(int $position, BigDecimal $quantity): self
    {
        return self::of([$position => $quantity] + $this->quantities, $this->serials);
    }

    public function isEmpty(): bool
    {
        return $this->quantities === [];
    }
}
