<?php

declare(strict_types=1);

namespace Elmstone\Tests\Outside;

/** docs/rules.md built a second time, plainly and on other arithmetic, in whole cents. The products stay below 2^63. */
final class SecondOpinion
{
    /**
     * @param  list<int>  $weights
     * @return list<int>
     */
    public static function apportion(int $amount, array $weights): array
    {
        $total = array_sum($weights);

        if ($total === 0) {
            return [$amount, ...array_fill(0, count($weights) - 1, 0)];
        }

        $shares = $lost = [];

        foreach ($weights as $weight) {
            $product = abs($amount) * $weight;
            $shares[] = intdiv($product, $total);
            $lost[] = $product % $total;
        }

        for ($left = abs($amount) - array_sum($shares); $left > 0; $left--) {
            $most = array_search(max($lost), $lost, true);
            $shares[$most]++;
            $lost[$most] = -1;
        }

        return array_map(static fn (int $share): int => $amount < 0 ? -$share : $share, $shares);
    }

    /**
     * @param  array<string, mixed>  $slip
     * @return array{string, string, string} net, tax and total
     */
    public static function slip(array $slip): array
    {
        $paid = array_values(
            array_filter($slip['tax'], static fn (array $tax): bool => ! in_array($tax['id'], $slip['exempt'], true)),
        );
        $rest = [];

        foreach ($slip['lines'] as $line) {
            $gross = Fraction::read($line['quantity'])
                ->times(Fraction::read($line['unit_price']))
                ->by(Fraction::of($line['price_per']));

            if ($slip['tax_included']) {
                $gross = $gross
                    ->times(self::hundredPlus(self::effective($paid, $line['tax_class'])))
                    ->by(self::hundredPlus(self::effective($slip['tax'], $line['tax_class'])));
            }

            $cents = self::cents($gross);
            $rest[] = $cents - self::percent($cents, $line['discount']['percent'] ?? '0');
        }

        $nets = self::discounted($slip, $rest);
        $net = $tax = 0;

        foreach (['out' => 1, 'back' => -1] as $direction => $sign) {
            $group = array_filter($slip['lines'], static fn (array $line): bool => $line['direction'] === $direction);
            $groupNets = array_intersect_key($nets, $group);
            $net += $sign * array_sum($groupNets);
            $tax
                += $sign
                * ($slip['tax_included']
                    ? self::taxInside($slip, $paid, $group, $groupNets)
                    : self::taxOnTop($slip, $paid, $group, $groupNets));
        }

        return array_map(
            static fn (int $cents): string => ($cents < 0 ? '-' : '')
                .intdiv(abs($cents), 100)
                .'.'
                .sprintf('%02d', abs($cents) % 100),
            [$net, $tax, $slip['tax_included'] ? $net : $net + $tax],
        );
    }

    private static function discounted(array $slip, array $rest): array
    {
        $reached = array_filter(
            $slip['lines'],
            static fn (array $line): bool => $line['may_discount'] && $line['direction'] === 'out',
        );
        $weights = array_intersect_key($rest, $reached);

        if ($slip['slip_discount'] === null || $weights === []) {
            return $rest;
        }

        $shares = self::apportion(
            self::percent(array_sum($weights), $slip['slip_discount']['percent']),
            array_values($weights),
        );

        foreach (array_keys($weights) as $i => $place) {
            $rest[$place] -= $shares[$i];
        }

        return $rest;
    }

    private static function taxOnTop(array $slip, array $paid, array $group, array $nets): int
    {
        $total = 0;
        $shares = [];

        foreach ($paid as $tax) {
            $bases = [];

            foreach ($group as $i => $line) {
                if (in_array($line['tax_class'], $tax['classes'], true)) {
                    $bases[$i] = $nets[$i];

                    foreach ($tax['on_top_of'] as $below) {
                        $bases[$i] += $shares[$below][$i] ?? 0;
                    }
                }
            }

            if ($slip['tax_rounding'] === 'line') {
                $shares[$tax['id']] = array_map(
                    static fn (int $base): int => self::percent($base, $tax['rate']),
                    $bases,
                );
            } elseif ($bases !== []) {
                $shares[$tax['id']] = array_combine(
                    array_keys($bases),
                    self::apportion(
                        self::percent(array_sum($bases), $tax['rate']),
                        array_values(array_intersect_key($nets, $bases)),
                    ),
                );
            }

            $total += array_sum($shares[$tax['id']] ?? []);
        }

        return $total;
    }

    private static function taxInside(array $slip, array $paid, array $group, array $nets): int
    {
        $sums = [];

        foreach ($group as $i => $line) {
            $sums[$slip['tax_rounding'] === 'line' ? "{$line['tax_class']} {$i}" : $line['tax_class']][] = $nets[$i];
        }

        $total = 0;

        foreach ($sums as $key => $lines) {
            $sum = array_sum($lines);
            $without = Fraction::of($sum)
                ->times(Fraction::of(100))
                ->by(self::hundredPlus(self::effective($paid, explode(' ', (string) $key)[0])));
            $total += $sum - (int) $without->rounded();
        }

        return $total;
    }

    private static function effective(array $taxes, string $class): Fraction
    {
        $rates = [];
        $sum = Fraction::of(0);

        foreach ($taxes as $tax) {
            if (in_array($class, $tax['classes'], true)) {
                $below = array_reduce(
                    $tax['on_top_of'],
                    static fn (Fraction $all, string $id): Fraction => $all->plus($rates[$id] ?? Fraction::of(0)),
                    Fraction::of(0),
                );
                $rates[$tax['id']] = Fraction::read($tax['rate'])
                    ->times(self::hundredPlus($below))
                    ->by(Fraction::of(100));
                $sum = $sum->plus($rates[$tax['id']]);
            }
        }

        return $sum;
    }

    private static function hundredPlus(Fraction $rate): Fraction
    {
        return Fraction::of(100)->plus($rate);
    }

    private static function percent(int $cents, string $percent): int
    {
        return (int) Fraction::of($cents)->times(Fraction::read($percent))->by(Fraction::of(100))->rounded();
    }

    private static function cents(Fraction $major): int
    {
        return (int) $major->times(Fraction::of(100))->rounded();
    }
}
