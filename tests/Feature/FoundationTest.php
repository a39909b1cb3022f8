<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Shop\House;
use Elmstone\Shop\Location;
use Elmstone\Shop\Till;
use Elmstone\Support\Csv;
use Elmstone\Support\ShopTime;
use Illuminate\Session\TokenMismatchException;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Route;
use PHPUnit\Framework\Attributes\DataProvider;
use RuntimeException;

/** What every page has in common: headers, failures in plain words, CSV, and the shop's settings as values. */
final class FoundationTest extends FeatureCase
{
    #[DataProvider('failures')]
    public function test_a_failure_says_what_to_do_in_plain_words(int $status, string $says): void
    {
        Route::middleware('web')->get('/broken', static fn () => abort($status));
        $this->get('/broken')
            ->assertStatus($status)
            ->assertSee($says)
            ->assertSee('To the counter')
            ->assertDontSee('Exception');
    }

    /** @return iterable<int, array{int, string}> */
    public static function failures(): iterable
    {
        yield 403 => [403, 'Ask a supervisor'];
        yield 404 => [404, 'There is nothing at this address'];
        yield 419 => [419, 'The page stood too long'];
        yield 429 => [429, 'Wait a minute'];
        yield 500 => [500, 'Nothing was half done'];
        yield 503 => [503, 'The database does not answer'];
    }

    public function test_a_fault_of_the_program_shows_nothing_of_its_inside(): void
    {
        config(['app.debug' => false]);
        Route::middleware('web')->get('/broken', static fn () => throw new RuntimeException('secret inside'));
        $this->get('/broken')->assertStatus(500)->assertSee('Something broke')->assertDontSee('secret inside');
    }

    public function test_a_form_that_stood_too_long_leads_to_the_door_when_the_session_is_gone(): void
    {
        Route::middleware('web')->post('/stale', static fn () => throw new TokenMismatchException);
        Auth::logout();
        $this->post('/stale')->assertRedirect('/sign-in');
    }

    public function test_every_answer_carries_the_headers_that_keep_others_out(): void
    {
        foreach (['/documents', '/sign-in', '/nowhere', '/up'] as $page) {
            $headers = $this->get($page)->headers;
            $this->assertSame(
                ['nosniff', 'same-origin'],
                [$headers->get('X-Content-Type-Options'), $headers->get('Referrer-Policy')],
                $page,
            );
            $this->assertStringContainsString(
                "frame-ancestors 'self'",
                (string) $headers->get('Content-Security-Policy'),
            );
            $this->assertStringNotContainsString('unsafe', (string) $headers->get('Content-Security-Policy'));
            $this->assertStringContainsString('no-store', (string) $headers->get('Cache-Control'));
        }
    }

    public function test_csv_keeps_to_the_standard_and_never_runs_as_a_formula(): void
    {
        ob_start();
        Csv::download(
            'x.csv',
            ['name', 'sum'],
            [['a "quoted", name', '-5.00'], ['=HYPERLINK("x")', '+1'], ['@now', "two\nlines"]],
        )->sendContent();
        $this->assertSame(
            "name,sum\r\n\"a \"\"quoted\"\", "
                ."name\",-5.00\r\n\"'=HYPERLINK(\"\"x\"\")\",'+1\r\n'@now,\"two\nlines\"\r\n",
            ob_get_clean(),
        );
    }

    public function test_the_shop_s_settings_are_values(): void
    {
        $house = app(House::class);
        $this->assertSame(
            ['USD', false, null],
            [$house->currency()->code, $house->taxTerms()->taxIncluded, $house->cashStep()],
        );
        $this->assertSame(['5.00', '100.00'], [$house->notes()[0]->toString(), $house->notes()[4]->toString()]);
        $profile = Location::query()->firstOrFail()->taxProfile->toValue(ShopTime::today());
        $this->assertSame(
            ['state_HF'],
            array_map(static fn ($component): string => $component->id, $profile->components()),
        );
        $this->assertSame('HF', Till::query()->findOrFail(1)->location->code);
    }

    public function test_back_never_leads_to_another_site(): void
    {
        $this->as('101')
            ->withHeader('Referer', 'https://elsewhere.example/trap')
            ->post('/documents/none/print')
            ->assertNotFound();
        $label = $this->sell('LH-1140')->label;
        $answer = $this->withHeader('Referer', 'https://elsewhere.example/trap')->post("/documents/{$label}/mail", [
            'mail_to' => 'nowhere',
        ]);
        $this->assertStringNotContainsString('elsewhere', (string) $answer->headers->get('Location'));
        $this->assertStringContainsString('camera=()', (string) $answer->headers->get('Permissions-Policy'));
        $this->assertNull($answer->headers->get('Strict-Transport-Security'));
        $this->assertStringContainsString(
            'max-age',
            (string) $this->get('https://localhost/counter')->headers->get('Strict-Transport-Security'),
        );
    }

    public function test_rooms_bring_the_same_routes_from_the_cache(): void
    {
        $cache = sys_get_temp_dir().'/routes-'.bin2hex(random_bytes(6)).'.php';
        $artisan = static fn (string $command): string => (string) shell_exec(
            'cd '.escapeshellarg(base_path()).' && APP_ROUTES_CACHE='.escapeshellarg($cache)." php artisan {$command}",
        );
        $routes = static function () use ($artisan): array {
            $found = [];

            foreach (json_decode($artisan('route:list --json'), true, 8, JSON_THROW_ON_ERROR) as $route) {
                // The cache gives those without a name one of its own, and keeps another order.
                $name = str_starts_with((string) $route['name'], 'generated::') ? null : $route['name'];
                $found["{$route['method']} {$route['uri']}"] = [$name, $route['action'], $route['middleware']];
            }

            ksort($found);

            return $found;
        };

        try {
            $fresh = $routes();
            $artisan('route:cache');
            $this->assertFileExists($cache);
            $this->assertSame($fresh, $routes());
            $this->assertContains('counter.post', array_column($fresh, 0));
            // And nobody else brings any: no folder is served.
            $this->assertSame([], preg_grep('#^\S+ storage#', array_keys($fresh)));
        } finally {
            is_file($cache) && unlink($cache);
        }
    }
}
