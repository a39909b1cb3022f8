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
}
