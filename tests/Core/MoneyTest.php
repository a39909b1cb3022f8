<?php

declare(strict_types=1);

namespace Elmstone\Tests\Core;

use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;
use Brick\Math\BigRational;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Reduction;
use Elmstone\Core\Money\UnitPrice;
use Eris\Generators;
use Eris\TestTrait;
use InvalidArgumentException;
use PHPUnit\Framework\Attributes\DataProvider;

final class MoneyTest extends CoreCase
{
    use TestTrait;

    public function test_it_reads_and_writes_major_units_with_the_currencys_places(): void
    {
        self::assertSame(1230, self::usd('12.30')->minor);
        self::assertSame('12.30', self::usd('12.3')->toString());
        self::assertSame('-0.05', self::usd('-0.05')->toString());
        self::assertSame('500', Money::of('500', Currency::of('JPY'))->toString());
        self::assertSame('1.250', Money::of('1.25', Currency::of('KWD'))->toString());
    }

    #[DataProvider('badAmounts')]
    public function test_it_refuses_what_is_no_amount(string $rule, string $typed, string $currency): void
    {
        self::assertRefused($rule, static fn () => Money::of($typed, Currency::of($currency)));
    }

    /** @return iterable<array{string, string, string}> */
    public static function badAmounts(): iterable
    {
        yield ['bad_amount', '12.345', 'USD'];
        yield ['bad_amount', '1.5', 'JPY'];
        yield ['bad_amount', '1e3', 'USD'];
        yield ['bad_amount', '', 'USD'];
        yield ['bad_amount', "1\n", 'USD'];
        yield ['too_large', '99999999999999999999', 'USD'];
        yield ['bad_currency', '1', 'usd'];
    }

    #[DataProvider('roundings')]
    public function test_it_rounds_half_away_from_zero(string $exact, string $rounded): void
    {
        self::assertSame($rounded, Money::round(BigDecimal::of($exact), Currency::of('USD'))->toString());
    }

    /** @return iterable<array{string, string}> */
    public static function roundings(): iterable
    {
        yield ['2.344999', '2.34'];
        yield ['2.345', '2.35'];
        yield ['-2.345', '-2.35'];
        yield ['-2.344', '-2.34'];
        yield ['0.005', '0.01'];
        yield ['1.015', '1.02'];
    }

    public function test_it_rounds_a_fraction_exactly(): void
    {
        self::assertSame('0.33', Money::round(BigRational::of('1/3'), Currency::of('USD'))->toString());
        self::assertSame('0.01', Money::round(BigRational::of('1/200'), Currency::of('USD'))->toString());
    }

    public function test_it_says_when_a_sum_is_too_large_instead_of_turning_into_a_float(): void
    {
        $most = Money::ofMinor(PHP_INT_MAX, Currency::of('USD'));
        self::assertRefused('too_large', static fn () => $most->plus(self::usd('0.01')));
        self::assertRefused('too_large', static fn () => Money::ofMinor(PHP_INT_MIN, Currency::of('USD'))->negated());
    }

    public function test_it_does_not_mix_currencies(): void
    {
        self::assertRefused(
            'mixed_currencies',
            static fn () => self::usd('1')->plus(Money::of('1', Currency::of('KWD'))),
        );
    }

    public function test_it_apportions_by_the_largest_remainders_with_ties_to_the_earlier(): void
    {
        $weights = static fn (int ...$weights): array => array_map(BigInteger::of(...), array_values($weights));
        self::assertSame(['33.34', '33.33', '33.33'], self::written(self::usd('100.00')->apportion($weights(1, 1, 1))));
        self::assertSame(['0.01', '0.00', '0.01'], self::written(self::usd('0.02')->apportion($weights(3, 1, 3))));
        self::assertSame(['-0.67', '-0.33'], self::written(self::usd('-1.00')->apportion($weights(2, 1))));
        self::assertSame(['5.00', '0.00'], self::written(self::usd('5.00')->apportion($weights(0, 0))));
    }

    public function test_a_weight_below_zero_is_a_mistake_of_the_program(): void
    {
        $this->expectException(InvalidArgumentException::class);
        self::usd('1.00')->apportion([BigInteger::of(-1), BigInteger::of(2)]);
    }

