<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Counter\Post\PostSale;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use PDO;
use PDOException;

/** Two users of the database: one makes the tables, one serves, and may do no more than that. */
final class GrantsTest extends RaceCase
{
    public function test_the_user_who_serves_cannot_change_what_is_posted_nor_the_tables(): void
    {
        [$slip, $act] = $this->settled(1, ['LH-1140']);
        app(PostSale::class)->handle($slip, $act);
        // What it could before, as after an upgrade, it cannot any more.
        DB::statement("GRANT UPDATE, DELETE ON documents TO 'elmstone_till'@'127.0.0.1'");
        $this->assertSame(0, Artisan::call('house:grants', ['user' => 'elmstone_till']));
        $config = config('database.connections.mariadb');
        $till = new PDO(
            "mysql:host={$config['host']};port={$config['port']};dbname={$config['database']}",
            'elmstone_till',
            (string) getenv('DB_TILL_PASSWORD'),
            [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION],
        );

        foreach (
            [
                'UPDATE documents SET note = 1', 'DELETE FROM document_lines', 'DROP TRIGGER document_lines_no_update',
                'ALTER TABLE documents ADD x INT', 'DROP TABLE documents', 'TRUNCATE slips',
                'UPDATE security_log SET about = 1', 'UPDATE open_items SET due_date = 1',
                'UPDATE series SET prefix = 1', 'CREATE TABLE x (y INT)',
                'GRANT ALL ON documents TO elmstone_till@127.0.0.1',
            ] as $statement
        ) {
            try {
                $till->exec($statement);
                $this->fail("{$statement} was done.");
            } catch (PDOException $refused) {
                $this->assertMatchesRegularExpression('/denied/', $refused->getMessage(), $statement);
            }
        }

        $this->assertSame(0, $till->exec('UPDATE slips SET version = version WHERE id = 0'));
    }
}
