<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Ubl;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;

/** The lines of an invoice that bear the same rate. UNCL 5305: S standard rate, Z zero rated, E exempt. */
final readonly class UblCategory
{
    /**
     * @param  string  $percent the rates of the components together
     * @param  Money  $lines without tax, before the whole-slip discount
     * @param  Money  $allowance their share of it
     */
    public function __construct(
        public string $code,
        public string $percent,
        public string $reason,
        public Money $lines,
        public Money $allowance,
        public Money $tax,
    ) {
    }

    public function taxable(): Money
    {
        return $this->lines->minus($this->allowance);
    }

    /**
     * Whether its tax is just its rate of what it is on, rounded to the cent half away from zero: EN 16931-1, BR-CO-17.
     */
    public function isOfItsRate(): bool
    {
        return $this->taxable()->percent(Percentage::of($this->percent))->equals($this->tax);
    }

    public function plus(Money $lines, Money $allowance, Money $tax): self
    {
        return new self(
            $this->code,
            $this->percent,
            $this->reason,
            $this->lines->plus($lines),
            $this->allowance->plus($allowance),
            $this->tax->plus($tax),
        );
    }
}
