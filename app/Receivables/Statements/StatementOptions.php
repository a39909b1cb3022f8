<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Statements;

use Carbon\CarbonImmutable;

/** What a statement, or a run of them, is to show. */
final readonly class StatementOptions
{
    /**
     * @param  StatementKind|null  $kind null: as each account wants it
     * @param  int  $olderThan only items more than so many days old; 0: all
     * @param  CarbonImmutable  $from where the balance is brought forward from
     */
    public function __construct(
        public CarbonImmutable $asOf,
        public ?StatementKind $kind,
        public int $olderThan,
        public CarbonImmutable $from,
    ) {
    }

    public static function of(
        CarbonImmutable $asOf,
        ?StatementKind $kind = null,
        int $olderThan = 0,
        ?CarbonImmutable $from = null,
    ): self {
        return new self($asOf->startOfDay(), $kind, max(0, $olderThan), $from ?? $asOf->startOfMonth());
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'as_of' => $this->asOf->format('Y-m-d'),
            'kind' => $this->kind?->value,
            'older_than' => $this->olderThan,
            'from' => $this->from->format('Y-m-d'),
        ];
    }

    /** @param  array<string, mixed>  $kept */
    public static function fromArray(array $kept): self
    {
        $text = static fn (string $name): string => is_string($kept[$name] ?? null) ? $kept[$name] : '';

        return new self(
            CarbonImmutable::parse($text('as_of')),
            StatementKind::tryFrom($text('kind')),
            is_int($kept['older_than'] ?? null) ? $kept['older_than'] : 0,
            CarbonImmutable::parse($text('from')),
        );
    }

    public function words(): string
    {
        return ($this->kind === null ? 'as each account wants it' : mb_strtolower($this->kind->label()))
            .($this->olderThan > 0 ? ", items older than {$this->olderThan} days" : '');
    }
}
