<?php

declare(strict_types=1);

namespace Elmstone\Bench\Soak;

use Elmstone\Bench\Browser;
use RuntimeException;

/** A bookkeeper who has statements of all accounts made, by the workers, and looks until they are. */
final readonly class Office
{
    /** Seconds: what a killed worker was at, another takes up after 90. */
    private const PATIENCE = 400;

    public function __construct(private Browser $bookkeeper)
    {
    }

    public function act(): void
    {
        $this->bookkeeper->get('/statements');
        $page = $this->bookkeeper->post('/statements', ['as_of' => date('Y-m-d'), 'again' => '1']);

        if (preg_match('~/statements/runs/(\d+)/~', $page, $found) !== 1) {
            // Nobody owes anything yet; or the page that said so was cut off, and says it once.
            str_contains($page, 'class="note stop"') && ! str_contains($page, 'owes anything')
                && throw new RuntimeException('No run of statements began: '.Browser::complaint($page));

            return;
        }

        $run = $found[1];
        $until = microtime(true) + self::PATIENCE;

        while (! str_contains($this->bookkeeper->get("/statements/runs/{$run}"), 'All made')) {
            microtime(true) < $until || throw new RuntimeException("The statements of run {$run} are not made.");
            sleep(1);
        }
    }
}
