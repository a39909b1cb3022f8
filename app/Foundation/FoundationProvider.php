<?php

declare(strict_types=1);

namespace Elmstone\Foundation;

use Carbon\CarbonImmutable;
use Closure;
use Elmstone\Core\Money\Money;
use Elmstone\Foundation\Database\AskedOnce;
use Elmstone\Foundation\Http\Addresses;
use Elmstone\Foundation\Http\HealthController;
use Elmstone\Foundation\Http\KeptSession;
use Elmstone\Support\Database\HouseConnection;
use Elmstone\Support\Database\HouseConnector;
use Elmstone\Support\Http\Address;
use Elmstone\Support\RoomProvider;
use Elmstone\Support\Show;
use Illuminate\Contracts\Database\LostConnectionDetector;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Database\Connection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Http\Request;
use Illuminate\Pagination\Paginator;
use Illuminate\Support\Facades\Blade;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Facades\Session;
use PDO;

/** The roof: how the database is spoken to, how addresses are written, what every page may use. */
final class FoundationProvider extends RoomProvider
{
    /** What stands in addresses by its label, as on its paper. */
    private const LABELS = ['document', 'layaway', 'plan', 'order', 'quote', 'purchase', 'transfer'];

    /** What stands in addresses for one thing of many. */
    private const NUMBERS = [
        'staff', 'location', 'policy', 'coupon', 'customer', 'card', 'line', 'place', 'file', 'entry', 'layout', 'note',
        'version', 'outgoing', 'run', 'statement', 'till', 'paper', 'mail', 'supplier', 'work',
    ];

    public function register(): void
    {
        $this->app->bind('db.connector.mariadb', HouseConnector::class);
        Connection::resolverFor(
            'mariadb',
            static fn (
                Closure|PDO $pdo,
                string $database,
                string $prefix,
                array $config,
            ): HouseConnection => new HouseConnection($pdo, $database, $prefix, $config),
        );
        $this->app->singleton('url', static function (Application $app): Addresses {
            $routes = $app->make('router')->getRoutes();
            $app->instance('routes', $routes);
            $follow = static fn (Application $app, Request $request) => $app->make('url')->setRequest($request);
            $app->rebinding('request', $follow);

            return new Addresses($routes, $app->make('request'), config('app.asset_url'));
        });
    }

    /** A page: longer than a lock is waited for, no answer is. */
    public function neverWaitsLong(): void
    {
        $wait = config('database.connections.mariadb.wait');
        ini_set('mysqlnd.net_read_timeout', (string) (1 + (is_int($wait) ? $wait : 5)));
        $this->app->singleton(LostConnectionDetector::class, AskedOnce::class);
    }

    public function boot(): void
    {
        $this->app->runningInConsole() || $this->neverWaitsLong();
        Model::shouldBeStrict();
        Date::use(CarbonImmutable::class);
        Paginator::defaultSimpleView('design.pages');
        Blade::stringable(static fn (CarbonImmutable $date): string => Show::date($date));
        Blade::stringable(static fn (Money $money): string => Show::money($money));
        $this->keepSessions();
        $this->believeTheFront();
        parent::boot();
    }

    /** Where others stand before this machine: who asked, and whether by TLS, is what they say, and they alone. */
    private function believeTheFront(): void
    {
        TrustProxies::at(array_values(array_filter(Config::array('house.proxies'), is_string(...))));
        TrustProxies::withHeaders(Request::HEADER_X_FORWARDED_FOR | Request::HEADER_X_FORWARDED_PROTO);
    }

    private function keepSessions(): void
    {
        Session::extend('database', static function (Application $app): KeptSession {
            $config = config('session');

            return new KeptSession(
                $app->make('db')->connection($config['connection']),
                $config['table'],
                $config['lifetime'],
                $app,
            );
        });
    }

    protected function routes(): void
    {
        Route::patterns([
            ...array_fill_keys(self::LABELS, Address::LABEL),
            ...array_fill_keys(self::NUMBERS, Address::NUMBER),
            'item' => Address::CODE,
        ]);
        // For whoever watches over the server: the application answers, and so does its database.
        Route::get('/up', HealthController::class)->name('up');
        parent::routes();
    }

    protected function ownCommands(): array
    {
        return [
            Console\DemoCommand::class,
            Console\GrantsCommand::class,
            Console\SignInsCommand::class,
            Console\StateCommand::class,
            Console\TidyCommand::class,
        ];
    }
}
