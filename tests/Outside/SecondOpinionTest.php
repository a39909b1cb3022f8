<?php

declare(strict_types=1);

namespace Elmstone\Tests\Outside;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Reckon\Reckon;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * The arithmetic against an independent library of big numbers (phpseclib's, in its pure PHP engine) on random data.
 */
final class SecondOpinionTest extends TestCase
{
    private const CASES = 1500;

    private Randomizer $chance;

    protected function setUp(): void
    {
        $this->chance = new Randomizer(new Mt19937(4217));
    }

    public function test_rounding(): void
    {
        for ($case = 0; $case < self::CASES; $case++) {
            $over = $this->chance->getInt(-(10 ** 12), 10 ** 12);
            $under = $this->chance->getInt(1, 10 ** 6);
            self::assertSame(
                Fraction::of($over, $under)->times(Fraction::of(100))->rounded(),
                (string) Money::round(BigRational::of("{$over}/{$under}"), Currency::of('USD'))->minor,
                "{$over}/{$under}",
            );
        }
    }

    public function test_apportioning(): void
    {
        for ($case = 0; $case < self::CASES; $case++) {
            $amount = $this->chance->getInt(-(10 ** 10), 10 ** 10);
            $weights = [];

            for ($i = $this->chance->getInt(1, 12); $i > 0; $i--) {
                $weights[] = $this->chance->getInt(0, 3) === 0 ? 0 : $this->chance->getInt(0, 10 ** 6);
            }

            $shares = Money::ofMinor($amount, Currency::of('USD'))->apportion(
                array_map(static fn (int $weight) => BigDecimal::ofUnscaledValue($weight, 4), $weights),
            );
            self::assertSame(
                SecondOpinion::apportion($amount, $weights),
                array_map(static fn (Money $share): int => $share->minor, $shares),
            );
        }
    }

    public function test_slips(): void
    {
        for ($case = 0; $case < self::CASES; $case++) {
            $request = $this->slip();
            $answer = Reckon::answer(json_encode($request, JSON_THROW_ON_ERROR));
            self::assertSame(
                SecondOpinion::slip($request),
                [$answer['net'], $answer['tax_total'], $answer['total']],
                json_encode($request, JSON_THROW_ON_ERROR),
            );
        }
    }

    /** @return array<string, mixed> */
    private function slip(): array
    {
        $places = fn (int $most, int $places): string => (string) BigDecimal::ofUnscaledValue(
            $this->chance->getInt(1, $most),
            $places,
        );
        $lines = [];

        for ($i = $this->chance->getInt(1, 8); $i > 0; $i--) {
            $lines[] = [
                'id' => "l{$i}",
                'direction' => $this->chance->getInt(0, 4) === 0 ? 'back' : 'out',
                'quantity' => $places(99_999, $this->chance->getInt(0, 4)),
                'unit_price' => $places(999_999, 4),
                'price_per' => [1, 100, 1000][$this->chance->getInt(0, 2)],
                'tax_class' => ['a', 'b'][$this->chance->getInt(0, 1)],
                'discount' => $this->chance->getInt(0, 2) === 0 ? ['percent' => $places(100, 0)] : null,
                'may_discount' => $this->chance->getInt(0, 3) > 0,
            ];
        }

        return [
            'do' => 'slip',
            'currency' => 'USD',
            'tax_included' => $this->chance->getInt(0, 1) === 1,
            'tax_rounding' => ['document', 'line'][$this->chance->getInt(0, 1)],
            'tax' => [
                ['id' => 'x', 'rate' => $places(200_000, 4), 'classes' => ['a', 'b'], 'on_top_of' => []],
                [
                    'id' => 'y',
                    'rate' => $places(99_999, 4),
                    'classes' => ['a'],
                    'on_top_of' => $this->chance->getInt(0, 1) === 1 ? ['x'] : [],
                ],
            ],
            'exempt' => $this->chance->getInt(0, 3) === 0 ? ['x'] : [],
            'slip_discount' => $this->chance->getInt(0, 1) === 1 ? ['percent' => $places(100, 0)] : null,
            'lines' => $lines,
        ];
    }
}
