<?php

declare(strict_types=1);

namespace Elmstone\Tests\Outside;

use DateTimeImmutable;
use Elmstone\Core\Reckon\Reckon;
use Elmstone\Tests\Core\CoreCase;
use PHPUnit\Framework\Attributes\DataProvider;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * A second opinion on ageing, spreading, exact matches and charging, written from the rules' text alone and on whole
 * cents, without any of the core's classes. Both answer the same requests made by chance.
 */
final class ReceivablesOpinionTest extends CoreCase
{
    private const TIMES = 120;

    private Randomizer $random;

    protected function setUp(): void
    {
        $this->random = new Randomizer(new Mt19937(4711));
    }

    /** @return iterable<string, array{string}> */
    public static function requests(): iterable
    {
        foreach (['age', 'allocate', 'suggest', 'charge'] as $do) {
            yield $do => [$do];
        }
    }

    #[DataProvider('requests')]
    public function test_both_answer_the_same(string $do): void
    {
        for ($time = 0; $time < self::TIMES; $time++) {
            $request = match ($do) {
                'age' => ['do' => 'age', 'currency' => 'USD', 'as_of' => $this->day(), 'items' => $this->items(true)],
                'charge' => $this->charging(),
                default => [
                    'do' => $do,
                    'currency' => 'USD',
                    'amount' => self::money($this->random->getInt(0, $do === 'suggest' ? 60 : 4000)),
                    'items' => $this->items(false, $do === 'suggest' ? 9 : 14, $do === 'suggest' ? 25 : 900),
                ],
            };
            $answer = match ($do) {
                'age' => self::age($request),
                'allocate' => self::allocate($request),
                'suggest' => self::suggest($request),
                default => self::charge($request),
            };
            self::assertSame(
                $answer,
                Reckon::answer(json_encode($request, JSON_THROW_ON_ERROR)),
                json_encode($request, JSON_THROW_ON_ERROR),
            );
        }
    }

    /**
     * @param  array<string, mixed>  $request
     * @return array<string, string>
     */
    private static function age(array $request): array
    {
        $columns = ['not_due' => 0, '1-30' => 0, '31-60' => 0, '61-90' => 0, 'over_90' => 0, 'unused_credit' => 0];
        $asOf = strtotime("{$request['as_of']} 00:00 UTC");

        foreach ($request['items'] as $item) {
            if (strcmp($item['date'], $request['as_of']) > 0) {
                continue;
            }

            if ($item['kind'] === 'credit') {
                $columns['unused_credit'] -= self::cents($item['open']);

                continue;
            }

            $days = (int) round(($asOf - strtotime("{$item['due']} 00:00 UTC")) / 86400);
            $column = 'over_90';

            foreach (['not_due' => 0, '1-30' => 30, '31-60' => 60, '61-90' => 90] as $name => $most) {
                if ($days <= $most) {
                    $column = $name;
                    break;
                }
            }

            $columns[$column] += self::cents($item['open']);
        }

        return array_map(self::money(...), [...$columns, 'balance' => array_sum($columns)]);
    }

    /**
     * @param  array<string, mixed>  $request
     * @return array<string, mixed>
     */
    private static function allocate(array $request): array
    {
        $left = self::cents($request['amount']);
        $allocations = [];

        foreach (self::oldestFirst($request['items']) as $item) {
            $part = min($left, self::cents($item['open']));
            $left -= $part;

            if ($part > 0) {
                $allocations[] = ['id' => $item['id'], 'amount' => self::money($part)];
            }
        }

        return ['allocations' => $allocations, 'unused' => self::money($left)];
    }

    /**
     * Every set there is, put in order.
     *
     * @param  array<string, mixed>  $request
     * @return array<string, mixed>
     */
    private static function suggest(array $request): array
    {
        $target = self::cents($request['amount']);
        $sets = [[]];

        foreach (self::oldestFirst($request['items']) as $place => $item) {
            foreach ($sets as $set) {
                $sets[] = $set + [$place => $item];
            }
        }

        $exact = array_filter(
            $sets,
            static fn (array $set): bool => $set !== []
                && array_sum(array_map(static fn (array $item): int => self::cents($item['open']), $set)) === $target
                && ! in_array('0.00', array_column($set, 'open'), true),
        );
        usort(
            $exact,
            static fn (array $one, array $other): int => count($one) - count($other)
            ?: array_keys($one) <=> array_keys($other),
        );

        return [
            'matches' => array_map(
                static fn (array $set): array => array_values(array_column($set, 'id')),
                array_slice($exact, 0, 5),
            ),
            'more' => count($exact) > 5,
        ];
    }