    public function test_shares_always_sum_to_the_amount_and_are_never_off_by_a_whole_unit(): void
    {
        $this->forAll(
            Generators::choose(-10_000_000, 10_000_000),
            Generators::seq(Generators::choose(0, 100_000)),
        )->then(static function (int $amount, array $weights): void {
            if ($weights === []) {
                return;
            }

            $shares = Money::ofMinor($amount, Currency::of('USD'))->apportion(
                array_map(BigInteger::of(...), array_values($weights)),
            );
            // Weights of the same proportion whose products no whole number holds come to the same.
            $large = array_map(
                static fn (int $weight): BigInteger => BigInteger::of($weight)->multipliedBy('1000000000000000000'),
                array_values($weights),
            );
            self::assertEquals($shares, Money::ofMinor($amount, Currency::of('USD'))->apportion($large));
            self::assertEquals($shares, Money::ofMinor($amount, Currency::of('USD'))->apportionBy(
                array_map(
                    static fn (int $weight): Money => Money::ofMinor($weight, Currency::of('USD')),
                    array_values($weights),
                ),
            ));
            $total = array_sum($weights);
            self::assertSame($amount, array_sum(array_map(static fn (Money $share): int => $share->minor, $shares)));

            foreach (array_values($weights) as $i => $weight) {
                self::assertTrue($total === 0 || abs($shares[$i]->minor * $total - $amount * $weight) < $total);
            }
        });
    }

    public function test_quantities_prices_and_rates_have_four_places_and_no_sign(): void
    {
        self::assertSame('2.4', Quantity::of('2.4000')->toString());
        self::assertSame('0.0425', UnitPrice::of('0.0425')->shown(Currency::of('USD')));
        self::assertSame('3.80', UnitPrice::of('3.8')->shown(Currency::of('USD')));
        self::assertRefused('bad_quantity', static fn () => Quantity::of('0'));
        self::assertRefused('bad_quantity', static fn () => Quantity::of('-1'));
        self::assertRefused('bad_quantity', static fn () => Quantity::of('1.00001'));
        self::assertRefused('bad_quantity', static fn () => Quantity::of('12345678901'));
        self::assertRefused('bad_price', static fn () => UnitPrice::of('free'));
        self::assertRefused('bad_percent', static fn () => Percentage::ofWhole('100.01'));
    }

    public function test_what_so_many_come_to_is_the_exact_product_rounded_however_large(): void
    {
        $this->forAll(
            Generators::choose(1, 99_999_999_999),
            Generators::choose(0, 99_999_999_999),
            Generators::choose(0, 10),
            Generators::elements(1, 100, 1000),
            Generators::elements('USD', 'JPY', 'KWD'),
        )->then(static function (int $pieces, int $price, int $smaller, int $per, string $code): void {
            $decimal = static fn (int $parts): BigDecimal => BigDecimal::ofUnscaledValue(
                max(1, intdiv($parts, 10 ** $smaller)),
                4,
            );
            $exact = $decimal($pieces)->multipliedBy($decimal($price))->dividedBy($per, 12);
            self::assertSame(
                Money::round($exact, Currency::of($code))->toString(),
                UnitPrice::of((string) $decimal($price))
                    ->worth(Quantity::of((string) $decimal($pieces)), $per, Currency::of($code))
                    ->toString(),
            );
        });
        $cheap = UnitPrice::of('0.0049');
        self::assertSame('0.00', $cheap->worth(Quantity::of('1'), 1, Currency::of('USD'))->toString());
        self::assertSame('0.01', $cheap->worth(Quantity::of('102.0409'), 100, Currency::of('USD'))->toString());
        self::assertRefused('too_large', static fn () => UnitPrice::of('9999999999')->worth(
            Quantity::of('9999999999'),
            1,
            Currency::of('USD'),
        ));
    }

    public function test_prices_compare_as_decimals_do_also_one_worked_out_that_is_too_large_to_type(): void
    {
        $huge = UnitPrice::ofTotal(Money::ofMinor(PHP_INT_MAX, Currency::of('USD')), Quantity::of('0.0001'), 1000);
        self::assertTrue(UnitPrice::of('9999999999')->isLessThan($huge));
        self::assertFalse($huge->isLessThan(UnitPrice::of('1')));
        self::assertTrue(UnitPrice::of('0.0099')->isLessThan(UnitPrice::of('0.01')));
        self::assertTrue(UnitPrice::of('3.80')->equals(UnitPrice::of('3.8')));
        self::assertFalse($huge->equals(UnitPrice::of('3.8')));
    }

    public function test_an_amount_is_written_with_its_places_from_end_to_end(): void
    {
        foreach ([0, 5, -5, 100, -1234567, PHP_INT_MAX, PHP_INT_MIN] as $minor) {
            foreach (['USD', 'JPY', 'KWD'] as $code) {
                $money = Money::ofMinor($minor, Currency::of($code));
                self::assertSame((string) $money->major(), $money->toString());
            }
        }
    }

    public function test_a_reduction_never_takes_more_than_there_is(): void
    {
        self::assertSame('1.25', Reduction::percent('12.5')->of(self::usd('10.00'))->toString());
        self::assertSame('10.00', Reduction::amount(self::usd('10.00'))->of(self::usd('10.00'))->toString());
        self::assertRefused(
            'discount_too_large',
            static fn () => Reduction::amount(self::usd('10.01'))->of(self::usd('10.00')),
        );
    }
}
