<?php

declare(strict_types=1);

namespace Elmstone\Bench;

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PDO;

/** The rows of one posted sale of ten lines, written by plain SQL in one transaction: as fast as the database can. */
final class SqlFloor
{
    /** @var array<string, list<array<string, mixed>>> rows by table */
    private array $rows = [];

    private int $id;

    /** What the floor writes stays clear of what is really sold. */
    public const FIRST_NUMBER = 9_000_000;

    public const FIRST_ID = 5_000_000;

    private int $number;

    public function __construct()
    {
        $id = (int) DB::table('documents')->where('number', '<', self::FIRST_NUMBER)->max('id');
        $floor = DB::table('documents')->where('number', '>=', self::FIRST_NUMBER);
        $this->id = max(self::FIRST_ID, (int) $floor->max('id'), $id);
        $this->number = max(self::FIRST_NUMBER, (int) $floor->max('number'));

        foreach (
            [
                'documents' => 'id',
                'document_lines' => 'document_id',
                'document_line_taxes' => 'document_id',
                'document_taxes' => 'document_id',
                'document_tenders' => 'document_id',
                'journal_lines' => 'document_id',
                'journal_entries' => 'document_id',
                'stock_movements' => 'document_id',
            ] as $table => $key
        ) {
            foreach (DB::table($table)->where($key, $id)->get() as $row) {
                /** @var array<string, mixed> $columns */
                $columns = array_diff_key((array) $row, $table === 'stock_movements' ? ['id' => 0] : []);
                $this->rows[$table][] = $columns;
            }
        }
    }

    /** Steps over what was really sold since it last sold something itself. */
    public function past(): void
    {
        $this->id = max($this->id, (int) DB::table('documents')->max('id'));
    }

    public function sale(): void
    {
        $pdo = DB::getPdo();
        $pdo->beginTransaction();
        $pdo->query("SELECT last_number FROM series WHERE kind = 'invoice' FOR UPDATE");
        $this->id++;
        $this->number++;

        foreach ($this->rows as $table => $rows) {
            $rows = array_map(
                fn (array $row): array => $table === 'documents'
                    ? [
                        ...$row,
                        'id' => $this->id,
                        'number' => $this->number,
                        'label' => "X-{$this->number}",
                        'idempotency_key' => (string) Str::uuid(),
                    ]
                    : [...$row, 'document_id' => $this->id],
                $rows,
            );
            $this->insert($pdo, $table, $rows);
        }

        $pdo->commit();
    }

    /** @param  list<array<string, mixed>>  $rows */
    private function insert(PDO $pdo, string $table, array $rows): void
    {
        $columns = implode(', ', array_map(static fn (string $column): string => "`{$column}`", array_keys($rows[0])));
        $marks = implode(
            ', ',
            array_fill(0, count($rows), '('.implode(', ', array_fill(0, count($rows[0]), '?')).')'),
        );
        $pdo->prepare("INSERT INTO {$table} ({$columns}) VALUES {$marks}")->execute(
            array_merge(...array_map(array_values(...), $rows)),
        );
    }
}
