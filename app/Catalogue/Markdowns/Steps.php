<?php

declare(strict_types=1);

namespace Elmstone\Catalogue\Markdowns;

use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Pricing\Markdown;
use Elmstone\Core\Pricing\MarkdownStep;
use Illuminate\Support\Facades\DB;

/** By how much a department's goods get cheaper, and when. */
final class Steps
{
    public const MOST = 5;

    /** @return array<int, Markdown> by department; one without steps is not in it */
    public static function all(): array
    {
        return DB::table('markdown_steps')
            ->orderBy('department_id')
            ->orderBy('after')
            ->get()
            ->groupBy('department_id')
            ->map(static fn ($rows): Markdown => Markdown::of(array_values($rows->map(
                static fn (object $row): MarkdownStep => new MarkdownStep(
                    (int) $row->after,
                    Percentage::of((string) $row->percent),
                ),
            )->all())))
            ->all();
    }

    /**
     * Each must be after more days than the one before; what was marked down by others stays until the morning.
     *
     * @param  list<MarkdownStep>  $steps none: nothing gets cheaper
     *
     * @throws Refused steps_out_of_order
     */
    public static function keep(int $department, array $steps): void
    {
        $markdown = Markdown::of($steps);

        DB::transaction(static function () use ($department, $markdown): void {
            Proposals::lock();
            DB::table('markdown_steps')->where('department_id', $department)->delete();
            DB::table('markdown_steps')->insert(array_map(static fn (MarkdownStep $step): array => [
                'department_id' => $department,
                'after' => $step->after,
                'percent' => $step->percent->toString(),
            ], $markdown->steps));
        });
    }
}
