<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Elmstone\Customers\Customer;
use Elmstone\Staff\Staff;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Http\UploadedFile;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route as Routes;
use Illuminate\Support\Str;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Every route is asked in shapes nobody would type: lists where a word belongs, digits of other scripts, a word of ten
 * thousand letters, days that are none. Whatever is asked by whomever, the answer is never a failure of the
 * application, and who may not changes nothing. A seed and a number of requests can be given from outside; the same
 * seed asks the same.
 */
final class OddShapesTest extends FeatureCase
{
    use Charges;

    private const REQUESTS = 400;

    /** What may be written where somebody is turned away: that they were. */
    private const DOOR = '/^(insert|update|delete)\b.*\b(security_log|pin_tries|sessions|cache)\b/i';

    /** Fields of which forms send several, and those that look like one of them. */
    private const LISTS = [
        'accounts', 'addresses', 'amounts', 'back', 'breaks', 'contacts', 'contract', 'departments', 'drop', 'entries',
        'exempt', 'names', 'on', 'price', 'promotions', 'quantity', 'rows', 'serials', 'tags',
    ];

    private Randomizer $random;

    /** @var list<string> */
    private array $writes = [];

    private Customer $customer;

    private Document $sold;

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->account('500.00');
        $this->charge($this->customer, 'LH-1140');
        $this->sold = $this->sell('LH-1140', 'WA-0001');
        $this->slip = (string) Str::uuid();
        $this->add('LH-1140');
        DB::listen(function (QueryExecuted $query): void {
            preg_match('/^(insert|update|delete|replace)/i', $query->sql) === 1
                && preg_match(self::DOOR, $query->sql) !== 1
                && ($this->writes[] = $query->sql);
        });
    }

    public function test_no_shape_of_request_is_a_failure_and_who_may_not_changes_nothing(): void
    {
        $seed = (int) (getenv('ELMSTONE_FUZZ_SEED') ?: 20261125);
        $requests = (int) (getenv('ELMSTONE_FUZZ_REQUESTS') ?: self::REQUESTS);
        $this->random = new Randomizer(new Mt19937($seed));
        $routes = array_values(Routes::getRoutes()->getRoutes());
        $fields = self::fields();
        $failed = [];

        for ($i = 0; $i < $requests; $i++) {
            $route = $routes[$this->random->getInt(0, count($routes) - 1)];
            $failed += $this->ask($route, $fields, $i);
        }

        $this->assertSame([], $failed, "seed {$seed}");
        $this->assertProves();
    }

    /**
     * @param  array<string, list<string>>  $fields by controller
     * @return array<string, string> what failed
     */
    private function ask(Route $route, array $fields, int $i): array
    {
        $number = ['101', '201', '301', '901'][$this->random->getInt(0, 3)];
        $staff = Staff::query()->where('number', $number)->firstOrFail();
        $this->as($number);
        $method = in_array('POST', $route->methods(), true) ? 'POST' : 'GET';
        $uri = $this->address($route);
        $names = $fields[Str::before($route->getActionName(), '@')] ?? [];
        $body = [];

        $lists = $this->random->getInt(0, 5) === 0;

        foreach ($names as $name) {
            $this->random->getInt(0, 2) === 0
                || ($body[$name] = in_array($name, self::LISTS, true) || $lists ? $this->odd() : $this->word());
        }

        $method === 'POST'
            && $this->random->getInt(0, 1) === 0
            && ($body += ['key' => (string) Str::uuid(), 'act' => (string) Str::uuid()]);
        // As a page would say it: so that more than the door is tried.
        str_starts_with($route->uri(), 'counter/{slip}')
            && $this->random->getInt(0, 3) > 0
            && ($body = [
                'version' => (string) DB::table('slips')->where('key', $this->slip)->value('version'),
                'act' => (string) Str::uuid(),
            ] + $body);
        $this->writes = [];
        $answer = $this->call(
            $method,
            $uri,
            $body,
            files: $this->random->getInt(0, 9) === 0
                ? ['file' => UploadedFile::fake()->createWithContent('x.csv', "date,amount\n\"2027\xff,1\n")]
                : [],
        );
        $status = $answer->getStatusCode();
        $wrote = implode('; ', $this->writes);
        $what = "{$i} {$number} {$method} {$uri} "
            .substr((string) json_encode($body, JSON_INVALID_UTF8_SUBSTITUTE), 0, 400);

        return match (true) {
            $status >= 500 => [
                $what => $status
                    .' '
                    .($answer->exception === null
                        ? ''
                        : $answer->exception::class.': '.substr($answer->exception->getMessage(), 0, 300)),
            ],
            $this->mayNot($route, $staff) && $wrote !== '' => [$what => "wrote without the ability: {$wrote}"],
            $this->mayNot($route, $staff) && $status === 200 => [$what => 'answered without the ability'],
            default => [],
        };
    }

    private function mayNot(Route $route, Staff $staff): bool
    {
        return array_filter(
            $route->gatherMiddleware(),
            static fn (mixed $one): bool => is_string($one)
                && str_starts_with($one, 'can:')
                && ! $staff->can(substr($one, 4)),
        ) !== [];
    }

    private function address(Route $route): string
    {
        $known = [
            'slip' => $this->slip,
            'customer' => (string) $this->customer->number,
            'document' => $this->sold->label,
            'staff' => (string) Staff::query()->min('id'),
            'till' => '1',
            'line' => (string) DB::table('slip_lines')->max('id'),
            'item' => 'LH-1140',
            'role' => 'clerk',
            'type' => '1',
            'place' => '0',
        ];
        $values = [];

        foreach ($route->parameterNames() as $name) {
            $values[$name] = match (true) {
                isset($known[$name]) && $this->random->getInt(0, 3) > 0 => $known[$name],
                default => rawurlencode(
                    ['1', '0', '999999', '99999999999999999999', '😀', 'x', "a'b", '%00', '-1'][
                        $this->random->getInt(0, 8)
                    ],
                ),
            };
        }

        return '/'
            .ltrim(
                (string) preg_replace_callback(
                    '/\{(\w+)[^}]*\}/',
                    static fn (array $part): string => $values[$part[1]] ?? '1',
                    $route->uri(),
                ),
                '/',
            );
    }

    private function odd(int $depth = 0): mixed
    {
        return match ($this->random->getInt(0, 5)) {
            0, 1 => $depth > 2 ? [] : [$this->odd($depth + 1)],
            2, 3 => $depth > 2
                ? []
                : [
                    ['1', 'x', '😀', '0', 'name', 'amount', 'quantity'][$this->random->getInt(0, 6)] => $this->odd(
                        $depth + 1,
                    ),
                    'b' => $this->odd($depth + 1),
                ],
            default => $this->word(),
        };
    }

    private function word(): string
    {
        $values = [
            '', ' ', '0', '1', '-1', '1e9', '99999999999999999999', '0.00001', '1,234', '１２', '𝟙𝟚', '😀',
            str_repeat('x', 10_000),
            '2027-02-30', '9999-12-31', '2026-11-25', 'true', 'oldest', 'hand', 'net', 'firm', 'clerk', 'print', 'mail',
            'not_needed', 'stock', 'month', 'null', '../../etc/passwd', '=1+1',
            "\u{202E}abc",
            'cash',
            'card',
            'LH-1140',
            '101',
            '4101',
            $this->sold->label,
            (string) $this->customer->number,
            '100',
            '5.00',
            'x@example.test',
            '<b>',
            "'; --",
        ];

        // Bytes that are no text stop at the door: enough that some do.
        return $this->random->getInt(0, 400) === 0
            ? ["a\u{0}b", "\xff\xfe"][$this->random->getInt(0, 1)]
            : $values[$this->random->getInt(0, count($values) - 1)];
    }

    /**
     * @return array<string, list<string>> names of fields the code asks for, by controller: its own, and those
     *     everybody reads
     */
    private static function fields(): array
    {
        $all = [];
        $by = [];

        foreach (
            new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(dirname(__DIR__, 2).'/app')) as $file
        ) {
            if ($file instanceof \SplFileInfo && $file->getExtension() === 'php') {
                $code = (string) file_get_contents($file->getPathname());
                preg_match_all(
                    '/->(?:string|input|integer|boolean|array|filled|has|file|date|query)\(\'([\w.]+)\'/',
                    $code,
                    $asked,
                );
                preg_match_all(
                    '/^\s+\'([a-z_]+)\' => \[[^\n]*(?:required|nullable|string|boolean|integer)/m',
                    $code,
                    $ruled,
                );
                $names = array_map(static fn (string $name): string => explode('.', $name)[0], [
                    ...$asked[1],
                    ...$ruled[1],
                ]);
                $all = [...$all, ...$names];
                $class = 'Elmstone\\'
                    .str_replace(
                        ['/', '.php'],
                        ['\\', ''],
                        substr($file->getPathname(), strlen(dirname(__DIR__, 2).'/app/')),
                    );
                $by[$class] = $names;
            }
        }

        $all = array_values(array_unique($all));
        sort($all);

        return array_map(
            static fn (array $names): array => array_values(array_unique([...$names, ...$all])),
            array_filter(
                $by,
                static fn (string $class): bool => str_ends_with($class, 'Controller'),
                ARRAY_FILTER_USE_KEY,
            ),
        );
    }
}
