<?php

declare(strict_types=1);

namespace Elmstone\Held\Ledger;

use Elmstone\Books\HeldKind;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;

/** What is held for one customer. */
final readonly class HeldFor
{
    /** @param  array<string, Money>  $held by kind; what is nothing left out */
    public function __construct(public int $number, public string $name, private array $held)
    {
    }

    /** @return Money|null null: nothing */
    public function of(HeldKind $kind): ?Money
    {
        return $this->held[$kind->value] ?? null;
    }

    public function sum(Currency $currency, HeldKind ...$kinds): Money
    {
        return Money::sum(
            array_intersect_key(
                $this->held,
                array_flip(array_map(static fn (HeldKind $kind): string => $kind->value, $kinds)),
            ),
            $currency,
        );
    }
}
