<?php

declare(strict_types=1);

namespace Elmstone\Tests\Outside;

use Elmstone\Core\Reckon\BadRequest;
use Elmstone\Core\Reckon\Reckon;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * `return` and the coupons of `slip` written once more from the words of docs/rules.md alone, with PHP's bcmath, on
 * random requests.
 */
final class ReturnsOpinionTest extends TestCase
{
    private const CASES = 800;

    private Randomizer $chance;

    protected function setUp(): void
    {
        $this->chance = new Randomizer(new Mt19937(7812));
    }

    public function test_pieces_that_come_back_in_steps(): void
    {
        for ($case = 0; $case < self::CASES; $case++) {
            $sold = $this->chance->getInt(1, 60);
            $line = [
                'quantity' => (string) $sold,
                'net' => self::cents($this->chance->getInt(0, 400_000)),
                'tax' => [
                    'state' => self::cents($this->chance->getInt(0, 30_000)),
                    'county' => self::cents($this->chance->getInt(0, 9_000)),
                ],
            ];
            $taken = [];
            $gone = 0;

            while ($gone < $sold && $this->chance->getInt(0, 3) > 0) {
                $part = $this->chance->getInt(1, $sold - $gone);
                $answer = $this->asked($line, $taken, (string) $part);
                $expected = [
                    'net' => self::share($line['net'], $sold, $gone, $part),
                    'state' => self::share($line['tax']['state'], $sold, $gone, $part),
                    'county' => self::share($line['tax']['county'], $sold, $gone, $part),
                ];
                $gone += $part;
                self::assertSame($expected, ['net' => $answer['net'], ...(array) $answer['tax']]);
                self::assertSame(
                    bcadd(bcadd($expected['net'], $expected['state'], 2), $expected['county'], 2),
                    $answer['total'],
                );
                self::assertSame((string) ($sold - $gone), $answer['left']);
                $taken[] = ['quantity' => (string) $part, 'net' => $answer['net'], 'tax' => (array) $answer['tax']];
            }

            try {
                $this->asked($line, $taken, (string) ($sold - $gone + 1));
                self::fail('More came back than was sold.');
            } catch (BadRequest $refused) {
                self::assertSame('more_than_left', $refused->rule);
            }
        }
    }

    public function test_coupons_come_off_what_the_line_discounts_left(): void
    {
        for ($case = 0; $case < self::CASES; $case++) {
            $prices = array_map(
                fn (): string => self::cents($this->chance->getInt(0, 50_000)),
                range(1, $this->chance->getInt(1, 6)),
            );
            $isPercent = $this->chance->getInt(0, 1) === 1;
            $off = self::cents($this->chance->getInt(1, $isPercent ? 10_000 : 90_000));
            $lines = array_map(
                static fn (string $price, int $i): array => ['id' => "l{
                    $i}",
                    'quantity' => '1',
                    'unit_price' => $price,
                ],
                $prices,
                array_keys($prices),
            );
            $request = [
                'do' => 'slip',
                'currency' => 'USD',
                'coupons' => [['id' => 'C', 'reduction' => [$isPercent ? 'percent' : 'amount' => $off]]],
                'lines' => $lines,
            ];
            $basis = array_reduce(
                $prices,
                static fn (string $sum, string $price): string => bcadd($sum, $price, 2),
                '0.00',
            );

            if (bccomp($basis, '0', 2) === 0) {
                continue;
            }

            $answer = Reckon::answer(json_encode($request, JSON_THROW_ON_ERROR));
            $amount = $isPercent
                ? self::rounded(bcdiv(bcmul($basis, $off, 6), '100', 8))
                : (bccomp($off, $basis, 2) > 0
                    ? $basis
                    : $off);
            self::assertSame([['id' => 'C', 'basis' => $basis, 'amount' => $amount]], $answer['coupons']);
            self::assertSame(self::apportioned($amount, $prices), array_column($answer['lines'], 'coupons'));
            self::assertSame(bcsub($basis, $amount, 2), $answer['total']);
        }
    }

    /**
     * @param  array<string, mixed>  $line
     * @param  list<array<string, mixed>>  $taken
     * @return array{net: string, tax: object, total: string, left: string}
     */
    private function asked(array $line, array $taken, string $quantity): array
    {
        return Reckon::answer(
            json_encode(
                ['do' => 'return', 'currency' => 'USD', 'line' => $line, 'taken' => $taken, 'quantity' => $quantity],
                JSON_THROW_ON_ERROR,
            ),
        );
    }

    /** round(F × (q' + r) ÷ q) − what the same formula gave for q' */
    private static function share(string $figure, int $sold, int $gone, int $part): string
    {
        $until = static fn (int $pieces): string => self::rounded(
            bcdiv(bcmul($figure, (string) $pieces, 2), (string) $sold, 12),
        );

        return bcsub($until($gone + $part), $until($gone), 2);
    }

    /** Half away from zero; nothing here is below zero. */
    private static function rounded(string $figure): string
    {
        return bcadd(bcadd($figure, '0.005', 12), '0', 2);
    }

    /**
     * Floors, and the cents left over to the largest remainders, the earlier first.
     *
     * @param  list<string>  $weights
     * @return list<string>
     */
    private static function apportioned(string $amount, array $weights): array
    {
        $sum = array_reduce(
            $weights,
            static fn (string $all, string $weight): string => bcadd($all, $weight, 2),
            '0.00',
        );
        $exact = array_map(
            static fn (string $weight): string => bcdiv(bcmul(bcmul($amount, '100', 0), $weight, 2), $sum, 20),
            $weights,
        );
        $cents = array_map(static fn (string $share): int => (int) bcadd($share, '0', 0), $exact);
        $order = array_keys($weights);
        usort(
            $order,
            static fn (int $one, int $other): int => bccomp(
                bcsub($exact[$other], (string) $cents[$other], 20),
                bcsub($exact[$one], (string) $cents[$one], 20),
                20,
            )
            ?: $one <=> $other,
        );

        for ($left = (int) bcmul($amount, '100', 0) - array_sum($cents), $i = 0; $left > 0; $left--, $i++) {
            $cents[$order[$i]]++;
        }

        return array_map(self::cents(...), $cents);
    }

    private static function cents(int $cents): string
    {
        return bcdiv((string) $cents, '100', 2);
    }
}
