<?php

declare(strict_types=1);

namespace Elmstone\Shop;

use Brick\Math\BigRational;
use Closure;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Settlement\CashStep;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Core\Tax\TaxRounding;
use Elmstone\Core\Tax\TaxTerms;

/** The shop's settings as values. */
final class House
{
    /** @param  Closure(): Shop  $ask asked when something is needed of it: there may be no shop yet */
    public function __construct(private readonly Closure $ask)
    {
    }

    public function shop(): Shop
    {
        return ($this->ask)();
    }

    public function currency(): Currency
    {
        return Currency::of($this->shop()->currency);
    }

    public function money(int $minor): Money
    {
        return Money::ofMinor($minor, $this->currency());
    }

    /**
     * An amount as a clerk types it. Nothing, a dash and zero all mean: none.
     *
     * @throws Refused bad_number, bad_amount, amount_too_large
     */
    public function typedMoney(string $typed): ?Money
    {
        $typed = trim($typed);

        if (in_array($typed, ['', '–', '—', '-'], true)) {
            return null;
        }

        $amount = $this->fitting(Money::of(TypedNumber::plain($typed), $this->currency()));

        return $amount->isZero() ? null : $amount;
    }

    /**
     * A price as a clerk types it, per unit.
     *
     * @throws Refused bad_number, bad_price, amount_too_large
     */
    public function typedPrice(string $typed): UnitPrice
    {
        $price = UnitPrice::of(TypedNumber::plain($typed));
        $this->fitting(Money::round(BigRational::of($price->value), $this->currency()));

        return $price;
    }

    /**
     * Whether an amount is one that this shop deals in.
     *
     * @throws Refused amount_too_large
     */
    public function fitting(Money $amount): Money
    {
        $largest = $this->shop()->largest_amount;

        return $amount->exceeds($largest)
            ? throw Refused::because(
                'amount_too_large',
                "No amount here is above {$largest->toString()}. Look at what was typed.",
            )
            : $amount;
    }

    public function taxTerms(): TaxTerms
    {
        $rounding = TaxRounding::from($this->shop()->tax_rounding);

        return $this->shop()->tax_included ? TaxTerms::pricesWithTax($rounding) : TaxTerms::pricesWithoutTax($rounding);
    }

    public function cashStep(): ?CashStep
    {
        $step = $this->shop()->cash_step;

        return $step === null ? null : CashStep::of($step);
    }

    /**
     * An amount as it changes hands: cash comes to the shop's step, half up; every other way to the cent.
     *
     * @return array{Money, Money} what changes hands, and what it was rounded by
     */
    public function handedOver(Money $amount, TenderKind $way): array
    {
        $step = $way === TenderKind::Cash ? $this->cashStep() : null;
        $paid = $step?->nearest($amount) ?? $amount;

        return [$paid, $paid->minus($amount)];
    }

    /** @return list<Money> */
    public function notes(): array
    {
        return $this->shop()->notes;
    }
}
