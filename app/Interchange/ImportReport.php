<?php

declare(strict_types=1);

namespace Elmstone\Interchange;

/** What a run over a table found. */
final class ImportReport
{
    public int $rows = 0;

    public int $new = 0;

    public int $changed = 0;

    public int $bad = 0;

    /** @var list<array{line: int, name: string, complaint: string}> the first of the bad rows */
    public array $complaints = [];

    public function fine(bool $changes): void
    {
        $this->rows++;
        $changes ? $this->changed++ : $this->new++;
    }

    public function complain(int $line, string $name, string $complaint, int $most): void
    {
        $this->rows++;
        $this->bad++;

        if (count($this->complaints) < $most) {
            $this->complaints[] = ['line' => $line, 'name' => $name, 'complaint' => $complaint];
        }
    }
}
