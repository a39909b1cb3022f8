<?php

declare(strict_types=1);

namespace Elmstone\Tests\Outside;

use Elmstone\Core\Reckon\Reckon;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Markdowns, surcharges, rewards and owners' shares as the rules say them in one line, by phpseclib's big numbers.
 */
final class FeesOpinionTest extends TestCase
{
    private const CASES = 500;

    private Randomizer $chance;

    protected function setUp(): void
    {
        $this->chance = new Randomizer(new Mt19937(1703));
    }

    private function decimal(int $most, int $places): string
    {
        return self::written($this->chance->getInt(0, $most), $places);
    }

    private static function written(int $unscaled, int $places): string
    {
        $digits = str_pad((string) abs($unscaled), $places + 1, '0', STR_PAD_LEFT);
        $sign = $unscaled < 0 ? '-' : '';

        return $places === 0 ? $sign.$digits : $sign.substr($digits, 0, -$places).'.'.substr($digits, -$places);
    }

    /** In cents: `round(amount × percent ÷ 100)`. */
    private static function percent(string $amount, string $percent): int
    {
        return (int) Fraction::read($amount)->times(Fraction::read($percent))->rounded();
    }

    /**
     * @param  array<string, mixed>  $request
     * @param  array<string, mixed>  $expected
     */
    private static function assertAnswer(array $expected, array $request): void
    {
        $json = json_encode($request, JSON_THROW_ON_ERROR);
        self::assertSame($expected, Reckon::answer($json), $json);
    }

    public function test_markdowns(): void
    {
        for ($case = 0; $case < self::CASES; $case++) {
            $list = $this->decimal(99_999, 2);
            $floor = $this->decimal(60_000, 2);
            $steps = [];

            for ($i = 1, $many = $this->chance->getInt(1, 4); $i <= $many; $i++) {
                $steps[] = ['after' => $i * 20, 'percent' => $this->decimal(1_000, 1)];
            }

            $days = $this->chance->getInt(0, 100);
            $step = min(intdiv($days, 20), count($steps));
            $off = $step === 0 ? 0 : (int) (100 * (float) $steps[$step - 1]['percent'] + 0.5);
            $price = (int) Fraction::read($list)->times(Fraction::of(10_000 - $off, 100))->rounded();
            $floored = (int) (100 * (float) $floor + 0.5);
            self::assertAnswer(
                [
                    'price' => self::written($step === 0 ? $price : max($price, $floored), 2),
                    'step' => $step,
                    'held_by_floor' => $step > 0 && $floored > $price,
                ],
                ['do' => 'markdown', 'list' => $list, 'floor' => $floor, 'days' => $days, 'steps' => $steps],
            );
        }
    }

    public function test_surcharges(): void
    {
        for ($case = 0; $case < self::CASES; $case++) {
            $cents = $this->chance->getInt(0, 10_000_000);
            $percent = $this->decimal(50_000, 4);
            $cap = $this->chance->getInt(0, 200_000);
            $surcharge = min($cap, self::percent(self::written($cents, 2), $percent));
            self::assertAnswer(
                ['surcharge' => self::written($surcharge, 2), 'to_ask' => self::written($cents + $surcharge, 2)],
                [
                    'do' => 'surcharge', 'currency' => 'USD', 'card' => 'b', 'amount' => self::written($cents, 2),
                    'rules' => [
                        ['card' => 'a', 'percent' => '9'],
                        ['card' => 'b', 'percent' => $percent, 'cap' => self::written($cap, 2)],
                    ],
                ],
            );
        }
    }

    public function test_rewards(): void
    {
        for ($case = 0; $case < self::CASES; $case++) {
            $cents = $this->chance->getInt(-100_000, 1_000_000);
            $rate = $this->chance->getInt(0, 50_000);
            $before = $this->chance->getInt(-500, 500);
            $threshold = $this->chance->getInt(1, 400);
            $points = intdiv($cents * $rate, 1_000_000);
            $times = max(0, intdiv($before + $points, $threshold));
            self::assertAnswer(
                [
                    'points' => (string) $points,
                    'points_after' => (string) ($before + $points - $times * $threshold),
                    'rewards' => self::written($times * 750, 2),
                ],
                [
                    'do' => 'rewards', 'currency' => 'USD', 'points_per_unit' => self::written($rate, 4),
                    'eligible' => self::written($cents, 2), 'points_before' => (string) $before,
                    'threshold' => (string) $threshold, 'reward' => '7.50',
                ],
            );
        }
    }

    public function test_owners_shares(): void
    {
        for ($case = 0; $case < self::CASES; $case++) {
            $lines = [];
            $sold = $share = 0;
            $fees = $this->chance->getInt(0, 5_000);

            for ($i = $this->chance->getInt(0, 6); $i > 0; $i--) {
                $net = $this->chance->getInt(0, 99_999);
                $percent = $this->decimal(10_000, 2);
                $sign = $this->chance->getInt(0, 3) === 0 ? -1 : 1;
                $sold += $sign * $net;
                $share += $sign * self::percent(self::written($net, 2), $percent);
                $lines[] = [
                    'net' => self::written($net, 2), 'percent' => $percent, 'direction' => $sign < 0 ? 'back' : 'out',
                ];
            }

            self::assertAnswer(
                [
                    'sold' => self::written($sold, 2),
                    'owner_share' => self::written($share, 2),
                    'fees' => self::written($fees, 2),
                    'payable' => self::written($share - $fees, 2),
                ],
                ['do' => 'consignment', 'currency' => 'USD', 'lines' => $lines, 'fees' => self::written($fees, 2)],
            );
        }
    }
}
