<?php

declare(strict_types=1);

namespace Elmstone\Support;

use Illuminate\Contracts\Events\Dispatcher;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Database\Events\TransactionBeginning;
use LogicException;

/**
 * The order in which a transaction takes its locks, and a watch over it that tests switch on: whoever takes a lock of a
 * lower rank than one it has already, and has not taken before, could wait in a circle with another till. What belongs
 * to one account, slip or layaway (open items, questions to terminals) is under its lock and has no rank of its own.
 * docs/decisions/0005 states the ladder in words.
 */
final class LockLadder
{
    /** Tables by rank, from the one that is locked first. Rows of one table are taken in the order of their keys. */
    public const RANKS = [
        'web_orders', 'slips', 'slip_returns', 'money_gates', 'safes', 'house_accounts', 'account_groups',
        'held_accounts', 'gift_cards', 'agreements', 'purchases', 'transfers', 'coupons', 'documents', 'customers',
        'items', 'stock', 'item_serials', 'series', 'till_sessions', 'locations', 'shop',
    ];

    /** Rows under the lock of what they belong to: table, whose lock, and what finds those that belong to nothing. */
    private const UNDER = ['held_accounts' => [['gift_cards', 'agreements'], 'customer_id']];

    private int $highest = -1;

    private string $highestSql = '';

    /** @var array<string, true> what is held already: whole statements, and tables that may be written again */
    private array $held = [];

    private string $lastSeries = '';

    /** @var array<string, true> kinds of document whose series is held */
    private array $series = [];

    private function __construct(private readonly int $outside)
    {
    }

    /**
     * Watches a connection from now on. Transactions that are open already, as a test's own, are not counted.
     *
     * @param  int  $outside how many transactions are open around what is watched
     */
    public static function watch(Dispatcher $events, int $outside = 0): void
    {
        $ladder = new self($outside);
        $events->listen(
            TransactionBeginning::class,
            static fn (TransactionBeginning $event) => $event->connection->transactionLevel() === $outside + 1
                ? $ladder->forget()
                : null,
        );
        $events->listen(QueryExecuted::class, static fn (QueryExecuted $event) => $ladder->see($event));
    }

    private function forget(): void
    {
        [$this->highest, $this->highestSql, $this->held, $this->lastSeries, $this->series] = [-1, '', [], '', []];
    }

    /** @throws LogicException where a lock is taken out of order */
    private function see(QueryExecuted $query): void
    {
        if ($query->connection->transactionLevel() <= $this->outside) {
            return;
        }

        if (
            preg_match('/^insert (?:ignore )?into `?(\w+)`?/i', $query->sql, $made) === 1
            && ! str_contains(strtolower($query->sql), 'on duplicate key')
        ) {
            // A row that was just made is its maker's own.
            $this->held[$made[1]] = true;

            return;
        }

        $table = self::locked($query->sql);
        $rank = array_search($table, self::RANKS, true);

        if ($table === null || ! is_int($rank) || $this->isUnder($table, $query->sql)) {
            return;
        }

        $this->assertSeriesInOrder($table, $query);
        $writes = ! str_starts_with(strtolower($query->sql), 'select');
        $statement = $query->sql.json_encode($query->bindings);

        if ($rank < $this->highest && ! isset($this->held[$statement]) && ! ($writes && isset($this->held[$table]))) {
            throw new LogicException(
                "A lock on {$table} is taken after one of a higher "
                    ."rank.\nfirst: {$this->highestSql}\nthen: {$query->sql}",
            );
        }

        $this->held[$statement] = $this->held[$table] = true;

        if ($rank > $this->highest) {
            [$this->highest, $this->highestSql] = [$rank, $query->sql];
        }
    }

    /** Whether its rows are locked with what they belong to, which is locked already. */
    private function isUnder(string $table, string $sql): bool
    {
        [$owners, $own] = self::UNDER[$table] ?? [[], ''];
        $isUnder = ! str_contains($sql, $own) && array_intersect_key($this->held, array_flip($owners)) !== [];
        $isUnder && ($this->held[$table] = true);

        return $isUnder;
    }

    /** @throws LogicException where a series is taken after one whose kind comes later */
    private function assertSeriesInOrder(string $table, QueryExecuted $query): void
    {
        foreach ($table === 'series' ? array_filter($query->bindings, is_string(...)) : [] as $kind) {
            if ($kind < $this->lastSeries && ! isset($this->series[$kind])) {
                throw new LogicException(
                    "The series {$kind} is taken after {$this->lastSeries}: reserve them together.",
                );
            }

            $this->series[$kind] = true;
            $this->lastSeries = max($this->lastSeries, $kind);
        }
    }

    /** The table whose existing rows a statement locks; null: none that others wait for. */
    private static function locked(string $sql): ?string
    {
        $found = preg_match(
            '/^select .*? from `?(\w+)`?.*(?:for update|lock in share mode)(?: skip locked)?$/is',
            $sql,
            $match,
        ) === 1
            || preg_match('/^update `?(\w+)`?/i', $sql, $match) === 1
            || preg_match('/^insert into `?(\w+)`? .*on duplicate key update/is', $sql, $match) === 1;

        return $found ? $match[1] : null;
    }
}
