<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Elmstone\Books\FirstNumbers;
use Elmstone\Books\Proof\Prove;
use Elmstone\Shop\Location;
use Elmstone\Shop\Settings;
use Elmstone\Shop\Shop;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Elmstone\Tests\TestCase;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;

/** From an empty database to a shop that sells: in the browser step by step, and from a file. */
final class SetUpTest extends TestCase
{
    use RefreshDatabase;

    private const KEY = 'a key for setting up';

    private static bool $isMade = false;

    protected function setUp(): void
    {
        parent::setUp();
        $this->withoutVite();
        config(['house.set_up_key' => self::KEY]);
    }

    /** A database of its own, in which there is nothing. */
    public function refreshDatabase(): void
    {
        $this->useDatabase(config('database.connections.mariadb.database').'_empty');
        self::$isMade || $this->artisan('migrate:fresh');
        self::$isMade = true;
        app(Settings::class)->forget();
        $this->beginDatabaseTransaction();
    }

    public function test_every_page_leads_to_setting_up_until_the_shop_is_open(): void
    {
        foreach (['/', '/sign-in', '/counter', '/customers', '/pay/abc'] as $page) {
            $this->get($page)->assertRedirect('/setup');
        }

        $this->post('/sign-in', ['number' => '101', 'pin' => '4101'])->assertStatus(503);
        $this->get('/up')->assertOk();
        $this->get('/setup')->assertOk()->assertSee('Whose shop is this?');
    }

    /** The machine's timers and workers run before anybody has set up. */
    public function test_what_runs_by_itself_waits_for_a_shop(): void
    {
        foreach (
            ['outbox:send', 'web-orders:read', 'reminders:send', 'reports:mail', 'books:prove', 'house:tidy'] as $runs
        ) {
            self::assertSame(0, Artisan::call($runs), $runs.Artisan::output());
        }
    }

    public function test_nobody_sets_up_without_the_key(): void
    {
        $this->get('/setup/shop')->assertRedirect('/setup');
        $this->post('/setup/shop', self::shop())->assertForbidden();
        $this->post('/setup/open')->assertForbidden();
        $this->get('/setup?key=another')->assertRedirect('/setup')->assertSessionHasErrors('key');
        $this->post('/setup/key', ['key' => ''])->assertSessionHasErrors('key');
        self::assertFalse(Shop::query()->exists());

        // A machine without a key opens to nobody, not to whoever types nothing.
        config(['house.set_up_key' => '']);
        $this->post('/setup/key', ['key' => ''])->assertSessionHasErrors('key');
        $this->get('/setup')->assertSee('this machine has no key');
        config(['house.set_up_key' => 'short']);
        $this->post('/setup/key', ['key' => 'short'])->assertSessionHasErrors('key');
    }

    public function test_a_shop_is_set_up_step_by_step_left_and_resumed_and_opens(): void
    {
        $this->key();
        $this->get('/setup')->assertRedirect('/setup/shop');
        $this->keep('shop', self::shop())->assertRedirect('/setup/taxes');
        // Somebody goes home, and comes back with another browser.
        $this->flushSession();
        $this->get('/setup/taxes')->assertRedirect('/setup');
        $this->key();
        $this->get('/setup')->assertRedirect('/setup/taxes');
        $this->get('/setup/taxes?example=vat')->assertOk()->assertSee('UStG § 12(1)');
        $this->keep('taxes', self::taxes())->assertRedirect('/setup/places');
        $this->keep('places', ['places' => [self::place()]])->assertRedirect('/setup/tills');
        $this->get('/setup/tills')->assertSee('Practice till');
        $this->keep('tills', ['tills' => self::tills()])->assertRedirect('/setup/departments');
        $this->post('/setup/open')->assertSessionHasErrors('refused');
        $this->keep('departments', ['departments' => [['code' => 'tools', 'name' => 'Tools'], []]]);
        $this->keep('owner', ['name' => 'Vera Lindqvale', 'number' => '77', 'pin' => '123456'])
            ->assertSessionHasErrors('pin');
        $this->keep('owner', ['name' => 'Vera Lindqvale', 'number' => '77', 'pin' => '704613']);
        $this->keep('terms', ['largest_amount' => '50000', 'gift_card_months' => '']);
        $this->keep('numbers', ['invoice' => '5001', 'customers' => '300'])->assertRedirect('/setup');
        $this->get('/setup')->assertOk()->assertSee('Ready to open')->assertSee('Vera Lindqvale');
        $this->post('/setup/open')->assertRedirect('/sign-in');

        self::assertSame(['Vera Lindqvale'], Staff::query()->pluck('name')->all());
        $this->get('/setup')->assertRedirect('/sign-in');
        $this->post('/setup/shop', self::shop())->assertRedirect('/sign-in');
        $this->sellsFrom(5001);
    }

