<?php

declare(strict_types=1);

namespace Elmstone\WebOrders;

/** One thing that is to be looked at. */
final readonly class Problem
{
    /** @param  int|null  $at which of their lines, from 0; null: the whole order */
    public function __construct(public ProblemKind $kind, public ?int $at, public string $words)
    {
    }

    public static function of(ProblemKind $kind, string $words, ?int $at = null): self
    {
        return new self($kind, $at, $words);
    }

    /** @return array{kind: string, at: int|null, words: string} */
    public function toArray(): array
    {
        return ['kind' => $this->kind->value, 'at' => $this->at, 'words' => $this->words];
    }
}
