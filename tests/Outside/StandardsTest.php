<?php

declare(strict_types=1);

namespace Elmstone\Tests\Outside;

use Elmstone\Core\Catalogue\Gtin;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Slip\Direction;
use Elmstone\Core\Slip\ReckonedLine;
use Elmstone\Core\Slip\ReckonedSlip;
use Elmstone\Core\Slip\Reckoner;
use Elmstone\Core\Slip\Slip;
use Elmstone\Core\Tax\TaxProfile;
use Elmstone\Core\Tax\TaxSubtotal;
use Elmstone\Core\Tax\TaxTerms;
use Elmstone\Tests\Core\CoreCase;
use Eris\Generators;
use Eris\TestTrait;
use NumberFormatter;
use PHPUnit\Framework\Attributes\DataProvider;

/** The core against published standards and their worked examples. Each check names its source. */
final class StandardsTest extends CoreCase
{
    use TestTrait;

    /** ISO 4217, table A.1: the places of the minor unit. The same from ICU's own table, read through ext-intl. */
    #[DataProvider('currencies')]
    public function test_minor_units_are_those_of_iso_4217(string $code, int $places): void
    {
        self::assertSame($places, Currency::of($code)->places);
        self::assertSame(
            $places,
            (int) (new NumberFormatter("en@currency={$code}", NumberFormatter::CURRENCY))->getAttribute(
                NumberFormatter::FRACTION_DIGITS,
            ),
        );
        self::assertSame(
            $places === 0 ? '1' : '1.'.str_repeat('0', $places),
            Money::of('1', Currency::of($code))->toString(),
        );
    }

    /** @return iterable<array{string, int}> */
    public static function currencies(): iterable
    {
        foreach (
            [
                'JPY' => 0,
                'KRW' => 0,
                'CLP' => 0,
                'VND' => 0,
                'USD' => 2,
                'EUR' => 2,
                'GBP' => 2,
                'CHF' => 2,
                'KWD' => 3,
                'BHD' => 3,
                'JOD' => 3,
                'OMR' => 3,
                'TND' => 3,
                'CLF' => 4,
            ] as $code => $places
        ) {
            yield $code => [$code, $places];
        }
    }

    /**
     * GS1 General Specifications 7.9.1. 629104150021-3 is the worked example of GS1's own page on check digits;
     * 978030640615-7 that of the ISBN Users' Manual; 03600029145-2 and 7351353-7 are the usual examples of a 12 and an
     * 8 digit number (all from memory).
     */
    #[DataProvider('gtins')]
    public function test_check_digits_are_those_of_gs1(string $gtin): void
    {
        self::assertSame((int) $gtin[-1], Gtin::checkDigit(substr($gtin, 0, -1)));
        self::assertSame($gtin, Gtin::of($gtin)->digits);
    }

    /** @return iterable<array{string}> */
    public static function gtins(): iterable
    {
        foreach (['6291041500213', '9780306406157', '036000291452', '73513537'] as $gtin) {
            yield $gtin => [$gtin];
        }
    }

    /**
     * OASIS UBL 2.1, UBL-Invoice-2.1-Example.xml, whose figures keep to EN 16931 (from memory): five lines, two of them
     * coming back, in three tax categories; line total 1436.50, tax 292.10 + 0.10 + 0.00.
     */
    public function test_the_published_example_invoice_comes_to_the_published_figures(): void
    {
        $profile = TaxProfile::of(
            self::tax('s', '20', ['standard']),
            self::tax('aa', '10', ['reduced']),
            self::tax('e', '0', ['exempt']),
        );
        $slip = self::reckon($profile, [
            self::line('1', '1273.00'),
            self::line('1', '3.96', class: 'reduced', direction: Direction::Back),
            self::line('2', '2.48', class: 'reduced'),
            self::line('1', '25.00', class: 'exempt', direction: Direction::Back),
            self::line('250', '0.75'),
        ]);
        self::assertSame('1436.50', $slip->net->toString());
        self::assertSame(
            ['1460.50', '1.00', '-25.00'],
            self::written(array_map(static fn (TaxSubtotal $tax): Money => $tax->base, $slip->tax)),
        );
        self::assertSame(
            ['292.10', '0.10', '0.00'],
            self::written(array_map(static fn (TaxSubtotal $tax): Money => $tax->amount, $slip->tax)),
        );
        self::assertSame('1728.70', $slip->total->toString());
    }

    /** EN 16931-1, the rules of calculation BR-CO-10, -13, -14, -15 and -17, on invoices made up by chance. */
    public function test_random_invoices_keep_the_calculation_rules_of_en_16931(): void
    {
        $line = Generators::tuple(
            Generators::choose(1, 5000),
            Generators::choose(1, 99_999),
            Generators::elements('S', 'AA', 'Z'),
        );
        $profile = TaxProfile::of(
            self::tax('S', '21', ['S']),
            self::tax('AA', '5.5', ['AA']),
            self::tax('Z', '0', ['Z']),
        );
        $this->limitTo(80)
            ->forAll(Generators::seq($line))
            ->then(static function (array $drawn) use ($profile): void {
                $slip = self::reckon(
                    $profile,
                    array_values(
                        array_map(
                            static fn (array $l) => self::line(
                                (string) $l[0],
                                bcdiv((string) $l[1], '100', 2),
                                class: $l[2],
                            ),
                            $drawn,
                        ),
                    ),
                );
                $nets = array_sum(array_map(static fn (ReckonedLine $l): int => $l->net->minor, $slip->lines));
                self::assertSame(
                    $nets,
                    $slip->net->minor,
                    'BR-CO-10 and BR-CO-13: the total without tax is the sum of the lines',
                );
                self::assertSame(
                    array_sum(array_map(static fn (TaxSubtotal $tax): int => $tax->amount->minor, $slip->tax)),
                    $slip->taxTotal->minor,
                    'BR-CO-14',
                );
                self::assertSame($slip->net->minor + $slip->taxTotal->minor, $slip->total->minor, 'BR-CO-15');

                foreach ($slip->tax as $tax) {
                    $exact = bcdiv(bcmul((string) $tax->base->minor, $tax->component->rate->toString(), 4), '100', 8);
                    self::assertSame(
                        (int) bcadd($exact, '0.5', 0),
                        $tax->amount->minor,
                        'BR-CO-17: base × rate ÷ 100, rounded to two places',
                    );
                }
            });
    }

    /** @param  list<\Elmstone\Core\Slip\SlipLine>  $lines */
    private static function reckon(TaxProfile $profile, array $lines): ReckonedSlip
    {
        return Reckoner::reckon(Slip::of(Currency::of('USD'), TaxTerms::pricesWithoutTax(), $profile, $lines));
    }
}
