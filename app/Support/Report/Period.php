<?php

declare(strict_types=1);

namespace Elmstone\Support\Report;

use Carbon\CarbonImmutable;
use DateTimeInterface;
use Elmstone\Core\Money\Refused;
use Elmstone\Support\Show;

/** Business days from one to another, both in it, as lists and reports are narrowed by. */
final readonly class Period
{
    /** Longer ones nobody reads; they are asked year by year. */
    private const MOST_YEARS = 5;

    /** What the buttons say, by their name. */
    public const NAMED = [
        'today' => 'Today',
        'yesterday' => 'Yesterday',
        'this-week' => 'This week',
        'last-week' => 'Last week',
        'this-month' => 'This month',
        'last-month' => 'Last month',
        'this-quarter' => 'This quarter',
        'last-quarter' => 'Last quarter',
        'this-year' => 'This year',
        'last-year' => 'Last year',
    ];

    private function __construct(public CarbonImmutable $from, public CarbonImmutable $until, public string $name)
    {
    }

    /** @throws Refused back_to_front, too_long */
    public static function between(CarbonImmutable $from, CarbonImmutable $until): self
    {
        return match (true) {
            $from->greaterThan($until) => throw Refused::because(
                'back_to_front',
                'It ends on '.Show::date($until).', before it begins on '.Show::date($from).'.',
            ),
            $from->addYears(self::MOST_YEARS)->lessThanOrEqualTo($until) => throw Refused::because(
                'too_long',
                'That is more than '.self::MOST_YEARS.' years. Ask for it in parts.',
            ),
            default => new self($from->startOfDay(), $until->startOfDay(), ''),
        };
    }

    /** One of NAMED, as seen from a day; null: no such name. A week begins on Monday (ISO 8601). */
    public static function named(string $name, CarbonImmutable $today): ?self
    {
        $days = match ($name) {
            'today' => [$today, $today],
            'yesterday' => [$today->subDay(), $today->subDay()],
            'this-week' => [$today->startOfWeek(), $today],
            'last-week' => [$today->subWeek()->startOfWeek(), $today->subWeek()->endOfWeek()],
            'this-month' => [$today->startOfMonth(), $today],
            'last-month' => [
                $today->subMonthNoOverflow()->startOfMonth(), $today->subMonthNoOverflow()->endOfMonth(),
            ],
            'this-quarter' => [$today->startOfQuarter(), $today],
            'last-quarter' => [
                $today->startOfQuarter()->subDay()->startOfQuarter(), $today->startOfQuarter()->subDay(),
            ],
            'this-year' => [$today->startOfYear(), $today],
            'last-year' => [$today->subYearNoOverflow()->startOfYear(), $today->subYearNoOverflow()->endOfYear()],
            default => null,
        };

        return $days === null ? null : new self($days[0]->startOfDay(), $days[1]->startOfDay(), $name);
    }

    /**
     * What it is set beside: of whole months as many months before, else as many days before.
     */
    public function before(): self
    {
        $isMonths = $this->from->day === 1 && $this->until->isSameDay($this->until->endOfMonth());
        $months = (int) $this->from->diffInMonths($this->until->addDay());

        return $isMonths
            ? new self($this->from->subMonthsNoOverflow($months), $this->from->subDay(), '')
            : new self($this->from->subDays($this->days()), $this->from->subDay(), '');
    }

    /** The same days a year before. */
    public function yearBefore(): self
    {
        $until = $this->until->isSameDay($this->until->endOfMonth())
            ? $this->until->startOfMonth()->subYearNoOverflow()->endOfMonth()->startOfDay()
            : $this->until->subYearNoOverflow();

        return new self($this->from->subYearNoOverflow(), $until, '');
    }

    public function days(): int
    {
        return (int) $this->from->diffInDays($this->until) + 1;
    }

    public function has(DateTimeInterface $day): bool
    {
        return $day >= $this->from && $day <= $this->until->endOfDay();
    }

    /** @return array{string, string} its days, as the database has them */
    public function dates(): array
    {
        return [$this->from->format('Y-m-d'), $this->until->format('Y-m-d')];
    }

    public function words(): string
    {
        return $this->from->isSameDay($this->until)
            ? Show::date($this->from)
            : Show::date($this->from).' – '.Show::date($this->until);
    }

    /** @return array<string, string> as an address asks for it */
    public function query(): array
    {
        return $this->name === ''
            ? ['from' => $this->from->format('Y-m-d'), 'until' => $this->until->format('Y-m-d')]
            : ['period' => $this->name];
    }
}
