<?php

declare(strict_types=1);

namespace Elmstone\Books\Proof;

use Elmstone\Core\Money\Money;

/** What a run over the books looked at, and what was off. */
final class Proof
{
    /** @var array<string, int> */
    public array $checked = [];

    /** @var list<string> */
    public array $faults = [];

    /** @var list<int> documents that are not what was sealed */
    public array $changed = [];

    /** @var array<string, int> faults by topic */
    public array $topics = [];

    /** What another run found, after what this one did. */
    public function add(self $other): void
    {
        foreach ($other->topics as $topic => $faults) {
            $this->topics[$topic] = ($this->topics[$topic] ?? 0) + $faults;
        }

        foreach ($other->checked as $what => $count) {
            $this->checked($what, $count);
        }

        array_push($this->faults, ...$other->faults);
        array_push($this->changed, ...$other->changed);
    }

    public function changed(int $document, string $fault): void
    {
        $this->changed[] = $document;
        $this->fault($fault);
    }

    public function checked(string $what, int $count = 1): void
    {
        $this->checked[$what] = ($this->checked[$what] ?? 0) + $count;
    }

    public function fault(string $fault): void
    {
        $this->faults[] = $fault;
    }

    public function same(string $where, string $what, int|string|Money|null $stored, int|string|Money|null $right): void
    {
        [$stored, $right] = [self::plain($stored), self::plain($right)];

        if ($stored !== $right) {
            $this->fault("{$where}: {$what} is {$stored}, but should be {$right}");
        }
    }

    private static function plain(int|string|Money|null $figure): int|string|null
    {
        return $figure instanceof Money ? $figure->toString() : $figure;
    }
}
