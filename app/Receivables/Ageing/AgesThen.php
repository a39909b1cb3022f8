<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Ageing;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Receivables\AgeBand;
use Elmstone\Core\Receivables\Ageing;
use Elmstone\Shop\House;

/** As of any day, summed from all that was open then. */
final readonly class AgesThen implements Ages
{
    /** @var array<int, Ageing> by customer */
    private array $ageings;

    public function __construct(AsOf $asOf, private House $house, CarbonImmutable $day)
    {
        $this->ageings = iterator_to_array($asOf->all($day));
    }

    public function total(): Ageing
    {
        $columns = [];

        foreach (AgeBand::cases() as $band) {
            $columns[$band->value] = Money::sum(
                array_map(static fn (Ageing $ageing): Money => $ageing->in($band), $this->ageings),
                $this->house->currency(),
            );
        }

        return Ageing::summed($columns, $this->house->currency());
    }

    public function count(): int
    {
        return count($this->ageings);
    }

    public function sorted(?AgeBand $band): array
    {
        $amounts = array_map(
            static fn (Ageing $ageing): Money => $band === null ? $ageing->balance : $ageing->in($band)->abs(),
            $this->ageings,
        );
        $band === null
            || ($amounts = array_filter($amounts, static fn (Money $amount): bool => ! $amount->isZero()));
        uksort(
            $amounts,
            static fn (int $one, int $other): int => $amounts[$other]->compare($amounts[$one]) ?: $one <=> $other,
        );

        return array_keys($amounts);
    }

    public function of(array $customers): array
    {
        return array_intersect_key($this->ageings, array_flip($customers));
    }

    public function where(callable $is): array
    {
        return array_keys(array_filter($this->ageings, $is));
    }
}
