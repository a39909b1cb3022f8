<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Catalogue\Markdowns\Proposals;
use Elmstone\Catalogue\Markdowns\TakeMarkdowns;
use Elmstone\Counter\Post\PostSale;
use Elmstone\Staff\Staff;
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
        // From elsewhere only where it is said, and nothing that is no address.
        $this->assertSame(0, Artisan::call('house:grants', ['user' => 'elmstone_till', '--from' => '127.0.0.1']));
        $this->assertSame(1, Artisan::call('house:grants', ['user' => 'elmstone_till', '--from' => "%' WITH GRANT"]));
    }

    public function test_the_user_who_serves_can_work_out_the_mornings_prices_and_take_them(): void
    {
        Artisan::call('house:grants', ['user' => 'elmstone_till']);
        config(['database.connections.till' => [
            ...config('database.connections.mariadb'),
            'username' => 'elmstone_till',
            'password' => (string) getenv('DB_TILL_PASSWORD'),
        ]]);
        DB::setDefaultConnection('till');
        DB::table('markdown_steps')->insert(['department_id' => 1, 'after' => 5, 'percent' => '10']);
        $this->travel(30)->days();
        app(Proposals::class)->anew();
        $waiting = Proposals::waiting();
        $this->assertGreaterThan(0, $waiting);
        app(Proposals::class)->anew();
        $by = Staff::query()->where('number', '901')->sole();
        $this->assertSame([$waiting, 0], app(TakeMarkdowns::class)->handle(Proposals::version(), 0, [], $by));
    }
}