    public function test_what_cannot_be_kept_is_said_beside_its_field_and_nothing_of_it_is_kept(): void
    {
        $this->key();
        $this->keep('shop', ['name' => '', 'country' => 'Utopia', 'currency' => '$', 'cash_step' => 'x'])
            ->assertSessionHasErrors(['name', 'country', 'currency', 'cash_step']);
        self::assertFalse(Shop::query()->exists());
        $this->keep('shop', self::shop());
        $this->keep('taxes', ['profiles' => [['name' => 'Here', 'components' => [
            ['name' => 'VAT', 'rate' => 'many', 'classes' => ['standard']], ['name' => '', 'rate' => '7'],
        ]]]])->assertSessionHasErrors(['profiles.0.components.0.rate', 'profiles.0.components.1.name']);
        self::assertSame(0, DB::table('tax_components')->count());
        $this->keep('taxes', self::taxes());
        $this->keep('places', ['places' => [
            self::place(), [...self::place(), 'name' => 'Again'], ['code' => 'toolong', 'name' => 'x'],
        ]])->assertSessionHasErrors(['places.1.code', 'places.2.code', 'places.2.town', 'places.2.taxes']);
        self::assertSame(0, Location::query()->count());
        $this->followingRedirects()->keep('places', ['places' => [['code' => 'toolong', 'name' => 'Kept typing']]])
            ->assertSee('Kept typing')->assertSee('One to four capital letters or digits.');
    }

    public function test_what_was_typed_wrong_goes_again_while_nothing_leans_on_it(): void
    {
        $this->key();
        $this->keep('shop', self::shop());
        $this->keep('taxes', self::taxes());
        $this->keep('places', ['places' => [self::place(), [...self::place(), 'code' => 'XX']]]);
        $this->keep('tills', ['tills' => self::tills()]);
        $places = Location::query()->orderBy('id')->get();
        $row = static fn (Location $place): array => [...self::place(), 'id' => (string) $place->id, 'remove' => '1'];
        $this->keep('places', ['places' => [$row($places[1])]])->assertSessionHasNoErrors();
        $this->keep('places', ['places' => [$row($places[0])]])->assertSessionHasErrors('places.0.code');
        self::assertSame(['MA'], Location::query()->pluck('code')->all());
    }

    public function test_a_shop_is_made_from_a_file(): void
    {
        $path = self::file(self::whole());
        self::assertSame(0, Artisan::call('shop:install', ['--from' => $path]), Artisan::output());
        self::assertSame('EUR', Shop::query()->value('currency'));
        self::assertSame(['1' => 'Till 1', '90' => 'Practice'], Till::query()->pluck('name', 'number')->all());
        $this->sellsFrom(5001);
        self::assertSame(1, Artisan::call('shop:install', ['--from' => $path]));
    }

    public function test_a_file_with_a_fault_makes_nothing_and_says_where(): void
    {
        $whole = self::whole();
        $whole['tills'][0]['place'] = 'ZZ';
        self::assertSame(1, Artisan::call('shop:install', ['--from' => self::file($whole)]));
        self::assertStringContainsString('tills.0.place', Artisan::output());
        self::assertFalse(Shop::query()->exists());
        self::assertSame(1, Artisan::call('shop:install', ['--from' => self::file([...self::whole(), 'tils' => []])]));
        self::assertStringContainsString('“tils”', Artisan::output());
        unset($whole['owner']);
        $whole['tills'][0]['place'] = 'MA';
        self::assertSame(1, Artisan::call('shop:install', ['--from' => self::file($whole)]));
        self::assertStringContainsString('owner', Artisan::output());
        self::assertFalse(Shop::query()->exists());
    }

