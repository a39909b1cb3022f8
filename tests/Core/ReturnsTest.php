<?php

declare(strict_types=1);

namespace Elmstone\Tests\Core;

use Brick\Math\BigDecimal;
use Elmstone\Core\Catalogue\MovingAverage;
use Elmstone\Core\Credits\CardCode;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Returns\MoneySource;
use Elmstone\Core\Returns\Returnable;
use Elmstone\Core\Returns\SoldLine;
use Elmstone\Core\Returns\WaysBack;
use PHPUnit\Framework\Attributes\DataProvider;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class ReturnsTest extends CoreCase
{
    private static function sold(string $quantity, string $net, string $tax, string $cost = '0.00'): Returnable
    {
        return Returnable::of(
            new SoldLine(Quantity::of($quantity), self::usd($net), ['state' => self::usd($tax)], self::usd($cost)),
        );
    }

    public function test_what_comes_back_in_steps_is_worked_out_from_all_that_came_back(): void
    {
        $line = self::sold('4', '20.74', '1.30', '10.01');
        $first = $line->returning(Quantity::of('1'));
        self::assertSame(['5.19', '0.33', '2.50'], self::written([$first->net, $first->tax['state'], $first->cost]));
        $second = $line->after($first)->returning(Quantity::of('2'));
        self::assertSame(
            ['10.37', '0.65', '5.01'],
            self::written([$second->net, $second->tax['state'], $second->cost]),
        );
        self::assertSame('11.02', $second->withTax()->toString());
        self::assertTrue($line->after($first)->after($second)->left()->isEqualTo(1));
    }

    public function test_no_more_comes_back_than_was_sold(): void
    {
        $line = self::sold('2.5', '10.00', '0.50');
        self::assertRefused('more_than_left', static fn () => $line->returning(Quantity::of('2.5001')));
        $all = $line->returning(Quantity::of('2.5'));
        self::assertRefused('more_than_left', static fn () => $line->after($all)->returning(Quantity::of('0.0001')));
        self::assertRefused('more_than_left', static fn () => $line->after($all)->after($all));
    }

    public function test_money_alone_comes_off_what_is_left_of_net_and_tax(): void
    {
        $line = self::sold('4', '100.00', '7.25');
        $credit = $line->giving(self::usd('10.73'));
        self::assertSame(
            ['10.00', '0.73', '10.73'],
            self::written([$credit->net, $credit->tax['state'], $credit->withTax()]),
        );
        $one = $line->after($credit)->returning(Quantity::of('1'));
        self::assertSame('22.50', $one->net->toString(), 'a quarter of the 90.00 that are left');
        self::assertRefused('more_than_paid', static fn () => $line->giving(self::usd('107.26')));
        self::assertRefused('bad_amount', static fn () => $line->giving(self::usd('0.00')));
    }

    public function test_with_tax_in_the_price_the_credit_is_the_net(): void
    {
        $credit = self::sold('1', '107.25', '7.25')->giving(self::usd('10.73'), true);
        self::assertSame(['10.73', '0.73'], self::written([$credit->net, $credit->tax['state']]));
    }

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        foreach (range(1, 40) as $seed) {
            yield "seed {$seed}" => [$seed];
        }
    }

    /**
     * Property: whatever is brought back in whatever steps, never more is given back than was paid, and all of it when
     * everything is back.
     */
    #[DataProvider('seeds')]
    public function test_any_steps_give_back_what_was_paid_and_never_more(int $seed): void
    {
        $random = new Randomizer(new Mt19937($seed));
        $net = Money::ofMinor($random->getInt(0, 100_000), Currency::of('USD'));
        $tax = ['state' => $net->percent(Percentage::of('5.75')), 'county' => $net->percent(Percentage::of('1.5'))];
        $quantity = BigDecimal::ofUnscaledValue($random->getInt(1, 500_000), $random->getInt(0, 4));
        $line = Returnable::of(
            new SoldLine(
                Quantity::of((string) $quantity),
                $net,
                $tax,
                Money::ofMinor($random->getInt(0, 90_000), $net->currency),
            ),
        );
        $paid = $net->plus($tax['state'])->plus($tax['county']);
        $back = Money::zero($net->currency);

        while ($line->left()->isPositive()) {
            $part = BigDecimal::ofUnscaledValue(
                $random->getInt(1, max(1, intdiv((int) (string) $line->left()->toScale(4)->getUnscaledValue(), 3))),
                4,
            );
            $last = $random->getInt(0, 9) === 0 || $part->isGreaterThan($line->left());
            $left = $line->netLeft()->plus(Money::sum($line->taxLeft(), $net->currency));
            $step = $random->getInt(0, 5) === 0 && $left->isPositive()
                    ? $line->giving(Money::ofMinor($random->getInt(1, $left->minor), $net->currency))
                    : $line->returning(Quantity::of((string) ($last ? $line->left() : $part)));
            self::assertFalse($step->net->isNegative());
            self::assertFalse($step->cost->isNegative());
            $back = $back->plus($step->withTax());
            self::assertFalse($back->exceeds($paid));
            $line = $line->after($step);
        }

        self::assertSame($paid->toString(), $back->toString());
    }

    public function test_ways_are_shared_out_where_a_plain_order_would_fail(): void
    {
        $usd = Currency::of('USD');
        $sources = [
            new MoneySource('one', self::usd('50.00'), ['cash' => self::usd('50.00'), 'card' => self::usd('50.00')]),
            new MoneySource('two', self::usd('50.00'), ['cash' => self::usd('50.00'), 'store_credit' => null]),
        ];
        $shares = WaysBack::share($usd, $sources, ['cash' => self::usd('50.00'), 'card' => self::usd('50.00')]);
        self::assertNotNull($shares);
        self::assertSame(
            ['card' => '50.00'],
            array_map(static fn (Money $share): string => $share->toString(), $shares['one']),
        );
        self::assertSame(
            ['cash' => '50.00'],
            array_map(static fn (Money $share): string => $share->toString(), $shares['two']),
        );
        self::assertNull(WaysBack::share($usd, $sources, ['card' => self::usd('50.01')]));
        self::assertSame('50.00', WaysBack::most($usd, $sources, 'cash', ['card' => self::usd('50.00')])->toString());
        self::assertSame('100.00', WaysBack::most($usd, $sources, 'cash')->toString());
        self::assertSame('0.00', WaysBack::most($usd, $sources, 'cheque')->toString());
    }

    /** Property: what is said to be the most can be shared out, and a cent more cannot. */
    #[DataProvider('seeds')]
    public function test_the_most_is_the_most(int $seed): void
    {
        $random = new Randomizer(new Mt19937($seed));
        $usd = Currency::of('USD');
        $ways = ['cash', 'card', 'cheque', 'store_credit'];
        $sources = [];

        foreach (range(1, $random->getInt(1, 5)) as $i) {
            $caps = array_filter(
                array_combine(
                    $ways,
                    array_map(static fn (): Money => Money::ofMinor($random->getInt(0, 900), $usd), $ways),
                ),
                static fn (): bool => $random->getInt(0, 2) > 0,
            );
            $sources[] = new MoneySource("s{$i}", Money::ofMinor($random->getInt(0, 1000), $usd), $caps);
        }

        $card = Money::ofMinor($random->getInt(0, WaysBack::most($usd, $sources, 'card')->minor), $usd);
        $most = WaysBack::most($usd, $sources, 'cash', ['card' => $card]);
        $shares = WaysBack::share($usd, $sources, ['card' => $card, 'cash' => $most]);
        self::assertNotNull($shares);
        self::assertSame(
            $most->minor + $card->minor,
            array_sum(
                array_map(
                    static fn (array $share): int => array_sum(
                        array_map(static fn (Money $part): int => $part->minor, $share),
                    ),
                    $shares,
                ),
            ),
        );
        self::assertNull(
            WaysBack::share($usd, $sources, ['card' => $card, 'cash' => $most->plus(Money::ofMinor(1, $usd))]),
        );
    }

    /**
     * ISO/IEC 7812-1, annex B: 7992739871 is the body often shown with the formula (from memory); its check digit is 3.
     */
    public function test_card_numbers_have_the_check_digit_of_the_standard(): void
    {
        self::assertSame(3, CardCode::checkDigit('7992739871'));
        $code = CardCode::make('12345678901234');
        self::assertSame($code->digits, CardCode::of($code->grouped())->digits);
        self::assertSame('•••• '.substr($code->digits, -4), $code->masked());
        self::assertTrue(CardCode::looksLikeOne($code->grouped()));
        self::assertFalse(CardCode::looksLikeOne('4111111111111111'));
        self::assertRefused('bad_card_code', static fn () => CardCode::of('123'));

        foreach (range(0, 9) as $digit) {
            $wrong = substr_replace($code->digits, (string) $digit, 7, 1);
            $wrong === $code->digits || self::assertRefused('bad_card_code', static fn () => CardCode::of($wrong));
        }
    }

    public function test_what_comes_back_moves_the_average_cost(): void
    {
        $average = static fn (string $had, string $cost, string $in, string $at): string => MovingAverage::of(
            BigDecimal::of($had),
            UnitPrice::of($cost),
            BigDecimal::of($in),
            BigDecimal::of($in)->multipliedBy($at),
        )->toString();
        self::assertSame('2.5', rtrim($average('10', '2', '10', '3'), '0'));
        self::assertSame('3', rtrim($average('-4', '2', '1', '3'), '.0'));
        self::assertSame('2.3333', $average('2', '2', '1', '3'));
    }
}
