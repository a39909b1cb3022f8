<?php

declare(strict_types=1);

namespace Elmstone\Plans;

use Elmstone\Core\Layaway\Rhythm;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Refused;
use Elmstone\Shop\House;

/** What the shop proposes for a payment plan; as the program ships until the office says otherwise. */
final readonly class PlanTerms
{
    private const SHIPPED = ['percent' => '3', 'amount' => null, 'count' => 6, 'rhythm' => 'month'];

    /**
     * @param  string|null  $percent of the principal; may be above 100
     * @param  Money|null  $amount with a percentage, the larger holds
     */
    public function __construct(
        public ?string $percent,
        public ?Money $amount,
        public int $count,
        public Rhythm $rhythm,
    ) {
    }

    public static function of(House $house): self
    {
        $set = [...self::SHIPPED, ...$house->shop()->plan_terms ?? []];

        $amount = $set['amount'] === null ? null : $house->money($set['amount']);

        return new self($set['percent'], $amount, $set['count'], Rhythm::from($set['rhythm']));
    }

    /**
     * The flat charge for a principal.
     *
     * @throws Refused bad_percent, bad_amount
     */
    public function charge(Money $principal): Money
    {
        $none = Money::zero($principal->currency);
        $share = $this->percent === null ? $none : $principal->percent(Percentage::of($this->percent));

        return Money::max($share, $this->amount ?? $none);
    }
}
