<?php

declare(strict_types=1);

namespace Elmstone\Support\Database;

use Closure;
use Elmstone\Core\Money\Money;
use Illuminate\Database\MariaDbConnection;

/**
 * A connection that takes money as it is, and can do something at the end of a transaction, when everything in it is
 * written and before it stands.
 */
final class HouseConnection extends MariaDbConnection
{
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
     * @param  int  $attempts
     * @return mixed what the callback answers
     */
    // @phpstan-ignore method.childParameterType (the framework's own annotations disagree with each other)
    public function transaction(Closure $callback, $attempts = 1)
    {
        return parent::transaction(function ($connection) use ($callback) {
            $isOutermost = $this->transactionLevel() === $this->outside + 1;
            $isOutermost && ($this->beforeCommit = []);
            $result = $callback($connection);

            while ($isOutermost && $this->beforeCommit !== []) {
                array_shift($this->beforeCommit)();
            }

            return $result;
        }, max(1, $attempts));
    }
}
