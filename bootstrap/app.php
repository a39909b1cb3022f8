<?php

declare(strict_types=1);

use Elmstone\Bench\AccountsCommand;
use Elmstone\Bench\BenchCommand;
use Elmstone\Bench\GoodsCommand;
use Elmstone\Bench\LayawaysCommand;
use Elmstone\Bench\OrdersCommand;
use Elmstone\Bench\ProveCommand;
use Elmstone\Bench\ReportsCommand;
use Elmstone\Bench\ReturnsCommand;
use Elmstone\Bench\ServingCommand;
use Elmstone\Bench\ServingShopCommand;
use Elmstone\Bench\Soak\CheckCommand;
use Elmstone\Bench\Soak\GrowthCommand;
use Elmstone\Bench\Soak\ShopCommand;
use Elmstone\Bench\Soak\WorkCommand;
use Elmstone\Bench\TillsCommand;
use Elmstone\Counter\Page\InSight;
use Elmstone\Foundation\Http\BeginSession;
use Elmstone\Foundation\Http\Failures;
use Elmstone\Foundation\Http\KnownHosts;
use Elmstone\Foundation\Http\NameKeys;
use Elmstone\Foundation\Http\PlainInput;
use Elmstone\Foundation\Http\SecurityHeaders;
use Elmstone\Setup\SetUpFirst;
use Elmstone\Staff\Doors\RequireTill;
use Elmstone\Staff\Doors\WatchDoors;
use Elmstone\Upkeep\Log\NameRequest;
use Elmstone\Upkeep\TakeTime;
use Illuminate\Auth\Middleware\Authorize;
use Illuminate\Contracts\Auth\Middleware\AuthenticatesRequests;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Routing\Middleware\SubstituteBindings;
use Illuminate\Session\Middleware\StartSession;
use Illuminate\View\Middleware\ShareErrorsFromSession;

return Application::configure(basePath: dirname(__DIR__))
    // Each room brings its routes (RoomProvider); cached, they are read here.
    ->withRouting(using: static fn (): null => null)
    ->withCommands([
        // Measuring fills a database with what is none of the shop's: only where it is asked for.
        ...getenv('ELMSTONE_BENCH') === '1'
            ? [
                BenchCommand::class,
                AccountsCommand::class,
                LayawaysCommand::class,
                ReturnsCommand::class,
                ProveCommand::class,
                ReportsCommand::class,
                TillsCommand::class,
                OrdersCommand::class,
                GoodsCommand::class,
                ServingCommand::class,
                ServingShopCommand::class,
                ShopCommand::class,
                WorkCommand::class,
                CheckCommand::class,
                GrowthCommand::class,
            ]
            : [],
    ])
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->remove(HandleCors::class);
        $middleware->prepend(KnownHosts::class);
        $middleware->prepend(TakeTime::class);
        $middleware->prepend(NameRequest::class);
        $middleware->append(PlainInput::class);
        $middleware->append(SecurityHeaders::class);
        $middleware->web(
            append: [SetUpFirst::class, WatchDoors::class, NameKeys::class],
            replace: [StartSession::class => BeginSession::class],
        );
        // Who may not is told so before it is looked whether there is such a thing.
        $middleware->priority([
            BeginSession::class, ShareErrorsFromSession::class, SetUpFirst::class, WatchDoors::class,
            AuthenticatesRequests::class,
            RequireTill::class, Authorize::class, SubstituteBindings::class, InSight::class,
        ]);
        $middleware->redirectGuestsTo('/sign-in');
        $middleware->redirectUsersTo('/');
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        Failures::answer($exceptions);
    })
    ->create();
