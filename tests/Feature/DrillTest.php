<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Elmstone\Core\Money\Refused;
use Elmstone\Tests\TestCase;
use Elmstone\Upkeep\Vault;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Process\Process;

/**
 * The drill: a shop sells, is backed up while it does, sells on, and its database is destroyed; from the backup and the
 * log it is made again to the last second, and to a moment before, and its books prove.
 */
final class DrillTest extends TestCase
{
    use Homes;

    protected function setUp(): void
    {
        parent::setUp();
        $this->makeFolder('drill');
    }

    protected function tearDown(): void
    {
        $this->clearFolder();
        parent::tearDown();
    }

    public function test_a_shop_that_was_destroyed_is_made_again_to_the_last_second_and_to_a_moment(): void
    {
        $this->opens();
        $key = trim($this->fine($this->elmstone('shop', 'backup', 'new-key'))->getOutput());
        $this->sells(2);
        $this->fine($this->elmstone('shop', 'backup'));
        $this->sells(2);
        $this->fine($this->elmstone('shop', 'backup', 'log'));
        sleep(1);
        $moment = gmdate('Y-m-d H:i:s');
        sleep(1);
        $this->sells(1);
        $heads = DB::table('series_heads')->orderBy('kind')->pluck('digest', 'kind')->all();
        self::assertSame(1, DB::table('backups')->count());

        // The machine burns; the disk with the log, and the place of the backups, do not.
        $this->bash('shop', 'kill -9 "$(cat "$HOUSE/db/pid")"; rm -rf "$HOUSE/db"');
        $backup = (glob("{$this->folder}/shop/backups/*.backup") ?: [''])[0];
        $log = "{$this->folder}/shop/binlog";

        $this->restores('whole', $backup, $key, "--log={$log}");
        $this->goesTo('whole');
        self::assertSame(5, Document::query()->where('kind', 'invoice')->count());
        self::assertSame($heads, DB::table('series_heads')->orderBy('kind')->pluck('digest', 'kind')->all());
        // It goes on: the next sale has the next number.
        $this->sells(1);
        self::assertSame(6, (int) Document::query()->where('kind', 'invoice')->max('number'));

        $this->restores('moment', $backup, $key, "--log={$log}", "--until={$moment}");
        $this->goesTo('moment');
        self::assertSame(4, Document::query()->where('kind', 'invoice')->count());

        // From the sealed copies alone: up to the last one that was carried away.
        $this->restores('sealed', $backup, $key, "--log={$this->folder}/shop/backups/log");
        $this->goesTo('sealed');
        self::assertSame(4, Document::query()->where('kind', 'invoice')->count());

        $this->refuses($backup, $key);
    }

    /** What a backup is not made a shop of. */
    private function refuses(string $backup, string $key): void
    {
        $refused = fn (string $words, string $file, string $key, string ...$more) => self::assertStringContainsString(
            $words,
            $this->restore('not', $file, $key, ...$more)->getErrorOutput(),
        );
        $refused('another key', $backup, Vault::newKeys()['private']);
        $refused('there is a shop', $backup, $key, "--into={$this->folder}/whole");
        $refused('is no moment', $backup, $key, '--until=soon');
        $bytes = (string) file_get_contents($backup);
        file_put_contents("{$backup}.cut.backup", substr($bytes, 0, -40));
        $refused('damaged', "{$backup}.cut.backup", $key);
        file_put_contents($backup, strrev($bytes));
        $refused('its digest is another', $backup, $key);
        self::assertFalse(is_dir("{$this->folder}/not/db"));
        // Nobody makes one without a key, and nobody takes another by mistake.
        self::assertStringContainsString('new-key', $this->bash('keyless', 'bash bin/backup.sh')->getErrorOutput());
        self::assertStringContainsString('a key already', $this->bash('shop', 'bash bin/backup.sh new-key')
            ->getErrorOutput());
    }

    /** @return iterable<string, array{int}> sizes around the pieces it is sealed in */
    public static function sizes(): iterable
    {
        foreach ([0, 1, (1 << 20) - 1, 1 << 20, (1 << 20) + 1, 3 << 20] as $size) {
            yield "{$size} bytes" => [$size];
        }
    }

    #[DataProvider('sizes')]
    public function test_what_is_sealed_opens_with_its_key_and_no_bit_of_it_can_be_changed(int $size): void
    {
        ['public' => $public, 'private' => $private] = Vault::newKeys();
        $said = $size === 0 ? '' : random_bytes($size);
        $sealed = self::through(static fn ($in, $out) => Vault::seal($in, $out, $public), $said);
        self::assertSame($said, self::through(static fn ($in, $out) => Vault::open($in, $out, $private), $sealed));

        foreach ([20, 110, intdiv(strlen($sealed), 2), strlen($sealed) - 1] as $at) {
            $changed = $sealed;
            $changed[$at] = chr(ord($changed[$at]) ^ 1);
            self::assertNotNull(self::refusal($changed, $private), "byte {$at} was changed and nobody saw it");
        }

        self::assertNotNull(self::refusal(substr($sealed, 0, -1), $private));
        self::assertNotNull(self::refusal("{$sealed}x", $private));
        self::assertNotNull(self::refusal('', $private));
    }

    private static function refusal(string $sealed, string $private): ?string
    {
        try {
            self::through(static fn ($in, $out) => Vault::open($in, $out, $private), $sealed);
        } catch (Refused $refused) {
            return $refused->getMessage();
        }

        return null;
    }

    private static function through(\Closure $work, string $bytes): string
    {
        $in = fopen('php://temp', 'w+b') ?: throw new \RuntimeException('no memory');
        $out = fopen('php://temp', 'w+b') ?: throw new \RuntimeException('no memory');
        fwrite($in, $bytes);
        rewind($in);
        $work($in, $out);
        rewind($out);

        return (string) stream_get_contents($out);
    }

    /** A shop of one's own, made from the file that ships. */
    private function opens(): void
    {
        $this->home('shop');
        $this->fine($this->bash('shop', implode(' && ', [
            'use_database "$HOUSE/db"', 'php artisan migrate --force -q',
            'php artisan shop:install --from=deploy/shop.example.json', 'php artisan house:grants elmstone_till',
        ])));
        $this->goesTo('shop');
    }

    private function sells(int $many): void
    {
        for ($i = 0; $i < $many; $i++) {
            OwnShop::sells($this, '10', '730194');
        }
    }

    private function restores(string $home, string $backup, string $key, string ...$more): void
    {
        $restored = $this->fine($this->restore($home, $backup, $key, ...$more));
        self::assertStringContainsString('restored to', $restored->getErrorOutput());
    }

    private function restore(string $home, string $backup, string $key, string ...$more): Process
    {
        return $this->process(
            ['./elmstone', 'restore', $backup, "--into={$this->folder}/{$home}", ...array_values($more)],
            ['ELMSTONE_BACKUP_KEY' => $key],
        );
    }
}
