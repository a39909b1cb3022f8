<?php

declare(strict_types=1);

namespace Elmstone\Demo;

use Elmstone\Catalogue\Markdowns\Proposals;
use Elmstone\Catalogue\Markdowns\Steps;
use Elmstone\Catalogue\Markdowns\TakeMarkdowns;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Pricing\MarkdownStep;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\DB;

/** Paint and tile get cheaper with their age: this morning paint was taken, tile waits to be looked at. */
final class DemoMarkdowns
{
    /** Department: percent by days. */
    private const STEPS = ['paint' => [40 => '10', 90 => '20', 180 => '35'], 'tile' => [60 => '10', 120 => '25']];

    public function __construct(private readonly Proposals $proposals, private readonly TakeMarkdowns $take)
    {
    }

    public function morning(): void
    {
        foreach (self::STEPS as $code => $steps) {
            Steps::keep(self::department($code), array_map(
                static fn (int $after, string $percent): MarkdownStep => new MarkdownStep(
                    $after,
                    Percentage::of($percent),
                ),
                array_keys($steps),
                array_values($steps),
            ));
        }

        $this->proposals->anew();
        $paint = self::department('paint');
        DB::table('markdown_proposals')->where('department_id', $paint)->exists() && $this->take->handle(
            Proposals::version(), $paint, [], Staff::query()->where('number', '301')->sole(),
        );
    }

    private static function department(string $code): int
    {
        return (int) DB::table('departments')->where('code', $code)->value('id');
    }
}
