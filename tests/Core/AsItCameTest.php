<?php

declare(strict_types=1);

namespace Elmstone\Tests\Core;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Returns\AsItCame;
use Elmstone\Core\Returns\MoneySource;
use PHPUnit\Framework\Attributes\DataProvider;

/**
 * RULES 9: several tenders of one original share what goes back by apportion over what each brought and can still
 * carry.
 */
final class AsItCameTest extends CoreCase
{
    /**
     * @param  array<string, string>  $brought
     * @param  array<string, string>  $shares
     */
    #[DataProvider('shared')]
    public function test_what_goes_back_is_shared_by_what_each_way_brought(
        string $amount,
        array $brought,
        array $shares,
    ): void {
        $this->assertSame(
            $shares,
            array_map(
                static fn (Money $one): string => $one->toString(),
                AsItCame::share(self::usd($amount), array_map(self::usd(...), $brought)),
            ),
        );
    }

    /** @return iterable<string, array{string, array<string, string>, array<string, string>}> */
    public static function shared(): iterable
    {
        yield 'two cards' => [
            '90.00',
            ['card:1' => '60.00', 'card:2' => '40.00'],
            ['card:1' => '54.00', 'card:2' => '36.00'],
        ];
        yield 'all of it' => [
            '120.00',
            ['card:1' => '50.00', 'card:2' => '70.00'],
            ['card:1' => '50.00', 'card:2' => '70.00'],
        ];
        yield 'the odd cent to the larger remainder' => [
            '0.05',
            ['cash' => '1.00', 'card:1' => '2.00'],
            ['cash' => '0.02', 'card:1' => '0.03'],
        ];
        yield 'never more than came in' => [
            '9.99',
            ['cash' => '0.01', 'card:1' => '9.98'],
            ['cash' => '0.01', 'card:1' => '9.98'],
        ];
        yield 'more than they can carry' => ['10.00', ['cash' => '4.00'], ['cash' => '4.00']];
        yield 'nothing came in' => ['10.00', ['cash' => '0.00'], []];
    }

    public function test_one_payment_for_several_things_is_used_up_exactly(): void
    {
        foreach (range(1, 300) as $seed) {
            mt_srand($seed);
            $ways = [];

            foreach (range(1, mt_rand(1, 4)) as $i) {
                $ways["way {$i}"] = self::usd('0.00')->plus(Money::ofMinor(mt_rand(1, 5000), self::usd('0')->currency));
            }

            $left = Money::sum($ways, self::usd('0')->currency)->minor;
            $amounts = [];

            while ($left > 0) {
                $amounts[] = Money::ofMinor($part = mt_rand(1, $left), self::usd('0')->currency);
                $left -= $part;
            }

            $spread = AsItCame::spread($amounts, $ways);

            foreach ($amounts as $name => $amount) {
                $this->assertTrue(Money::sum($spread[$name], $amount->currency)->equals($amount), "seed {$seed}");
            }

            foreach ($ways as $way => $amount) {
                $this->assertTrue(
                    Money::sum(array_values(array_column($spread, $way)), $amount->currency)->equals($amount),
                    "seed {$seed}",
                );
            }
        }
    }

    public function test_what_was_charged_and_what_came_without_a_receipt_say_for_themselves_where_they_go(): void
    {
        $sources = [
            new MoneySource('blind', self::usd('5.00'), ['gift_card' => null]),
            new MoneySource('paid:1', self::usd('10.00'), ['cash' => self::usd('20.00'), 'gift_card' => null]),
        ];
        $this->assertSame(
            ['cash' => '10.00'],
            array_map(static fn (Money $one): string => $one->toString(), AsItCame::of($sources)),
        );
    }
}