    public function test_the_example_that_ships_is_one_that_installs(): void
    {
        $path = base_path('deploy/shop.example.json');
        self::assertSame(0, Artisan::call('shop:install', ['--from' => $path]), Artisan::output());
        self::assertTrue(Shop::query()->whereNotNull('opened_at')->exists());
    }

    public function test_the_demonstration_refuses_to_load_in_production(): void
    {
        app()->detectEnvironment(static fn (): string => 'production');
        self::assertSame(1, Artisan::call('shop:demo'));
        self::assertStringContainsString('production', Artisan::output());
        self::assertFalse(Shop::query()->exists());
    }

    /** Somebody signs in at the practice till, then at the real one, and sells a thing that is in no list. */
    private function sellsFrom(int $number): void
    {
        foreach ([true, false] as $training) {
            OwnShop::sells($this, '77', '704613', $training);
            $found = Document::query()->where('kind', 'invoice')->orderByDesc('id')->first();
            self::assertSame($training ? null : $number, $found?->number);
            $training || self::assertTrue($found?->business_date->equalTo(ShopTime::today()));
        }

        self::assertSame([], app(Prove::class)->handle()->faults);
        self::assertSame($number + 1, FirstNumbers::next()['invoice']);
    }

    private function key(): void
    {
        $this->get('/setup?key='.urlencode(self::KEY))->assertRedirect('/setup')->assertSessionHasNoErrors();
    }

    /**
     * @param  array<string, mixed>  $fields
     * @return TestResponse<Response>
     */
    private function keep(string $step, array $fields): TestResponse
    {
        return $this->from("/setup/{$step}")->post("/setup/{$step}", $fields);
    }

    /** @return array<string, string> */
    private static function shop(): array
    {
        return [
            'name' => 'Lindqvale Tools', 'country' => 'de', 'currency' => 'eur', 'tax_included' => '1',
            'tax_rounding' => 'document', 'cash_step' => '0.05', 'notes' => '5, 10, 20',
        ];
    }

    /** @return array<string, mixed> */
    private static function taxes(): array
    {
        return ['profiles' => [['name' => 'Here', 'components' => [
            ['name' => 'VAT', 'rate' => '19', 'classes' => ['standard']],
            ['name' => 'VAT, reduced', 'rate' => '7', 'classes' => ['reduced']],
        ]]]];
    }

    /** @return array<string, string> */
    private static function place(): array
    {
        return [
            'code' => 'MA', 'name' => 'Main shop', 'street' => '1 Reed Lane', 'town' => 'Ostrey', 'phone' => '555 0199',
            'taxes' => 'Here',
        ];
    }

    /** @return list<array<string, mixed>> */
    private static function tills(): array
    {
        return [
            ['number' => '1', 'name' => 'Till 1', 'place' => 'MA'],
            ['number' => '90', 'name' => 'Practice', 'place' => 'MA', 'training' => '1'],
            ['number' => '', 'name' => '', 'place' => 'MA'],
        ];
    }

    /** @return array<string, mixed> */
    private static function whole(): array
    {
        return [
            'shop' => [...self::shop(), 'tax_included' => true],
            'taxes' => self::taxes(),
            'places' => [self::place()],
            'tills' => [
                ['number' => 1, 'name' => 'Till 1', 'place' => 'MA'],
                ['number' => 90, 'name' => 'Practice', 'place' => 'MA', 'training' => true],
            ],
            'departments' => [['code' => 'tools', 'name' => 'Tools']],
            'owner' => ['name' => 'Vera Lindqvale', 'number' => '77', 'pin' => '704613'],
            'terms' => ['largest_amount' => 50000],
            'numbers' => ['invoice' => 5001],
        ];
    }

    /** @param  array<string, mixed>  $content */
    private static function file(array $content): string
    {
        $path = tempnam(sys_get_temp_dir(), 'shop').'.json';
        file_put_contents($path, json_encode($content));

        return $path;
    }
}
