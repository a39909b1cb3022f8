<?php

declare(strict_types=1);

namespace Elmstone\Tests\Core;

use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Reduction;
use Elmstone\Core\Slip\Direction;
use Elmstone\Core\Slip\ReckonedLine;
use Elmstone\Core\Slip\ReckonedSlip;
use Elmstone\Core\Slip\Reckoner;
use Elmstone\Core\Slip\RefusedOnLine;
use Elmstone\Core\Slip\Slip;
use Elmstone\Core\Slip\SlipLine;
use Elmstone\Core\Tax\Exemption;
use Elmstone\Core\Tax\TaxProfile;
use Elmstone\Core\Tax\TaxRounding;
use Elmstone\Core\Tax\TaxTerms;
use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProvider;

final class SlipTest extends CoreCase
{
    use TestTrait;

    /** @param  list<SlipLine>  $lines */
    private static function reckon(
        array $lines,
        ?TaxProfile $profile = null,
        ?Reduction $discount = null,
        ?TaxTerms $terms = null,
        ?Exemption $exemption = null,
    ): ReckonedSlip {
        return Reckoner::reckon(
            Slip::of(
                Currency::of('USD'),
                $terms ?? TaxTerms::pricesWithoutTax(),
                $profile ?? TaxProfile::of(),
                $lines,
                $discount,
                $exemption,
            ),
        );
    }

    /** @return list<string> */
    private static function nets(ReckonedSlip $slip): array
    {
        return self::written(array_map(static fn (ReckonedLine $line): Money => $line->net, $slip->lines));
    }

    public function test_gross_is_rounded_once_also_for_prices_per_hundred(): void
    {
        $slip = self::reckon([
            self::line('250', '9.80', 100),
            self::line('3', '0.3333'),
            self::line('1', '0.005'),
            self::line('7', '12.345', 1000),
        ]);
        self::assertSame(['24.50', '1.00', '0.01', '0.09'], self::nets($slip));
        self::assertSame('25.60', $slip->total->toString());
    }

    public function test_the_slip_discount_reaches_only_lines_that_go_out_and_may_be_discounted(): void
    {
        $slip = self::reckon(
            [
                self::line('1', '10.00'),
                self::line('1', '20.00', mayDiscount: false),
                self::line('1', '5.00', discount: Reduction::percent('50')),
                self::line('1', '4.00', direction: Direction::Back),
            ],
            discount: Reduction::amount(self::usd('1.00')),
        );
        self::assertSame(['9.20', '20.00', '2.30', '4.00'], self::nets($slip));
        self::assertSame(
            ['28.50', '1.00', '27.50'],
            self::written([$slip->subtotal, $slip->slipDiscount, $slip->total]),
        );
    }

    public function test_a_discount_above_what_it_comes_off_is_refused_at_its_place(): void
    {
        try {
            self::reckon([
                self::line('1', '10.00'),
                self::line('1', '5.00', discount: Reduction::amount(self::usd('5.01'))),
            ]);
            self::fail('A discount above its line was taken.');
        } catch (RefusedOnLine $refused) {
            self::assertSame([1, 'discount_too_large'], [$refused->line, $refused->rule]);
        }

        self::assertRefused(
            'discount_too_large',
            static fn () => self::reckon(
                [self::line('1', '10.00', mayDiscount: false)],
                discount: Reduction::amount(self::usd('0.01')),
            ),
        );
    }

    public function test_stacked_tax_takes_the_shares_of_just_its_own_lines(): void
    {
        $profile = TaxProfile::of(self::tax('a', '10', ['standard', 'luxury']), self::tax('b', '5', ['luxury'], ['a']));
        $slip = self::reckon([self::line('1', '100.00'), self::line('1', '50.00', class: 'luxury')], $profile);
        self::assertSame('15.00', $slip->tax[0]->amount->toString());
        self::assertSame(['55.00', '2.75'], self::written([$slip->tax[1]->base, $slip->tax[1]->amount]));
        self::assertSame(['a'], array_keys($slip->lines[0]->tax));
        self::assertSame('167.75', $slip->total->toString());
    }

    public function test_rounding_per_document_and_per_line_differ_by_the_cents_they_should(): void
    {
        $lines = static fn (): array => [self::line('1', '0.10'), self::line('1', '0.10'), self::line('1', '0.10')];
        $profile = TaxProfile::of(self::tax('t', '5'));
        self::assertSame('0.02', self::reckon($lines(), $profile)->taxTotal->toString());
        self::assertSame(
            '0.03',
            self::reckon(
                $lines(),
                $profile,
                terms: TaxTerms::pricesWithoutTax(TaxRounding::PerLine),
            )->taxTotal->toString(),
        );
    }

    public function test_tax_is_taken_out_of_prices_that_include_it(): void
    {
        $profile = TaxProfile::of(self::tax('state', '20'), self::tax('city', '5', ['standard'], ['state']));
        $slip = self::reckon([self::line('1', '126.00')], $profile, terms: TaxTerms::pricesWithTax());
        self::assertSame(
            ['126.00', '100.00', '20.00', '6.00'],
            self::written([$slip->total, $slip->tax[0]->base, $slip->tax[0]->amount, $slip->tax[1]->amount]),
        );
    }

