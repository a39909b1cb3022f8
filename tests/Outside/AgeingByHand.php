<?php

declare(strict_types=1);

namespace Elmstone\Tests\Outside;

use PDO;

/**
 * The ageing of every account on every day, reckoned a second time from the journal and from what was set against what,
 * in plain whole cents. Written from the rules' text and the table's columns alone: nothing of the application is used.
 */
final readonly class AgeingByHand
{
    public function __construct(private PDO $database, private string $receivables)
    {
    }

    /**
     * @return array<string, array<int, array<string, int>>> cents by column, and the balance, by day and customer;
     *     those with nothing open are left out
     */
    public function everyDay(string $first, string $last): array
    {
        $items = $this->items();
        $set = $this->set();
        $days = [];

        for ($day = strtotime("{$first} UTC"); $day <= strtotime("{$last} UTC"); $day += 86400) {
            $on = gmdate('Y-m-d', $day);
            $days[$on] = self::day($items, $set, $on, intdiv($day, 86400));
        }

        return $days;
    }

    /**
     * @return array<int, array{customer: int, day: string, due: int, moved: int}> by document: what it did to
     *     receivables
     */
    private function items(): array
    {
        $rows = $this->database->prepare(
            'SELECT d.id, COALESCE(i.customer_id, d.customer_id) AS customer, d.business_date, i.due_date,
                SUM(l.debit) - SUM(l.credit) AS moved
            FROM journal_lines l JOIN documents d ON d.id = l.document_id JOIN open_items i ON i.document_id = d.id
            WHERE l.account = ?
            GROUP BY d.id, i.customer_id, d.customer_id, d.business_date, i.due_date',
        );
        $rows->execute([$this->receivables]);
        $items = [];

        foreach ($rows->fetchAll(PDO::FETCH_ASSOC) as $row) {
            $items[(int) $row['id']] = [
                'customer' => (int) $row['customer'],
                'day' => $row['business_date'],
                'due' => intdiv((int) strtotime("{$row['due_date']} UTC"), 86400),
                'moved' => (int) $row['moved'],
            ];
        }

        return $items;
    }

    /** @return list<array{int, int, int, string}> credit, charge, cents, day */
    private function set(): array
    {
        return array_map(
            static fn (array $row): array => [(int) $row[0], (int) $row[1], (int) $row[2], $row[3]],
            $this->database
                ->query('SELECT credit_id, charge_id, amount, business_date FROM allocations')
                ->fetchAll(PDO::FETCH_NUM),
        );
    }

    /**
     * @param  array<int, array{customer: int, day: string, due: int, moved: int}>  $items
     * @param  list<array{int, int, int, string}>  $set
     * @return array<int, array<string, int>>
     */
    private static function day(array $items, array $set, string $on, int $number): array
    {
        $open = [];

        foreach ($items as $id => $item) {
            if ($item['day'] <= $on) {
                $open[$id] = $item['moved'];
            }
        }

        foreach ($set as [$credit, $charge, $cents, $day]) {
            if ($day <= $on) {
                $open[$credit] = ($open[$credit] ?? 0) + $cents;
                $open[$charge] = ($open[$charge] ?? 0) - $cents;
            }
        }

        $accounts = [];

        foreach (array_filter($open, static fn (int $cents): bool => $cents !== 0) as $id => $cents) {
            $accounts[$items[$id]['customer']] ??= [
                'not_due' => 0,
                '1-30' => 0,
                '31-60' => 0,
                '61-90' => 0,
                'over_90' => 0,
                'unused_credit' => 0,
                'balance' => 0,
            ];
            $accounts[$items[$id]['customer']][
                $items[$id]['moved'] < 0 ? 'unused_credit' : self::column($number - $items[$id]['due'])
            ] += $cents;
            $accounts[$items[$id]['customer']]['balance'] += $cents;
        }

        ksort($accounts);

        return $accounts;
    }

    private static function column(int $days): string
    {
        return match (true) {
            $days <= 0 => 'not_due',
            $days <= 30 => '1-30',
            $days <= 60 => '31-60',
            $days <= 90 => '61-90',
            default => 'over_90',
        };
    }
}
