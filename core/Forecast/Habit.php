<?php

declare(strict_types=1);

namespace Elmstone\Core\Forecast;

use Elmstone\Core\Money\Apportionment;

/**
 * How long somebody takes to pay: for every number of days after the due day, how much of what was paid was paid then.
 * Weighted by amount. docs/rules.md, "Cash forecast".
 */
final readonly class Habit
{
    /** What the weights of a habit come to. */
    public const WHOLE = 1_000_000;

    /** With fewer invoices than these, the house's habit is mixed in. */
    public const ENOUGH = 8;

    /** @param  array<int, int>  $weights by days after the due day, in that order */
    private function __construct(public array $weights)
    {
    }

    /**
     * @param  list<PaidInvoice>  $paid
     * @return self|null null: nothing was ever paid
     */
    public static function of(array $paid): ?self
    {
        $amounts = [];

        foreach ($paid as $one) {
            $amounts[$one->days] = ($amounts[$one->days] ?? 0) + $one->amount->minor;
        }

        $amounts = array_filter($amounts, static fn (int $amount): bool => $amount > 0);
        ksort($amounts);

        return $amounts === []
            ? null
            : new self(array_combine(array_keys($amounts), Apportionment::by(self::WHOLE, array_values($amounts))));
    }

    /** Of who never paid anything and nobody else did: on the day it is due. */
    public static function onTheDay(): self
    {
        return new self([0 => self::WHOLE]);
    }

    /**
     * With the house's habit, as far as there is too little of one's own: `own × n ÷ 8 + house × (8 − n) ÷ 8`.
     *
     * @param  int  $invoices how many the own habit rests on
     */
    public static function mixed(?self $own, int $invoices, self $house): self
    {
        $n = $own === null ? 0 : min($invoices, self::ENOUGH);
        $weights = [];

        foreach ([[$own->weights ?? [], $n], [$house->weights, self::ENOUGH - $n]] as [$of, $times]) {
            foreach ($times === 0 ? [] : $of as $days => $weight) {
                $weights[$days] = ($weights[$days] ?? 0) + $weight * $times;
            }
        }

        ksort($weights);

        return new self($weights);
    }

    /**
     * Given that it was not paid up to so many days after it was due: what is left of the habit, by days from now.
     *
     * @return array<int, int> weights; none: it is later than anything ever was
     */
    public function from(int $late): array
    {
        $left = [];

        foreach ($this->weights as $days => $weight) {
            if ($days >= $late && $weight > 0) {
                $left[$days - $late] = $weight;
            }
        }

        return $left;
    }
}
