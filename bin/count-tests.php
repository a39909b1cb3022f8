<?php

declare(strict_types=1);

/*
 * The last line of ./elmstone test: how many tests passed and failed, in all suites together.
 * Arguments: steps that failed, seconds it took, JUnit logs.
 */

[, $steps, $seconds] = $argv;
$tests = $failures = $skipped = 0;

foreach (array_slice($argv, 3) as $log) {
    $xml = simplexml_load_file($log);

    foreach ($xml === false ? [] : $xml->testsuite as $suite) {
        $tests += (int) $suite['tests'];
        $failures += (int) $suite['failures'] + (int) $suite['errors'];
        $skipped += (int) $suite['skipped'];
    }
}

if ((int) $steps > 0 && $failures === 0) {
    $failures = (int) $steps;
}

printf(
    "took %d s\n%d passed, %d failed, %d skipped\n",
    $seconds,
    max(0, $tests - $failures - $skipped),
    $failures,
    $skipped,
);
exit($failures > 0 || $tests === 0 ? 1 : 0);
