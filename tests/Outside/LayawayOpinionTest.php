<?php

declare(strict_types=1);

namespace Elmstone\Tests\Outside;

use Elmstone\Core\Reckon\BadRequest;
use Elmstone\Core\Reckon\Reckon;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * `layaway` and `schedule` of the reckoner written once more from the words of docs/rules.md alone, with PHP's bcmath
 * and its calendar, on random requests.
 */
final class LayawayOpinionTest extends TestCase
{
    private const CASES = 800;

    private Randomizer $chance;

    protected function setUp(): void
    {
        $this->chance = new Randomizer(new Mt19937(8601));
    }

    public function test_layaways(): void
    {
        for ($case = 0; $case < self::CASES; $case++) {
            $request = $this->layaway();
            $json = json_encode($request, JSON_THROW_ON_ERROR);

            try {
                $answer = Reckon::answer($json);
            } catch (BadRequest $refused) {
                self::assertSame('over_paid', $refused->rule, $json);
                self::assertSame(1, bccomp(self::sum($request['payments']), $request['total'], 2), $json);

                continue;
            }

            self::assertSame(self::opinion($request), $answer, $json);
        }
    }

    public function test_schedules(): void
    {
        for ($case = 0; $case < self::CASES; $case++) {
            $count = $this->chance->getInt(1, 40);
            $charge = match ($this->chance->getInt(0, 2)) {
                0 => null,
                1 => ['percent' => self::cents($this->chance->getInt(0, 2500))],
                default => ['amount' => self::cents($this->chance->getInt(0, 90_000))],
            };
            $request = [
                'do' => 'schedule',
                'currency' => 'USD',
                'principal' => self::cents($this->chance->getInt(0, 5_000_000)),
                'charge' => $charge,
                'count' => $count,
                'first_due' => sprintf(
                    '%04d-%02d-%02d',
                    $this->chance->getInt(2024, 2032),
                    $this->chance->getInt(1, 12),
                    $this->chance->getInt(1, 28),
                ),
                'rhythm' => ['week', 'fortnight', 'month'][$this->chance->getInt(0, 2)],
            ];
            $answer = Reckon::answer(json_encode($request, JSON_THROW_ON_ERROR));
            $total = bcadd(
                $request['principal'],
                $charge === null ? '0' : self::charged($charge, $request['principal']),
                2,
            );

            self::assertSame($total, $answer['total']);
            self::assertSame(
                self::parts($total, $count, $request['first_due'], $request['rhythm']),
                $answer['instalments'],
            );
        }
    }

    /**
     * @return array{
     *     do: string, currency: string, total: string,
     *     terms: array<string, array<string, string>>, payments: list<string>
     * }
     */
    private function layaway(): array
    {
        $total = $this->chance->getInt(0, 200_000);
        $terms = [];

        foreach (['min_deposit', 'min_payment', 'cancellation_fee'] as $name) {
            $kind = $this->chance->getInt(0, 3);
            $portion = [
                ...$kind % 2 === 1 ? ['percent' => self::cents($this->chance->getInt(0, 10_000))] : [],
                ...$kind >= 2 ? ['amount' => self::cents($this->chance->getInt(0, 30_000))] : [],
            ];

            if ($portion !== []) {
                $terms[$name] = $portion;
            }
        }

        $payments = [];
        $left = $this->chance->getInt(0, 9) === 0 ? $total + 500 : $total;

        for ($i = $this->chance->getInt(0, 5); $i > 0 && $left > 0; $i--) {
            $pay = $this->chance->getInt(0, $left);
            $left -= $pay;
            $payments[] = self::cents($pay);
        }

        return [
            'do' => 'layaway',
            'currency' => 'USD',
            'total' => self::cents($total),
            'terms' => $terms === [] ? ['min_deposit' => ['amount' => '0.00']] : $terms,
            'payments' => $payments,
        ];
    }

    /**
     * @param  array{total: string, terms: array<string, array<string, string>>, payments: list<string>}  $request
     * @return array<string, mixed>
     */
    private static function opinion(array $request): array
    {
        $paid = self::sum($request['payments']);
        $left = bcsub($request['total'], $paid, 2);
        $fee = self::least(self::portion($request['terms']['cancellation_fee'] ?? [], $request['total']), $paid);

        return [
            'min_deposit' => self::portion($request['terms']['min_deposit'] ?? [], $request['total']),
            'paid' => $paid,
            'remaining' => $left,
            'min_payment' => self::portion($request['terms']['min_payment'] ?? [], $left),
            'paid_in_full' => bccomp($left, '0', 2) === 0,
            'cancel' => ['fee' => $fee, 'refund' => bcsub($paid, $fee, 2)],
        ];
    }

    /** @param  array<string, string>  $charge */
    private static function charged(array $charge, string $principal): string
    {
        return $charge['amount'] ?? self::rounded(bcdiv(bcmul($principal, $charge['percent'] ?? '0', 8), '100', 8));
    }

    /** @param  array<string, string>  $portion */
    private static function portion(array $portion, string $of): string
    {
        $share = self::rounded(bcdiv(bcmul($of, $portion['percent'] ?? '0', 8), '100', 8));
        $amount = bcadd($portion['amount'] ?? '0', '0', 2);

        return self::least(bccomp($share, $amount, 2) === 1 ? $share : $amount, $of);
    }

    /** @return list<array{due: string, amount: string}> */
    private static function parts(string $total, int $count, string $first, string $rhythm): array
    {
        $cents = (int) bcmul($total, '100');
        $parts = [];
        [$year, $month, $day] = array_map(intval(...), explode('-', $first));

        for ($i = 0; $i < $count; $i++) {
            $months = $year * 12 + $month - 1 + $i;
            $parts[] = [
                'due' => match ($rhythm) {
                    'week' => gmdate('Y-m-d', gmmktime(12, 0, 0, $month, $day + 7 * $i, $year)),
                    'fortnight' => gmdate('Y-m-d', gmmktime(12, 0, 0, $month, $day + 14 * $i, $year)),
                    default => sprintf(
                        '%04d-%02d-%02d',
                        intdiv($months, 12),
                        ($months % 12) + 1,
                        min($day, (int) gmdate('t', gmmktime(12, 0, 0, ($months % 12) + 1, 1, intdiv($months, 12)))),
                    ),
                },
                'amount' => self::cents(intdiv($cents, $count) + ($i < $cents % $count ? 1 : 0)),
            ];
        }

        return $parts;
    }

    /** @param  list<string>  $amounts */
    private static function sum(array $amounts): string
    {
        return array_reduce(
            $amounts,
            static fn (string $sum, string $amount): string => bcadd($sum, $amount, 2),
            '0.00',
        );
    }

    private static function least(string $one, string $other): string
    {
        return bccomp($one, $other, 2) === 1 ? $other : $one;
    }

    /** Half away from zero; nothing here is below zero. */
    private static function rounded(string $amount): string
    {
        return bcadd($amount, '0.005', 2);
    }

    private static function cents(int $cents): string
    {
        return sprintf('%d.%02d', intdiv($cents, 100), $cents % 100);
    }
}
