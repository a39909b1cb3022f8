<?php

declare(strict_types=1);

/*
 * Seals and opens backups, from standard input to standard output, without the application: what is left after a fire
 * may be this and a file. Arguments: new-key <file of the public half>, seal <that file>, or open, with the private
 * half in ELMSTONE_BACKUP_KEY.
 */

use Elmstone\Core\Money\Refused;
use Elmstone\Upkeep\Vault;

require dirname(__DIR__).'/vendor/autoload.php';

try {
    match ($argv[1] ?? '') {
        'new-key' => (static function (string $file): void {
            $keys = Vault::newKeys();
            file_put_contents($file, "{$keys['public']}\n");
            echo "{$keys['private']}\n";
        })($argv[2]),
        'seal' => Vault::seal(STDIN, STDOUT, (string) file_get_contents($argv[2])),
        'open' => Vault::open(STDIN, STDOUT, (string) getenv('ELMSTONE_BACKUP_KEY')),
        default => throw new InvalidArgumentException('new-key, seal or open'),
    };
} catch (Refused $refused) {
    fwrite(STDERR, "elmstone: {$refused->getMessage()}\n");
    exit(1);
}
