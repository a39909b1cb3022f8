<?php

declare(strict_types=1);

namespace Elmstone\Support\Tables;

use Elmstone\Core\Money\Refused;

/**
 * A table of the house that goes out as a file and comes in as one, the same in both directions (tag: `tables`). What
 * comes in is looked at first, every row of it; then all of it is brought in, or nothing.
 */
interface BringsIn
{
    /** In addresses. */
    public function key(): string;

    public function title(): string;

    /** @return list<string> abilities of whoever brings it in or takes it out, besides that of files */
    public function abilities(): array;

    /** How its rows are read, in a few sentences. */
    public function words(): string;

    /** @return list<string> */
    public function columns(): array;

    /** @return list<string> those without which a row says nothing */
    public function needed(): array;

    /** So many rows a file has, at most. */
    public function most(): int;

    /** @return list<list<string>> rows of the template */
    public function example(): array;

    /** @return iterable<list<string>> what there is */
    public function rows(): iterable;

    /**
     * Looks at every row: what is new, what changes from what to what, and what is wrong.
     *
     * @param  iterable<int, array<string, string>>  $rows by line of the file
     */
    public function check(iterable $rows, ImportReport $report): void;

    /**
     * Brings them in. Called within a transaction where nothing was found wrong just before.
     *
     * @param  iterable<int, array<string, string>>  $rows by line of the file
     * @param  string  $digest of the file: the same file twice is brought in once
     * @param  callable(int=): void  $brought how many more rows are written; without a number, one
     *
     * @throws Refused changed_meanwhile, or whatever stands in its way now
     */
    public function write(iterable $rows, string $digest, callable $brought): void;
}
