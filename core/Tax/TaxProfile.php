<?php

declare(strict_types=1);

namespace Elmstone\Core\Tax;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Elmstone\Core\Money\Refused;

/**
 * The taxes of a place, in the order they are reckoned, and which of them a customer is exempt from.
 */
final readonly class TaxProfile
{
    /** @param  list<TaxComponent>  $all */
    private function __construct(private array $all, private Exemption $exemption)
    {
    }

    /**
     * @throws Refused bad_tax where an id repeats or a component stands on one that is not before it
     */
    public static function of(TaxComponent ...$components): self
    {
        $earlier = [];

        foreach ($components as $component) {
            if (in_array($component->id, $earlier, true)) {
                throw Refused::because('bad_tax', "The tax component “{$component->id}” is there twice.");
            }

            if (array_diff($component->onTopOf, $earlier) !== []) {
                throw Refused::because('bad_tax', "“{$component->id}” can only be on top of components before it.");
            }

            $earlier[] = $component->id;
        }

        return new self(array_values($components), Exemption::none());
    }

    /** @throws Refused bad_exemption where it names a component that is not in the profile */
    public function without(Exemption $exemption): self
    {
        $unknown = array_diff(
            $exemption->components,
            array_map(static fn (TaxComponent $component) => $component->id, $this->all),
        );

        return $unknown === []
            ? new self($this->all, $exemption)
            : throw Refused::because(
                'bad_exemption',
                'There is no tax component “'.reset($unknown).'” to be exempt from.',
            );
    }

    /** @return list<TaxComponent> those the customer pays */
    public function components(): array
    {
        return array_values(
            array_filter($this->all, fn (TaxComponent $component): bool => ! $this->exemption->covers($component->id)),
        );
    }

    /**
     * Effective rates, in percent of the price without tax, of the components that a class of goods bears:
     * rate × (1 + Σ effective rates of those it is on top of ÷ 100). Exact.
     *
     * @return array<string, BigDecimal> by component id
     */
    public function effectiveRates(string $taxClass): array
    {
        return self::effective($this->components(), $taxClass);
    }

    /**
     * The tax-inclusive price of someone exempt from part of the tax: price × (100 + R′) ÷ (100 + R).
     */
    public function priceWithoutExempt(BigDecimal $price, string $taxClass): BigRational
    {
        $paid = self::total($this->effectiveRates($taxClass));
        $full = self::total(self::effective($this->all, $taxClass));

        return BigRational::of($price)->multipliedBy($paid->plus(100))->dividedBy($full->plus(100));
    }

    /** @param  array<string, BigDecimal>  $rates */
    public static function total(array $rates): BigDecimal
    {
        return array_reduce(
            $rates,
            static fn (BigDecimal $sum, BigDecimal $rate) => $sum->plus($rate),
            BigDecimal::zero(),
        );
    }

    /**
     * @param  list<TaxComponent>  $components
     * @return array<string, BigDecimal>
     */
    private static function effective(array $components, string $taxClass): array
    {
        $rates = [];

        foreach ($components as $component) {
            if ($component->appliesTo($taxClass)) {
                $below = self::total(array_intersect_key($rates, array_flip($component->onTopOf)));
                $rates[$component->id] = $component->rate->value
                    ->multipliedBy($below->plus(100))
                    ->withPointMovedLeft(2);
            }
        }

        return $rates;
    }
}
