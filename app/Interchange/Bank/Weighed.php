<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Bank;

use Elmstone\Core\Money\Money;

/** Whom a payment is thought to be from, what it pays, and what speaks for and against that. */
final class Weighed
{
    /**
     * From how much on it may be ticked beforehand: two pieces of evidence that agree, or one that cannot be by chance.
     */
    private const ENOUGH = 3;

    /** @var list<string> */
    public array $for = [];

    /** @var list<string> */
    public array $against = [];

    /** @var array<string, Money>|null by document label; null: oldest due first */
    public ?array $shares = null;

    /** The settlement discount that comes with the shares; null: none. */
    public ?Money $discount = null;

    private int $weight = 0;

    public function __construct(public readonly ?int $customer)
    {
    }

    public function speaksFor(int $weight, string $words): void
    {
        $this->weight += $weight;
        $this->for[] = $words;
    }

    public function weighs(): int
    {
        return $this->weight;
    }

    /** Never with anything against it. */
    public function isSure(): bool
    {
        return $this->customer !== null && $this->against === [] && $this->weight >= self::ENOUGH;
    }
}
