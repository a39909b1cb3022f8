<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Staff\Staff;
use Elmstone\Upkeep\Log\NameRequest;
use Elmstone\Upkeep\Measured;
use Elmstone\Upkeep\MetricsController;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Route;
use PHPUnit\Framework\Attributes\DataProvider;
use RuntimeException;

/** What the house tells of itself: measurements, a log without secrets, the owner's page. */
final class UpkeepTest extends FeatureCase
{
    private string $log;

    protected function setUp(): void
    {
        parent::setUp();
        $this->log = tempnam(sys_get_temp_dir(), 'elmstone-log');
        config(['logging.channels.daily.path' => "{$this->log}.log"]);
        Log::forgetChannel('daily');
    }

    protected function tearDown(): void
    {
        array_map(unlink(...), glob("{$this->log}*") ?: []);
        parent::tearDown();
    }

    public function test_measurements_are_for_a_program_with_the_token_and_for_who_may_see_how_it_runs(): void
    {
        config(['house.metrics_token' => '']);
        $this->as('101')->get('/metrics')->assertUnauthorized();
        $this->get('/metrics', ['Authorization' => 'Bearer '])->assertUnauthorized();
        config(['house.metrics_token' => 'short']);
        $this->get('/metrics', ['Authorization' => 'Bearer short'])->assertUnauthorized();
        config(['house.metrics_token' => 'a token of some length']);
        $this->get('/metrics', ['Authorization' => 'Bearer a token of some lengths'])->assertUnauthorized();
        $this->get('/metrics', ['Authorization' => 'Bearer a token of some length'])->assertOk();
        $this->as('901')->get('/metrics')->assertOk();
    }

    public function test_a_posting_is_counted_with_the_time_it_took_in_the_open_format(): void
    {
        $this->sell('LH-1140');
        $this->sell('LH-1140');
        $answer = $this->as('901')->get('/metrics')->assertOk();
        self::assertSame(MetricsController::TYPE, $answer->headers->get('Content-Type'));
        $text = (string) $answer->getContent();
        self::assertStringContainsString('elmstone_posting_seconds_count 2', $text);
        self::assertStringContainsString('elmstone_posting_seconds_bucket{le="+Inf"} 2', $text);
        self::assertMatchesRegularExpression('/elmstone_documents_total\{kind="invoice"\} \d+/', $text);
        self::assertStringEndsWith("# EOF\n", $text);

        // Each line is one the format knows: OpenMetrics 1.0, "ABNF".
        foreach (explode("\n", rtrim($text)) as $line) {
            self::assertMatchesRegularExpression(
                '/^(# (TYPE|HELP|UNIT) [a-z_]+ .+|# EOF|[a-z_]+(\{[a-z_]+="[^"\n]*"\})? (-?\d+(\.\d+)?|NaN))$/D',
                $line,
            );
        }
    }

    /** @return iterable<string, array{array<int, int>, int|null}> counts by step, and where 95 of a hundred are */
    public static function counts(): iterable
    {
        yield 'none' => [[], null];
        yield 'one' => [[25 => 1], 25];
        yield 'the slowest five of a hundred do not count' => [[50 => 95, 3200 => 5], 50];
        yield 'six of them do' => [[50 => 94, 3200 => 6], 3200];
        yield 'longer than the last step' => [[50 => 1, 0 => 1], 0];
    }

    /** @param  array<int, int>  $times */
    #[DataProvider('counts')]
    public function test_within_which_step_nearly_all_are(array $times, ?int $step): void
    {
        self::assertSame($step, Measured::p95($times));
    }

    public function test_what_breaks_is_counted_and_its_number_is_said_and_stands_in_the_log(): void
    {
        Route::get('/broken-for-test', static fn () => throw new RuntimeException('it fell down'))
            ->middleware(['web', 'can:sell']);
        $answer = $this->as('101')->get('/broken-for-test')->assertStatus(500);
        $number = (string) $answer->headers->get(NameRequest::HEADER);
        $answer->assertSee($number);
        $line = $this->logged('it fell down');
        self::assertSame([$number, 'GET /broken-for-test'], [$line['extra']['request'], $line['extra']['address']]);
        self::assertSame(1, array_sum(Measured::of(Measured::BROKEN)['times']));
    }

    public function test_no_secret_stands_in_the_log(): void
    {
        [$pin, $hash] = ['730194', Hash::make('730194')];
        Route::post('/broken-for-test', static function () use ($pin, $hash): never {
            Log::warning('tried', ['pin' => $pin, 'more' => ['approver_pin' => $pin]]);
            Staff::query()->create([
                'number' => '101', 'name' => "named {$pin}", 'role' => 'clerk', 'pin_hash' => $hash,
            ]);

            throw new RuntimeException('never here');
        })->middleware(['web', 'can:sell']);
        $this->as('101')->post('/broken-for-test', ['pin' => $pin, 'number' => '101'])->assertStatus(500);
        $this->post('/sign-in', ['till' => '1', 'number' => '101', 'pin' => $pin]);
        $log = (string) file_get_contents((glob("{$this->log}-*") ?: [''])[0]);
        self::assertStringContainsString('Duplicate entry', $log);
        self::assertStringNotContainsString($pin, $log);
        self::assertStringNotContainsString($hash, str_replace('\\/', '/', $log));
    }

    public function test_the_owner_sees_when_it_was_kept_and_proved_and_what_waits(): void
    {
        $this->as('301')->get('/running')->assertForbidden();
        $this->as('901')->get('/running')->assertOk()->assertSee('None was made yet');
        Artisan::call('backup:note', ['name' => 'elmstone-1.backup', '--bytes' => '2500000', '--seconds' => '3']);
        Artisan::call('books:prove');
        $this->get('/running')->assertSee('2.5 MB in 3 s')->assertSee('nothing is off')
            ->assertDontSee('more than a day ago');
        DB::table('backups')->update(['made_at' => now()->subDays(2)]);
        $this->get('/running')->assertSee('That is more than a day ago.');
    }

    public function test_every_answer_says_what_a_browser_may_do_with_it(): void
    {
        $answer = $this->get('https://localhost/sign-in');

        foreach (['Strict-Transport-Security', 'Permissions-Policy', 'Content-Security-Policy'] as $header) {
            self::assertTrue($answer->headers->has($header), $header);
        }

        self::assertFalse($this->get('http://localhost/sign-in')->headers->has('Strict-Transport-Security'));
        $this->get('http://elsewhere.example/sign-in')->assertStatus(400);
    }

    /** @return array<string, mixed> the line that says it */
    private function logged(string $words): array
    {
        $lines = file((glob("{$this->log}-*") ?: [''])[0]) ?: [];

        foreach ($lines as $line) {
            $read = json_decode($line, true, 32, JSON_THROW_ON_ERROR);

            if ($read['message'] === $words) {
                return $read;
            }
        }

        self::fail("The log does not say “{$words}”.");
    }
}
