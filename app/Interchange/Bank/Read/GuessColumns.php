<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Bank\Read;

use Elmstone\Interchange\CsvRows;

/**
 * Makes out which column of a table says what, by the names in its head, and how dates and amounts are written, by all
 * that are in it.
 */
final class GuessColumns
{
    /** What could be meant either way and has to be asked. */
    public bool $isSure = true;

    private function __construct(public readonly CsvRows $table)
    {
    }

    /**
     * @param  string  $country ISO 3166-1 alpha-2, for what could be meant either way
     * @return array{BankColumns, bool} and whether nothing was left open
     */
    public static function of(CsvRows $table, string $country): array
    {
        $guess = new self($table);
        $names = $guess->names();
        $columns = new BankColumns($names, $guess->dates($names, $country), $guess->mark($names));

        return [$columns, $guess->isSure && $columns->isWhole()];
    }

    /** @return array<string, string> */
    private function names(): array
    {
        $names = [];

        foreach (BankColumns::NAMES as $says => $known) {
            $found = array_values(array_intersect($known, array_diff($this->table->head, $names)))[0] ?? null;
            $found === null || ($names[$says] = $found);
        }

        // Where money in and out have columns of their own, an amount beside them is something else.
        if (isset($names['in'], $names['out'])) {
            unset($names['amount']);
        }

        return $names;
    }

    /** @param  array<string, string>  $names */
    private function dates(array $names, string $country): DateOrder
    {
        $usual = $country === 'US' ? DateOrder::MonthFirst : DateOrder::DayFirst;
        $fits = [];

        foreach ($this->cells($names['date'] ?? '') as $cell) {
            foreach (DateOrder::cases() as $order) {
                $fits[$order->value] = ($fits[$order->value] ?? 0) + ($order->read($cell) === null ? 0 : 1);
            }
        }

        arsort($fits);
        $best = array_keys($fits, max([0, ...$fits]), true);
        $this->isSure = $this->isSure
            && (count($best) < 2 || count($best) === count(DateOrder::cases()) || in_array('ymd', $best, true));

        return match (true) {
            $best === [] || in_array('ymd', $best, true) => DateOrder::YearFirst,
            count($best) === 1 => DateOrder::from($best[0]),
            default => $usual,
        };
    }

    /** @param  array<string, string>  $names */
    private function mark(array $names): string
    {
        $votes = ['.' => 0, ',' => 0];
        $open = 0;

        foreach (array_intersect_key($names, ['amount' => true, 'in' => true, 'out' => true]) as $name) {
            foreach ($this->cells($name) as $cell) {
                $amount = BankAmount::of($cell);
                $mark = $amount->mark();
                $mark === '' ? ($open += (int) (preg_match('/[.,]/', $amount->digits) === 1)) : $votes[$mark]++;
            }
        }

        $this->isSure = $this->isSure && ($open === 0 || max($votes) > 0);

        return $votes[','] > $votes['.'] ? ',' : '.';
    }

    /** @return iterable<string> */
    private function cells(string $name): iterable
    {
        foreach ($this->table->rows() as $row) {
            if (($row[$name] ?? '') !== '' && $row[$name] !== $name) {
                yield $row[$name];
            }
        }
    }
}
