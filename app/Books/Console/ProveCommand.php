<?php

declare(strict_types=1);

namespace Elmstone\Books\Console;

use Elmstone\Books\Document;
use Elmstone\Books\Proof\RunProof;
use Elmstone\Shop\Shop;
use Elmstone\Support\SideBySide;
use Illuminate\Console\Command;

/** Recomputes the books and says what it found. */
final class ProveCommand extends Command
{
    protected $signature = 'books:prove {--show=20 : how many faults to print} {--afresh : reckon again also what '
        .'proved before and is still as it was sealed}';

    protected $description = 'Recompute every total, journal, number series and stock figure; exit 1 when anything '
        .'is off';

    public function handle(RunProof $run): int
    {
        // Before there is a shop there are no books; books without a shop are not proved by its being away.
        if (! Shop::query()->exists() && ! Document::query()->exists()) {
            $this->line('There are no books yet.');

            return self::SUCCESS;
        }

        $proof = $run->handle($this->option('afresh') === true, SideBySide::here());

        foreach ($proof->checked as $what => $count) {
            $this->line(sprintf('  %9s %s', number_format($count), $what));
        }

        foreach (array_slice($proof->faults, 0, (int) $this->option('show')) as $fault) {
            $this->error("  {$fault}");
        }

        $this->line($proof->faults === [] ? 'the books prove' : count($proof->faults).' faults');

        return $proof->faults === [] ? self::SUCCESS : self::FAILURE;
    }
}
