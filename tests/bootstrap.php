<?php

declare(strict_types=1);

require __DIR__.'/../vendor/autoload.php';

if (
    getenv('DB_PORT') === false
    && array_filter(
        $_SERVER['argv'] ?? [],
        static fn (string $argument): bool => preg_match('/feature|proofs|browser/', $argument) === 1,
    ) !== []
) {
    fwrite(
        STDERR,
        "The database of the tests is started by ./elmstone test; ./elmstone test feature runs one suite.\n",
    );
    exit(1);
}