    /**
     * @param  array<string, mixed>  $request
     * @return array<string, mixed>
     */
    private static function charge(array $request): array
    {
        $account = $request['account'];

        if ($account === null) {
            return ['decision' => 'refused', 'reasons' => [['code' => 'not_an_account']], 'available' => '0.00'];
        }

        $available = self::cents($account['limit']) - self::cents($account['balance'])
            - self::cents($account['orders']);
        $over = self::cents($request['amount']) - $available;
        $reasons = [];
        $account['on_stop'] && ($reasons[] = ['code' => 'on_stop']);
        $over > 0 && ($reasons[] = ['code' => 'over_limit', 'by' => self::money($over)]);
        $account['oldest_overdue_days'] > $account['allowed_overdue_days'] && ($reasons[] = ['code' => 'overdue']);
        $account['purchase_order_required']
            && ($request['purchase_order'] ?? '') === ''
            && ($reasons[] = ['code' => 'purchase_order_required']);
        $request['buyer_authorised'] || ($reasons[] = ['code' => 'buyer_not_authorised']);

        return [
            'decision' => $reasons === [] ? 'allowed' : ($account['on_stop'] ? 'refused' : 'needs_approval'),
            'reasons' => $reasons,
            'available' => self::money($available),
        ];
    }

    /** @return array<string, mixed> */
    private function charging(): array
    {
        $chance = fn (int $percent): bool => $this->random->getInt(1, 100) <= $percent;

        return [
            'do' => 'charge',
            'currency' => 'USD',
            'amount' => self::money($this->random->getInt(0, 5000)),
            'account' => $chance(10)
                ? null
                : [
                    'limit' => self::money($this->random->getInt(0, 10000)),
                    'balance' => self::money($this->random->getInt(-2000, 11000)),
                    'orders' => self::money($this->random->getInt(0, 500)),
                    'on_stop' => $chance(15),
                    'oldest_overdue_days' => $this->random->getInt(0, 30),
                    'allowed_overdue_days' => $this->random->getInt(0, 30),
                    'purchase_order_required' => $chance(40),
                ],
            'purchase_order' => $chance(50) ? 'PO-1' : null,
            'buyer_authorised' => $chance(80),
        ];
    }

    /** @return list<array<string, string>> */
    private function items(bool $withKind, int $most = 14, int $highest = 90000): array
    {
        $items = [];

        for ($i = 0, $count = $this->random->getInt(0, $most); $i < $count; $i++) {
            $items[] = [
                'id' => 'INV-'.$this->random->getInt(1, 9)."-{$i}",
                ...$withKind ? ['kind' => $this->random->getInt(0, 3) === 0 ? 'credit' : 'charge'] : [],
                'date' => $this->day(),
                'due' => $this->day(),
                'open' => self::money($this->random->getInt(0, $highest)),
            ];
        }

        return $items;
    }

    private function day(): string
    {
        return (new DateTimeImmutable('2027-01-01'))->modify($this->random->getInt(0, 200).' days')->format('Y-m-d');
    }

    /**
     * @param  list<array<string, string>>  $items
     * @return list<array<string, string>>
     */
    private static function oldestFirst(array $items): array
    {
        usort(
            $items,
            static fn (array $one, array $other): int => strcmp($one['due'], $other['due'])
            ?: strcmp($one['date'], $other['date'])
            ?: strnatcmp($one['id'], $other['id']),
        );

        return $items;
    }

    private static function cents(string $money): int
    {
        return (int) str_replace('.', '', $money);
    }

    private static function money(int $cents): string
    {
        return sprintf('%s%d.%02d', $cents < 0 ? '-' : '', intdiv(abs($cents), 100), abs($cents) % 100);
    }
}
