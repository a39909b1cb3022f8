<?php

declare(strict_types=1);

namespace Elmstone\Catalogue\Markdowns;

use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/** For the machine's timer, before the counter opens; without it the first page of the day does it. */
final class ProposeCommand extends Command
{
    protected $signature = 'markdowns:propose';

    protected $description = 'Work out which prices age has brought down today';

    public function handle(Proposals $proposals): int
    {
        $proposals->anew();
        $this->info(DB::table('markdown_proposals')->count().' prices to look at.');

        return self::SUCCESS;
    }
}
