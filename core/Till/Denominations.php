<?php

declare(strict_types=1);

namespace Elmstone\Core\Till;

use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;

/**
 * The notes and coins of a currency, as a drawer holds them. What circulates is what the issuing banks list (from
 * memory); how many places they are written with is ISO 4217.
 */
final readonly class Denominations
{
    /** In major units, largest first: notes, then coins. */
    private const IN_USE = [
        'USD' => [['100', '50', '20', '10', '5', '2', '1'], ['1', '0.50', '0.25', '0.10', '0.05', '0.01']],
        'EUR' => [['200', '100', '50', '20', '10', '5'], ['2', '1', '0.50', '0.20', '0.10', '0.05', '0.02', '0.01']],
        'GBP' => [['50', '20', '10', '5'], ['2', '1', '0.50', '0.20', '0.10', '0.05', '0.02', '0.01']],
        'CAD' => [['100', '50', '20', '10', '5'], ['2', '1', '0.25', '0.10', '0.05']],
        'AUD' => [['100', '50', '20', '10', '5'], ['2', '1', '0.50', '0.20', '0.10', '0.05']],
        'NZD' => [['100', '50', '20', '10', '5'], ['2', '1', '0.50', '0.20', '0.10']],
    ];

    /**
     * @param  list<Money>  $notes largest first
     * @param  list<Money>  $coins largest first
     */
    private function __construct(public Currency $currency, public array $notes, public array $coins)
    {
    }

    /** Null: of this currency it is not known here what circulates; what is counted may be worth anything. */
    public static function of(Currency $currency): ?self
    {
        $of = static fn (string $major): Money => Money::of($major, $currency);
        [$notes, $coins] = self::IN_USE[$currency->code] ?? [[], []];

        return $notes === [] ? null : new self($currency, array_map($of, $notes), array_map($of, $coins));
    }

    /**
     * Each worth once, largest first: a note and a coin of the same worth are counted in one row.
     *
     * @return array<int, Money> by minor units
     */
    public function all(): array
    {
        return self::byWorth([...$this->notes, ...$this->coins]);
    }

    /**
     * @param  list<Money>  $units
     * @return array<int, Money> by minor units, largest first
     */
    public static function byWorth(array $units): array
    {
        $all = [];

        foreach ($units as $unit) {
            $all[$unit->minor] = $unit;
        }

        krsort($all);

        return $all;
    }

    /** @throws Refused bad_denomination */
    public function assertHas(Money $unit): void
    {
        foreach ($this->all() as $known) {
            if ($known->equals($unit)) {
                return;
            }
        }

        throw Refused::because(
            'bad_denomination',
            "There is no note or coin of {$unit->toString()} {$this->currency->code}.",
        );
    }
}
