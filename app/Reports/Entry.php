<?php

declare(strict_types=1);

namespace Elmstone\Reports;

/** A row of a report: what it is of, where its documents are, and its figures. */
final readonly class Entry
{
    /**
     * @param  string  $key what it is set beside the row of another period by
     * @param  string  $link to the documents behind it; empty: none
     * @param  array<string, mixed>  $figures by name: minor units, counts, decimals as text
     * @param  bool  $isQuiet drawn softly: it stands besides
     */
    public function __construct(
        public string $key,
        public string $label,
        public array $figures,
        public string $link = '',
        public bool $isQuiet = false,
    ) {
    }
}
