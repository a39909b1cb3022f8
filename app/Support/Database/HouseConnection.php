<?php

declare(strict_types=1);

namespace Elmstone\Support\Database;

use Closure;
use Elmstone\Core\Money\Money;
use Elmstone\Support\Database\Cluster\NotTheWriter;
use Elmstone\Support\Database\Cluster\Turn;
use Illuminate\Database\MariaDbConnection;
use PDO;
use PDOException;
use Throwable;

/**
 * A connection that takes money as it is, and can do something at the end of a transaction, when everything in it is
 * written and before it stands.
 */
final class HouseConnection extends MariaDbConnection
{
    /** How often what fails its certification is done in all. */
    private const CERTIFIED = 4;

    /** How many ends of turns one act goes through. */
    private const TURNS = 4;

    /** How many transactions are open around those of the application, as a test's own. */
    public int $outside = 0;

    /** @var array<string, Closure(): void> by what it is for: the same is done once */
    private array $beforeCommit = [];

    /**
     * Money goes into a column as its minor units.
     *
     * @param  array<array-key, mixed>  $bindings
     * @return array<array-key, mixed>
     */
    public function prepareBindings(array $bindings): array
    {
        foreach ($bindings as $key => $value) {
            $value instanceof Money && ($bindings[$key] = $value->minor);
        }

        return parent::prepareBindings($bindings);
    }

    /**
     * Of what nobody listens to nobody is told: a page asks the database dozens of things.
     *
     * @param  mixed  $event an object, as the framework makes them
     */
    protected function event($event): void
    {
        is_object($event)
            && $this->events?->hasListeners($event::class) === true
            && $this->events->dispatch($event);
    }

    /**
     * @param  Closure(): void  $act
     * @return bool whether it is the first of this transaction
     */
    public function beforeCommit(string $what, Closure $act): bool
    {
        $isFirst = ! isset($this->beforeCommit[$what]);
        $this->beforeCommit[$what] ??= $act;

        return $isFirst;
    }

    /**
     * In a cluster it hangs on the turn of the node it is on. Where that ended meanwhile, or what was written did not
     * stand before another node's, it is done again: there nothing of it was.
     *
     * @param  int  $attempts
     * @return mixed what the callback answers
     */
    // @phpstan-ignore method.childParameterType (the framework's own annotations disagree with each other)
    public function transaction(Closure $callback, $attempts = 1)
    {
        $isOutermost = $this->transactionLevel() === $this->outside;
        $hangs = $isOutermost && ($this->getConfig('nodes') ?? []) !== [];

        for ($turns = 1; ; $turns++) {
            try {
                return $this->whole($callback, max($hangs ? self::CERTIFIED : 1, $attempts), $hangs);
            } catch (NotTheWriter $ended) {
                $turns < self::TURNS || throw $ended;
                $this->reconnect();
            } catch (Throwable $failure) {
                $isOutermost && $this->leaveNoneOpen();

                throw $failure;
            }
        }
    }

    /**
     * A commit that failed may leave the transaction open on the server, and whatever this request wrote after it, of
     * its session say, would be a part of it.
     */
    private function leaveNoneOpen(): void
    {
        try {
            $this->outside === 0 && $this->pdo instanceof PDO && $this->pdo->inTransaction() && $this->pdo->rollBack();
        } catch (PDOException) {
            // Nor does it roll back: with the connection, the server ends what was open on it.
            $this->disconnect();
        }
    }

    /** @param  int<1, max>  $attempts */
    private function whole(Closure $callback, int $attempts, bool $hangs): mixed
    {
        return parent::transaction(function ($connection) use ($callback, $hangs) {
            $isOutermost = $this->transactionLevel() === $this->outside + 1;
            $isOutermost && ($this->beforeCommit = []);
            $hangs && Turn::hangOn($this);
            $result = $callback($connection);

            while ($isOutermost && $this->beforeCommit !== []) {
                array_shift($this->beforeCommit)();
            }

            return $result;
        }, $attempts);
    }
}
