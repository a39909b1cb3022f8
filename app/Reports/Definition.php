<?php

declare(strict_types=1);

namespace Elmstone\Reports;

use Elmstone\Staff\Ability;

/** A report: what it is called, what question it answers, who may ask it, and its rows. */
interface Definition
{
    /** As it stands in an address. */
    public function key(): string;

    public function title(): string;

    /** The question it answers, in a sentence. */
    public function question(): string;

    /** Under which head of the list it stands. */
    public function group(): string;

    public function ability(): Ability;

    /** @return array<string, string> what its rows can be by, in words; one at least */
    public function by(): array;

    /** @return list<Filter> what it can be narrowed by, besides the period */
    public function filters(): array;

    /** @return list<Figure> the first is what bars are drawn of */
    public function figures(Asked $asked): array;

    /** @return list<Entry> */
    public function entries(Asked $asked): array;

    /** Whether a period can be set beside another. */
    public function compares(): bool;

    /** What its words are called for: "as of", "in"; whether it is as of the last day only. */
    public function isAsOf(): bool;
}
