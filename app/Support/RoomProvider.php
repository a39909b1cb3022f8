<?php

declare(strict_types=1);

namespace Elmstone\Support;

use Illuminate\Console\Command;
use Illuminate\Contracts\Foundation\CachesRoutes;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\ServiceProvider;
use ReflectionClass;

/**
 * What a room brings: its routes (`routes.php` beside it), its commands, what it wires, and what it answers when the
 * house asks all rooms (tags: `proofs`, `tables`, `personal-data`, `papers`, `merges`, `taken-back`, `traces`,
 * `senders`, `forgetful`, `payers`, `works`). Rooms are registered in the order in which their rows are locked, and
 * asked in that order.
 */
abstract class RoomProvider extends ServiceProvider
{
    public function boot(): void
    {
        ($this->app instanceof CachesRoutes && $this->app->routesAreCached()) || $this->routes();
        $commands = $this->app->runningInConsole() ? $this->ownCommands() : [];
        $commands === [] || $this->commands($commands);
    }

    /** Pages of who signed in at a till. */
    protected function routes(): void
    {
        $file = dirname((string) (new ReflectionClass($this))->getFileName()).'/routes.php';
        is_file($file) && Route::middleware(['web', 'auth', 'till', 'in-sight'])->group($file);
    }

    /**
     * Built once for all who ask: ledgers, desks and the like, which know nothing but what they were made of. A sale
     * that is posted asks for each of them twenty times.
     *
     * @param  class-string  ...$classes
     */
    protected function shared(string ...$classes): void
    {
        foreach ($classes as $class) {
            $this->app->scoped($class);
        }
    }

    /** @return list<class-string<Command>> */
    protected function ownCommands(): array
    {
        return [];
    }
}
