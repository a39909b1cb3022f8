<?php

declare(strict_types=1);

namespace Elmstone\Support\Tables;

/** What a run over a table found: how many rows of each sort, and of those that somebody must see so many. */
final class ImportReport
{
    /** So many a page shows, and is kept. */
    private const SHOWN = 200;

    public int $rows = 0;

    public int $new = 0;

    public int $changed = 0;

    /** Rows that say what there is already. */
    public int $same = 0;

    public int $bad = 0;

    /** What the good rows come to, in words; empty: it has no sum. */
    public string $comesTo = '';

    /** @var list<array{line: int, name: string, changes: list<string>}> the first of the rows that change somebody */
    public array $changes = [];

    /** @var list<array{line: int, name: string, complaint: string}> the first of the bad rows */
    public array $complaints = [];

    private int $most = self::SHOWN;

    /** One that keeps every row. */
    public static function whole(): self
    {
        $report = new self;
        $report->most = PHP_INT_MAX;

        return $report;
    }

    public function fine(bool $known, bool $same = false): void
    {
        $this->rows++;
        $same ? $this->same++ : ($known ? $this->changed++ : $this->new++);
    }

    /** @param  array<string, mixed>  $kept what stood in one */
    public static function of(array $kept): self
    {
        $report = new self;

        foreach ($kept as $name => $value) {
            property_exists($report, $name) && ($report->{$name} = $value);
        }

        return $report;
    }

    /** @return list<array{string, string, string}> line, name, and what is wrong; where nothing is: what changes */
    public function rowsToSee(): array
    {
        return $this->bad > 0
            ? array_map(
                static fn (array $one): array => [(string) $one['line'], $one['name'], $one['complaint']],
                $this->complaints,
            )
            : array_map(
                static fn (array $one): array => [(string) $one['line'], $one['name'], implode('; ', $one['changes'])],
                $this->changes,
            );
    }

    /** How many of each sort, in words. */
    public function counted(): string
    {
        [$new, $changed, $same, $bad] = array_map(
            number_format(...),
            [$this->new, $this->changed, $this->same, $this->bad],
        );

        return "{$new} new, {$changed} changed, ".($this->same > 0 ? "{$same} as they are, " : '')."{$bad} not right";
    }

    /** @param  list<string>  $changes */
    public function changes(int $line, string $name, array $changes): void
    {
        if (count($this->changes) < $this->most) {
            $this->changes[] = ['line' => $line, 'name' => $name, 'changes' => $changes];
        }
    }

    public function complain(int $line, string $name, string $complaint): void
    {
        $this->rows++;
        $this->bad++;

        if (count($this->complaints) < $this->most) {
            $this->complaints[] = ['line' => $line, 'name' => $name, 'complaint' => $complaint];
        }
    }
}
