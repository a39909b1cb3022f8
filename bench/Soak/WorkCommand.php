<?php

declare(strict_types=1);

namespace Elmstone\Bench\Soak;

use Elmstone\Bench\Browser;
use Elmstone\Demo\Chance;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Shop\Till as TillOfTheShop;
use Elmstone\Support\SideBySide;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use RuntimeException;

/**
 * Works at several tills, and in the office, through the pages until the file stop stands in the folder, where it
 * writes what it did.
 */
final class WorkCommand extends Command
{
    protected $signature = 'soak:work {folder} {--address=} {--tills=10} {--seed=1} {--pause=3000}';

    protected $description = 'Work at several tills at once, for as long as nobody says stop';

    /** Seconds that something is sent again for. */
    private const PATIENCE = 90;

    /** Milliseconds between one run of statements and the next, at most. */
    private const OFFICE_RESTS = 40_000;

    public function handle(): int
    {
        $folder = $this->said('folder');
        $ids = TillOfTheShop::query()->where('number', '>', 100)->orderBy('number')
            ->limit(max(1, (int) $this->said('tills')))->pluck('id')->all();
        $accounts = array_values(
            HouseAccount::query()->orderBy('customer_id')->limit(20)->pluck('customer_id')->map(intval(...))->all(),
        );
        $pieces = [];

        foreach ($ids as $place => $id) {
            $pieces[] = fn (): Chance => $this->work((int) $id, $place, $accounts, $folder);
        }

        $pieces[] = fn (): Chance => $this->office((int) ($ids[0] ?? 0), $folder);
        DB::disconnect();
        (new SideBySide(max(1, count($pieces))))->each($pieces);

        return self::SUCCESS;
    }

    /** @param  list<int>  $accounts */
    private function work(int $id, int $place, array $accounts, string $folder): Chance
    {
        $chance = new Chance((int) $this->said('seed') + $place);
        $till = new Till(
            $this->signedIn((string) (101 + $place % 5), $id, "{$folder}/in-{$place}"),
            $chance,
            $accounts === [] ? throw new \LogicException('Nobody has an account.') : $accounts,
            "{$folder}/acknowledged-{$place}",
            "{$folder}/mailed-{$place}",
            "{$folder}/times-{$place}",
        );
        $this->goOn($till->act(...), $folder, $chance, 2 * (int) $this->said('pause'));

        return $chance;
    }

    /** A bookkeeper, at whichever till. */
    private function office(int $till, string $folder): Chance
    {
        $chance = new Chance((int) $this->said('seed') - 1);
        $office = new Office($this->signedIn('301', $till, "{$folder}/in-office"));
        $this->goOn($office->act(...), $folder, $chance, self::OFFICE_RESTS);

        return $chance;
    }

    /** @param  string  $mark a file that says so */
    private function signedIn(string $who, int $till, string $mark): Browser
    {
        $browser = new Browser($this->said('address'));
        $browser->patience = self::PATIENCE;
        $browser->signIn($who, $till);
        touch($mark);

        return $browser;
    }

    /**
     * @param  callable(): void  $act
     * @param  int  $rests milliseconds between one and the next, at most
     */
    private function goOn(callable $act, string $folder, Chance $chance, int $rests): void
    {
        while (! file_exists("{$folder}/stop")) {
            try {
                $act();
            } catch (RuntimeException $failure) {
                // The others need not go on for hours.
                file_put_contents("{$folder}/failed", $failure->getMessage());
                touch("{$folder}/stop");

                throw $failure;
            }

            usleep($chance->between(0, $rests) * 1000);
            clearstatcache();
        }
    }

    private function said(string $name): string
    {
        $said = $name === 'folder' ? $this->argument($name) : $this->option($name);

        return is_string($said) ? $said : '';
    }
}
