<?php

declare(strict_types=1);

namespace Elmstone\Tests\Core;

use Brick\Math\BigDecimal;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Shares\CommissionRate;
use Elmstone\Core\Shares\Earned;
use Elmstone\Core\Shares\Part;
use Elmstone\Core\Shares\PersonShare;
use Elmstone\Core\Shares\RateOf;
use Elmstone\Core\Shares\SharesBack;
use Elmstone\Core\Shares\Sharing;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Who sold a line, what each has of it, and what is taken back. The worked figures are the rule's own. */
final class SharesTest extends CoreCase
{
    /** @param  array<string, string>  $parts percent by person */
    private static function sharing(array $parts): Sharing
    {
        return Sharing::of(array_map(
            static fn (string $person, string $percent): Part => Part::of($person, Percentage::of($percent)),
            array_map(strval(...), array_keys($parts)),
            $parts,
        ));
    }

    private static function rate(string $percent, RateOf $of = RateOf::Net): CommissionRate
    {
        return new CommissionRate(Percentage::of($percent), $of);
    }

    /**
     * @param  array<PersonShare>  $shares
     * @return list<string> net and commission of each
     */
    private static function said(array $shares): array
    {
        return array_values(array_map(
            static fn (PersonShare $of): string => "{$of->net->toString()} {$of->commission->toString()}",
            $shares,
        ));
    }

    public function test_net_and_margin_are_apportioned_by_the_percentages(): void
    {
        $line = self::sharing(['a' => '60', 'b' => '40'])->line(
            self::usd('100'), self::usd('60'), ['a' => self::rate('2.5'), 'b' => self::rate('10', RateOf::Margin)],
        );
        self::assertSame(['60.00 1.50', '40.00 1.60'], self::said($line));
    }

    public function test_what_is_sold_below_cost_has_no_margin_to_be_paid_on(): void
    {
        $line = self::sharing(['a' => '100'])->line(
            self::usd('10'), self::usd('12'), ['a' => self::rate('10', RateOf::Margin)],
        );
        self::assertSame(['10.00 0.00'], self::said($line));
    }

    public function test_parts_that_are_not_whole_are_refused(): void
    {
        $this->assertRefused('shares_not_whole', static fn () => self::sharing(
            ['a' => '33.33', 'b' => '33.33', 'c' => '33.33'],
        ));
        $this->assertRefused('shares_not_whole', static fn () => self::sharing(['a' => '100', 'b' => '0']));
        $this->assertRefused('shared_twice', static fn () => Sharing::equally(['a', 'a']));
        $thirds = array_map(
            static fn (Part $part): string => $part->percent->toString(),
            Sharing::equally(['a', 'b', 'c'])->parts,
        );
        self::assertSame(['33.3334', '33.3333', '33.3333'], $thirds);
    }

    public function test_pieces_that_come_back_take_their_part_of_the_commission(): void
    {
        $sold = self::sharing(['a' => '60', 'b' => '40'])->line(
            self::usd('10.00'), self::usd('0'), ['a' => self::rate('3'), 'b' => self::rate('7')],
        );
        self::assertSame(['6.00 0.18', '4.00 0.28'], self::said($sold));
        $back = SharesBack::of($sold, BigDecimal::of(3), self::usd('10.00'));
        $one = BigDecimal::one();
        self::assertSame(['2.00 0.06', '1.33 0.09'], self::said($back->taking($one, self::usd('3.33'))));
        $back = $back->after($one, self::usd('3.33'));
        self::assertSame(['2.00 0.06', '1.34 0.10'], self::said($back->taking($one, self::usd('3.34'))));
        $back = $back->after($one, self::usd('3.34'));
        self::assertSame(['2.00 0.06', '1.33 0.09'], self::said($back->taking($one, self::usd('3.33'))));
    }

    public function test_money_alone_takes_its_part_of_what_was_left(): void
    {
        $sold = self::sharing(['a' => '100'])->line(self::usd('20.00'), self::usd('0'), ['a' => self::rate('10')]);
        $back = SharesBack::of($sold, BigDecimal::of(4), self::usd('20.00'))
            ->after(BigDecimal::one(), self::usd('5.00'));
        self::assertSame(['3.00 0.30'], self::said($back->taking(BigDecimal::zero(), self::usd('3.00'))));
        $back = $back->after(BigDecimal::zero(), self::usd('3.00'));
        self::assertSame(['12.00 1.20'], self::said($back->taking(BigDecimal::of(3), self::usd('12.00'))));
    }

    public function test_commission_is_earned_as_its_invoice_is_paid_and_whole_when_that_is(): void
    {
        $earned = static fn (string $paid): string => Earned::of(
            self::usd('1.00'), self::usd($paid), self::usd('30.00'),
        )->toString();
        self::assertSame(['0.00', '0.33', '0.67', '1.00', '1.00'], array_map($earned, ['0', '10', '20', '30', '31']));
        self::assertSame('1.00', Earned::of(self::usd('1.00'), self::usd('0'), self::usd('0'))->toString());
    }

    /** Whatever the parts and the steps: nothing is lost, and all of it is back in the end. */
    public function test_steps_that_bring_all_back_take_all_back(): void
    {
        $dice = new Randomizer(new Mt19937(20261127));

        for ($case = 0; $case < 400; $case++) {
            $people = array_map(strval(...), range(1, $dice->getInt(1, 5)));
            $sharing = Sharing::equally($people);
            $quantity = $dice->getInt(1, 9);
            $net = Money::ofMinor($dice->getInt(0, 9_999), self::usd('0')->currency);
            $rates = array_fill_keys($people, self::rate((string) $dice->getInt(0, 30)));
            $sold = $sharing->line($net, self::usd('0'), $rates);
            self::assertEquals($net, Money::sum(array_column($sold, 'net'), $net->currency));
            $back = SharesBack::of($sold, BigDecimal::of($quantity), $net);
            [$left, $gone] = [$quantity, array_map(static fn (): array => [0, 0], $people)];
            $leftNet = $net->minor;

            while ($left > 0 || $leftNet > 0) {
                $pieces = $dice->getInt($left > 0 && $dice->getInt(0, 3) > 0 ? 1 : 0, $left);
                $money = $left > 0 && $pieces === $left || $left === 0 ? $leftNet : $dice->getInt(0, $leftNet);
                $step = Money::ofMinor($money, $net->currency);
                $taken = $back->taking(BigDecimal::of($pieces), $step);
                self::assertEquals($step, Money::sum(array_column($taken, 'net'), $net->currency));
                $back = $back->after(BigDecimal::of($pieces), $step);

                foreach ($taken as $i => $of) {
                    $gone[$i] = [$gone[$i][0] + $of->net->minor, $gone[$i][1] + $of->commission->minor];
                }

                [$left, $leftNet] = [$left - $pieces, $leftNet - $money];
            }

            self::assertSame(
                array_map(static fn (PersonShare $of): array => [$of->net->minor, $of->commission->minor], $sold),
                $gone,
                "case {$case}",
            );
        }
    }
}
