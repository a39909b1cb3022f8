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

/** Works at several tills through the pages until the file stop stands in the folder, where it writes what it did. */
final class WorkCommand extends Command
{
    protected $signature = 'soak:work {folder} {--address=} {--tills=10} {--seed=1} {--pause=3000}';

    protected $description = 'Work at several tills at once, for as long as nobody says stop';

    /** Seconds that something is sent again for. */
    private const PATIENCE = 90;

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

        DB::disconnect();
        (new SideBySide(max(1, count($pieces))))->each($pieces);

        return self::SUCCESS;
    }

    /** @param  list<int>  $accounts */
    private function work(int $id, int $place, array $accounts, string $folder): Chance
    {
        $clerk = new Browser($this->said('address'));
        $clerk->patience = self::PATIENCE;
        $clerk->signIn((string) (101 + $place % 5), $id);
        touch("{$folder}/in-{$place}");
        $chance = new Chance((int) $this->said('seed') + $place);
        $till = new Till(
            $clerk,
            $chance,
            $accounts === [] ? throw new \LogicException('Nobody has an account.') : $accounts,
            "{$folder}/acknowledged-{$place}",
            "{$folder}/times-{$place}",
        );

        while (! file_exists("{$folder}/stop")) {
            try {
                $till->act();
            } catch (RuntimeException $failure) {
                // The others need not go on for hours.
                file_put_contents("{$folder}/failed", $failure->getMessage());
                touch("{$folder}/stop");

                throw $failure;
            }

            usleep($chance->between(0, 2 * (int) $this->said('pause')) * 1000);
            clearstatcache();
        }

        return $chance;
    }

    private function said(string $name): string
    {
        $said = $name === 'folder' ? $this->argument($name) : $this->option($name);

        return is_string($said) ? $said : '';
    }
}
