<?php

declare(strict_types=1);

/*
 * Whether the tests would notice: changes one sign or bound of a rule of the job at a time, in a copy of the core, and
 * wants a test to fail. Says which. Not part of ./elmstone test.
 *
 * php bin/mutate.php
 */

// By the rule in docs/rules.md: file, what stands there, what is put in its place.
$mutations = [
    'Money: amounts are rounded half up' => [
        'core/Money/Money.php', 'RoundingMode::HALF_UP', 'RoundingMode::HALF_DOWN',
    ],
    'Tax: a component on top of another includes its share' => [
        'core/Tax/TaxReckoner.php', '$bases[$i]->plus($share)', '$bases[$i]->minus($share)',
    ],
    'Prices: the lower of two prices holds' => [
        'core/Pricing/PriceBook.php', '$candidate->price->isLessThan($best[1]->price)',
        '$best[1]->price->isLessThan($candidate->price)',
    ],
    'Prices: a promotion holds on its last day' => [
        'core/Pricing/DatedPrice.php', "\$this->until->format('Y-m-d') >= \$day",
        "\$this->until->format('Y-m-d') > \$day",
    ],
    'Prices: below cost is told before below floor' => [
        'core/Pricing/PriceCheck.php', '$belowCost->isPositive() => self::BelowCost',
        '$belowCost->isNegative() => self::BelowCost',
    ],
    'Accounts: thirty days late belong to the first band' => [
        'core/Receivables/AgeBand.php', 'self::To30 => 30', 'self::To30 => 29',
    ],
    'Accounts: what is charged on the day itself is aged' => [
        'core/Receivables/Ageing.php', "\$item->date->format('Y-m-d') <= \$day",
        "\$item->date->format('Y-m-d') < \$day",
    ],
    'Accounts: overdue by as long as is allowed is not too long' => [
        'core/Receivables/Standing.php', '$this->oldestOverdueDays > $this->allowedOverdueDays',
        '$this->oldestOverdueDays >= $this->allowedOverdueDays',
    ],
    'Finance charges: only beyond the days of grace' => [
        'core/Receivables/FinanceCharge.php', '$item->daysLate($asOf) > $graceDays',
        '$item->daysLate($asOf) >= $graceDays',
    ],
    'Layaways: an instalment due today is not missed' => [
        'core/Layaway/Ladder.php', "\$instalment->due->format('Y-m-d') < \$day->format('Y-m-d')",
        "\$instalment->due->format('Y-m-d') <= \$day->format('Y-m-d')",
    ],
    'Gift cards: the check digit' => [
        'core/Credits/CardCode.php', '$value > 9 ? $value - 9 : $value', '$value > 9 ? $value - 8 : $value',
    ],
];

/** @return list<string> the tests that fail in a tree */
function failing(string $tree): array
{
    $log = "{$tree}/log.xml";
    $phpunit = 'php vendor/bin/phpunit -c core.xml --log-junit '.escapeshellarg($log);
    exec('cd '.escapeshellarg($tree)." && {$phpunit} 2>&1");
    $xml = is_file($log) ? simplexml_load_file($log) : false;
    $failed = $xml === false ? [] : $xml->xpath('//testcase[failure or error]');
    $names = [];

    foreach (is_array($failed) ? $failed : [] as $case) {
        $class = basename(str_replace('\\', '/', (string) $case['class']));
        $names[] = $class.'::'.preg_replace('/ with data.*/', '', (string) $case['name']);
    }

    return array_values(array_unique($names));
}

$house = dirname(__DIR__);
$tree = sys_get_temp_dir().'/mutate-'.bin2hex(random_bytes(4));
mkdir("{$tree}/tests", recursive: true);
exec('cp -r '.escapeshellarg("{$house}/core").' '.escapeshellarg("{$tree}/core"));
exec('cp -r '.escapeshellarg("{$house}/tests/Core").' '.escapeshellarg("{$tree}/tests/Core"));
symlink("{$house}/vendor", "{$tree}/vendor");
file_put_contents("{$tree}/own.php", <<<'PHP'
    <?php
    spl_autoload_register(static function (string $class): void {
        $file = str_replace('\\', '/', preg_replace('/^Elmstone\\\\Core\\\\/', 'core/', $class));
        $file = str_replace('\\', '/', preg_replace('#^Elmstone/Tests/#', 'tests/', $file));
        is_file(__DIR__."/{$file}.php") && require __DIR__."/{$file}.php";
    }, prepend: true);
    PHP);
file_put_contents("{$tree}/boot.php", "<?php require __DIR__.'/vendor/autoload.php'; require __DIR__.'/own.php';\n");
file_put_contents("{$tree}/core.xml", <<<'XML'
    <phpunit bootstrap="boot.php" stopOnFailure="false" cacheDirectory=".cache">
        <testsuites>
            <testsuite name="core">
                <directory>tests/Core</directory>
                <exclude>tests/Core/ReckonTest.php</exclude>
            </testsuite>
        </testsuites>
    </phpunit>
    XML);

$before = failing($tree);
$silent = $before === [] ? [] : ['without any change: '.implode(', ', $before)];

foreach ($before === [] ? $mutations : [] as $rule => [$file, $stands, $instead]) {
    $source = (string) file_get_contents("{$house}/{$file}");
    $changed = str_replace($stands, $instead, $source);

    if ($changed === $source) {
        $silent[] = "{$rule}: what is to be changed does not stand in {$file} any more";

        continue;
    }

    file_put_contents("{$tree}/{$file}", $changed);
    $failed = failing($tree);
    file_put_contents("{$tree}/{$file}", $source);
    $failed === [] && $silent[] = "{$rule}: no test noticed";
    $more = count($failed) > 1 ? ' and '.(count($failed) - 1).' more' : '';
    printf("%-62s %s\n", $rule, $failed === [] ? 'NOBODY' : $failed[0].$more);
}

exec('rm -rf '.escapeshellarg($tree));
fwrite(STDERR, $silent === [] ? "every change was noticed\n" : implode("\n", $silent)."\n");
exit($silent === [] ? 0 : 1);
