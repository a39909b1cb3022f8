<?php

declare(strict_types=1);

namespace Elmstone\Core\Returns;

use Elmstone\Core\Money\Money;

/** A sum that goes back to a customer, and by which ways it may. */
final readonly class MoneySource
{
    /**
     * @param  array<string, Money|null>  $ways the most by each way; null: as much as there is; a way that is not
     *     named: nothing
     */
    public function __construct(public string $id, public Money $amount, public array $ways)
    {
    }

    /** The most of it that could go this way. */
    public function cap(string $way): Money
    {
        return array_key_exists($way, $this->ways)
            ? Money::min($this->amount, $this->ways[$way] ?? $this->amount)
            : Money::zero($this->amount->currency);
    }

    /** @return array<string, Money> what came in by each way and can still go back by it */
    public function brought(): array
    {
        return array_filter($this->ways, static fn (?Money $most): bool => $most !== null && $most->isPositive());
    }
}
