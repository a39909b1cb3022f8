<?php

declare(strict_types=1);

namespace Elmstone\Core\Proof;

/** One series of an export as it is read: whether each document follows on the one before it, and none is missing. */
final class SeriesCheck
{
    private int $number;

    private string $digest;

    /** @var array<int, string> by number: the digest that was signed as a day was closed */
    private array $signed = [];

    private function __construct(
        private readonly string $kind,
        private readonly int $last,
        private readonly string $end,
        int $first,
        string $before,
    ) {
        $this->number = $first - 1;
        $this->digest = $before;
    }

    public static function of(Fields $series): self
    {
        return new self(
            $series->text('kind'), $series->int('last'), $series->text('end'), $series->int('first'),
            $series->text('before'),
        );
    }

    public function signed(int $number, string $digest): void
    {
        $this->signed[$number] = $digest;
    }

    public function next(int $number, string $label, string $before, string $digest, Verified $found): void
    {
        $next = $this->number + 1;

        if ($number < $next) {
            $found->fault("{$label}: it stands there twice, or was moved behind {$this->name($label, $this->number)}.");

            return;
        }

        match (true) {
            $number === $next + 1 => $found->fault("{$this->name($label, $next)} is missing, or stands elsewhere."),
            $number > $next => $found->fault(
                "{$this->name($label, $next)} to {$this->name($label, $number - 1)} are missing, or stand elsewhere.",
            ),
            $before !== $this->digest => $found->fault(
                "{$label}: it does not follow on the document before it in its series.",
            ),
            default => null,
        };

        if (($this->signed[$number] ?? $digest) !== $digest) {
            $found->fault("{$label}: it is not the one that was signed when its day was closed.");
        }

        [$this->number, $this->digest] = [$number, $digest];
    }

    public function end(Verified $found): void
    {
        match (true) {
            $this->number < $this->last => $found->fault(
                "Series {$this->kind}: it stops at number {$this->number}, and goes to {$this->last}.",
            ),
            $this->digest !== $this->end => $found->fault(
                "Series {$this->kind}: its last document is not the one the file says.",
            ),
            default => null,
        };
    }

    private function name(string $label, int $number): string
    {
        return preg_replace('/\d+$/', sprintf('%06d', $number), $label) ?? $label;
    }
}
