<?php

declare(strict_types=1);

namespace Elmstone\Setup;

use Closure;
use Elmstone\Support\Database\Record;
use Illuminate\Database\QueryException;
use Override;

/**
 * Rows of a table, each with the same fields: places, tills, departments. A row with nothing in it is none; one that is
 * taken away goes only where nothing leans on it.
 *
 * @template T of Record
 */
abstract class RowsSection extends Section
{
    /** MariaDB's word for a row that others lean on. */
    private const LEANED_ON = 1451;

    /** And for one that is there already. */
    private const TWICE = 1062;

    /** @return list<Field> */
    abstract public function fields(): array;

    /** @return iterable<T> in their order */
    abstract protected function records(): iterable;

    /** The field by which a row of a file finds the record it is about. */
    abstract protected function known(): string;

    /**
     * @param  T  $record
     * @return array<string, mixed> its values by field
     */
    abstract protected function values(Record $record): array;

    /** @param  T  $record */
    abstract protected function name(Record $record): string;

    /**
     * Writes a row.
     *
     * @param  T|null  $record null: a new one
     * @param  array<string, mixed>  $values by field
     */
    abstract protected function write(?Record $record, array $values, string $at, Complaints $complaints): void;

    /** After all are written, before the act is over. */
    protected function written(): void
    {
    }

    #[Override]
    public function view(): string
    {
        return 'setup.rows';
    }

    #[Override]
    public function now(): array
    {
        $rows = [];

        foreach ($this->records() as $record) {
            $values = $this->values($record);
            $row = ['id' => (string) $record->getKey()];

            foreach ($this->fields() as $field) {
                $row[$field->name] = $field->typed($values[$field->name] ?? null, $this->currency());
            }

            $rows[] = $row;
        }

        return [$this->key() => $rows];
    }

    #[Override]
    public function words(): array
    {
        $words = [];

        foreach ($this->records() as $record) {
            $values = $this->values($record);

            foreach ($this->fields() as $field) {
                $words["{$this->name($record)}: {$field->label}"] = $field->said(
                    $values[$field->name] ?? null,
                    $this->currency(),
                );
            }
        }

        return $words;
    }

    #[Override]
    public function summary(): string
    {
        $names = [];

        foreach ($this->records() as $record) {
            $names[] = $this->name($record);
        }

        return implode(' · ', $names);
    }

    #[Override]
    public function keep(array $given): void
    {
        $complaints = new Complaints;
        $records = [];

        foreach ($this->records() as $record) {
            $records[(string) $record->getKey()] = $record;
        }

        $seen = [];

        foreach (is_array($given[$this->key()] ?? null) ? array_values($given[$this->key()]) : [] as $i => $row) {
            $row = is_array($row) ? $row : [];
            $at = "{$this->key()}.{$i}";
            $record = $this->recordOf($row, $records);

            if ($record !== null && ($row['remove'] ?? '') === '1') {
                $this->remove($record, $at, $complaints);
            } elseif ($record !== null || ! $this->isBlank($row)) {
                $this->one($record, $row, $at, $complaints, $seen);
            }
        }

        $complaints->end();
        $this->written();
    }

    #[Override]
    public function isReady(): bool
    {
        foreach ($this->records() as $_) {
            return true;
        }

        return false;
    }

    /**
     * @param  T|null  $record
     * @param  array<mixed>  $row
     * @param  array<string, true>  $seen
     */
    private function one(?Record $record, array $row, string $at, Complaints $complaints, array &$seen): void
    {
        $values = [];

        foreach ($this->fields() as $field) {
            $values[$field->name] = $complaints->read(
                "{$at}.{$field->name}",
                fn (): mixed => $field->read($row[$field->name] ?? '', $this->currency()),
            );
        }

        $known = is_scalar($values[$this->known()]) ? mb_strtolower((string) $values[$this->known()]) : '';

        if (isset($seen[$known])) {
            $complaints->say("{$at}.{$this->known()}", 'That is there already.');

            return;
        }

        $seen[$known] = true;
        $complaints->areOf($at) || $this->fit(
            fn () => $this->write($record, $values, $at, $complaints),
            fn () => $complaints->say("{$at}.{$this->known()}", 'That is there already.'),
            self::TWICE,
        );
    }

    /** @param  T  $record */
    private function remove(Record $record, string $at, Complaints $complaints): void
    {
        $this->fit(
            static fn () => $record->delete(),
            fn () => $complaints->say("{$at}.{$this->known()}", "{$this->name($record)} is in use, and stays."),
            self::LEANED_ON,
        );
    }

    /**
     * @param  Closure(): mixed  $write
     * @param  Closure(): mixed  $otherwise where the database refuses it with that number
     */
    private function fit(Closure $write, Closure $otherwise, int $number): void
    {
        try {
            $write();
        } catch (QueryException $failure) {
            ($failure->errorInfo[1] ?? 0) === $number || throw $failure;
            $otherwise();
        }
    }

    /**
     * @param  array<mixed>  $row
     * @param  array<string, T>  $records by id
     * @return T|null
     */
    private function recordOf(array $row, array $records): ?Record
    {
        $id = $row['id'] ?? '';

        if (is_scalar($id) && (string) $id !== '') {
            return $records[(string) $id] ?? null;
        }

        $known = $row[$this->known()] ?? '';

        foreach ($records as $record) {
            $value = $this->values($record)[$this->known()] ?? '';

            if (is_scalar($known) && is_scalar($value) && (string) $known !== ''
                && mb_strtolower((string) $value) === mb_strtolower(trim((string) $known))) {
                return $record;
            }
        }

        return null;
    }

    /** @param  array<mixed>  $row */
    private function isBlank(array $row): bool
    {
        foreach ($this->fields() as $field) {
            $typed = $row[$field->name] ?? '';

            if (in_array($field->kind, [FieldKind::Text, FieldKind::Number], true)
                && is_scalar($typed) && trim((string) $typed) !== '') {
                return false;
            }
        }

        return true;
    }
}