    public function test_someone_exempt_pays_an_inclusive_price_without_that_tax(): void
    {
        $profile = TaxProfile::of(self::tax('state', '20'), self::tax('city', '5', ['standard'], ['state']));
        $terms = TaxTerms::pricesWithTax();
        self::assertSame(
            '100.00',
            self::reckon(
                [self::line('1', '126.00')],
                $profile,
                terms: $terms,
                exemption: Exemption::everything(),
            )->total->toString(),
        );
        $part = self::reckon(
            [self::line('1', '126.00')],
            $profile,
            terms: $terms,
            exemption: Exemption::from(['state']),
        );
        self::assertSame(['105.00', '5.00'], self::written([$part->total, $part->taxTotal]));
        self::assertSame(['city'], array_map(static fn ($tax): string => $tax->component->id, $part->tax));
    }

    public function test_out_and_back_are_reckoned_apart_and_then_subtracted(): void
    {
        $profile = TaxProfile::of(self::tax('t', '5'));
        $slip = self::reckon([self::line('1', '0.10'), self::line('1', '0.10', direction: Direction::Back)], $profile);
        self::assertSame(['0.00', '0.00', '0.00'], self::written([$slip->net, $slip->taxTotal, $slip->total]));
        $back = self::reckon([self::line('2', '10.00', direction: Direction::Back)], $profile);
        self::assertSame(
            ['-20.00', '-1.00', '-21.00'],
            self::written([$back->tax[0]->base, $back->taxTotal, $back->total]),
        );
        self::assertSame('21.00', $back->lines[0]->total->toString());
    }

    public function test_ids_that_look_like_numbers_are_ids_all_the_same(): void
    {
        $profile = TaxProfile::of(self::tax('1', '10', ['7']), self::tax('2', '10', ['7'], ['1']));

        foreach ([TaxTerms::pricesWithoutTax(), TaxTerms::pricesWithTax()] as $terms) {
            self::assertCount(
                2,
                self::reckon([self::line('1', '121.00', class: '7')], $profile, terms: $terms)->lines[0]->tax,
            );
        }
    }

    public function test_a_profile_stands_on_components_before_it(): void
    {
        self::assertRefused(
            'bad_tax',
            static fn () => TaxProfile::of(self::tax('b', '1', onTopOf: ['a']), self::tax('a', '1')),
        );
        self::assertRefused('bad_tax', static fn () => TaxProfile::of(self::tax('a', '1'), self::tax('a', '2')));
        self::assertRefused(
            'bad_exemption',
            static fn () => TaxProfile::of(self::tax('a', '1'))->without(Exemption::from(['z'])),
        );
    }

    #[DataProvider('allTerms')]
    public function test_whatever_is_on_the_slip_its_sums_are_those_of_its_lines(TaxTerms $terms): void
    {
        $line = Generators::tuple(
            Generators::choose(1, 99_999),
            Generators::choose(0, 999_999),
            Generators::elements(1, 100, 1000),
            Generators::elements('standard', 'reduced', 'zero'),
            Generators::choose(0, 100),
            Generators::bool(),
            Generators::elements('out', 'back'),
        );
        $profile = TaxProfile::of(
            self::tax('a', '5.75'),
            self::tax('b', '1.5', ['standard', 'reduced']),
            self::tax('c', '3.3333', ['standard'], ['a', 'b']),
        );
        $this->limitTo(60)
            ->forAll(Generators::seq($line), Generators::choose(0, 100))
            ->then(static function (array $drawn, int $percent) use ($terms, $profile): void {
                $lines = array_map(
                    static fn (array $l): SlipLine => self::line(
                        bcdiv((string) $l[0], '100', 4),
                        bcdiv((string) $l[1], '10000', 4),
                        $l[2],
                        $l[3],
                        Reduction::percent((string) $l[4]),
                        $l[5],
                        Direction::from($l[6]),
                    ),
                    array_values($drawn),
                );
                $slip = self::reckon(
                    $lines,
                    $profile,
                    Reduction::percent((string) $percent),
                    $terms,
                    Exemption::from($percent % 2 === 0 ? ['b'] : []),
                );
                $sum = static fn (callable $figure): int => array_sum(
                    array_map(
                        static fn (ReckonedLine $line): int => $line->line->direction->signed($figure($line))->minor,
                        $slip->lines,
                    ),
                );
                self::assertSame($slip->net->minor, $sum(static fn (ReckonedLine $line): Money => $line->net));
                self::assertSame(
                    $slip->taxTotal->minor,
                    $sum(static fn (ReckonedLine $line): Money => $line->taxTotal),
                );
                self::assertSame($slip->total->minor, $sum(static fn (ReckonedLine $line): Money => $line->total));
                self::assertSame($slip->net->minor, $slip->subtotal->minor - $slip->slipDiscount->minor);

                foreach ($slip->lines as $reckoned) {
                    self::assertFalse($reckoned->net->isNegative());
                    self::assertSame(
                        $reckoned->net->minor,
                        $reckoned->gross->minor - $reckoned->lineDiscount->minor - $reckoned->slipDiscount->minor,
                    );
                }
            });
    }

    /** @return iterable<array{TaxTerms}> */
    public static function allTerms(): iterable
    {
        yield 'without tax, per document' => [TaxTerms::pricesWithoutTax()];
        yield 'without tax, per line' => [TaxTerms::pricesWithoutTax(TaxRounding::PerLine)];
        yield 'with tax, per document' => [TaxTerms::pricesWithTax()];
        yield 'with tax, per line' => [TaxTerms::pricesWithTax(TaxRounding::PerLine)];
    }
}
