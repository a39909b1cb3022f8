<?php

declare(strict_types=1);

namespace Elmstone\Support\Database;

use Illuminate\Support\Facades\DB;

/** What the database itself holds rows to, for migrations: checks, and triggers that refuse what none of ours does. */
final class Rows
{
    /** A condition every row meets. */
    public static function check(string $table, string $name, string $condition): void
    {
        DB::statement("ALTER TABLE {$table} ADD CONSTRAINT {$name} CHECK ({$condition})");
    }

    /** Rows that are never changed or deleted once they stand there. */
    public static function keep(string $table, ?string $words = null): void
    {
        foreach (['UPDATE', 'DELETE'] as $act) {
            $message = 'Posted is posted: '.($words ?? "{$table} rows are never changed");
            self::refuse($table, $act, 'no_'.strtolower($act), null, $message);
        }
    }

    /**
     * @param  'INSERT'|'UPDATE'|'DELETE'  $act
     * @param  string  $name what the trigger is called after its table's name
     * @param  string|null  $condition SQL over OLD and NEW; where it holds, the act is refused; null: always
     * @param  string  $message what is said then
     */
    public static function refuse(string $table, string $act, string $name, ?string $condition, string $message): void
    {
        $signal = "SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = '{$message}'";
        $body = $condition === null ? $signal : "IF {$condition} THEN {$signal}; END IF";
        DB::unprepared("CREATE TRIGGER {$table}_{$name} BEFORE {$act} ON {$table} FOR EACH ROW {$body}");
    }

    /** Whoever adds a row or changes one is counted beside what it belongs to: what is kept of it is behind then. */
    public static function counts(string $table, string $counted, string $owner, string $counter): void
    {
        foreach (['INSERT', 'UPDATE'] as $act) {
            $name = "{$table}_counted_on_".strtolower($act);
            DB::unprepared(
                "CREATE TRIGGER {$name} AFTER {$act} ON {$table} FOR EACH ROW INSERT INTO {$counted} "
                    ."({$owner}, {$counter}) VALUES (NEW.{$owner}, 1) ON DUPLICATE KEY UPDATE "
                    ."{$counter} = {$counter} + 1",
            );
        }
    }

    /**
     * Whoever changes a table, by whatever way, gives another mark to what is kept of it.
     *
     * @param  string  $state the table of one row that has the mark
     * @param  string|null  $counter a column that counts, and whose change is none
     */
    public static function marks(string $table, string $state, ?string $counter): void
    {
        foreach (['INSERT', 'UPDATE', 'DELETE'] as $act) {
            $mark = "UPDATE {$state} SET mark = UUID()";
            $body = $counter !== null && $act === 'UPDATE'
                    ? "IF NEW.{$counter} = OLD.{$counter} THEN {$mark}; END IF"
                    : $mark;
            $name = "{$table}_marked_on_".strtolower($act);
            DB::unprepared("CREATE TRIGGER {$name} AFTER {$act} ON {$table} FOR EACH ROW {$body}");
        }
    }
}
