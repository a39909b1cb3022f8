<?php

declare(strict_types=1);

namespace Elmstone\Support\Due;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Support\Report\Column;
use Elmstone\Support\Report\Report;
use Elmstone\Support\Show;

/** Something to be done about somebody: of what, who, since or until when, how much, and what to do next. */
final readonly class Due
{
    /**
     * @param  string  $what "LAY-000012", "account 1004"
     * @param  string  $address its page
     * @param  string  $reach their phone, or else their mail
     * @param  CarbonImmutable|null  $when the day it falls due, or fell; null: it is of no one day
     * @param  string  $why why now, in a few words
     * @param  string  $next what to do, in a few words
     * @param  bool  $isLate whether the day is past
     */
    public function __construct(
        public string $what,
        public string $address,
        public string $who,
        public string $reach,
        public ?CarbonImmutable $when,
        public Money $amount,
        public string $why,
        public string $next,
        public bool $isLate,
    ) {
    }

    /**
     * Those of all rooms as one list, the longest due first, then the most.
     *
     * @param  list<self>  $dues
     * @return Report<self>
     */
    public static function list(array $dues, CarbonImmutable $day): Report
    {
        usort(
            $dues,
            static fn (self $one, self $other): int => ($one->when ?? $day) <=> ($other->when ?? $day)
                ?: $other->amount->compare($one->amount),
        );

        return Report::of('What is due', $dues, [
            Column::code(
                'What',
                'what',
                static fn (self $due): string => $due->what,
                static fn (self $due): string => $due->address,
            ),
            Column::text('Who', 'who', static fn (self $due): string => $due->who),
            Column::inFile('reach', static fn (self $due): string => $due->reach),
            Column::day('When', 'when', static fn (self $due): ?CarbonImmutable => $due->when)
                ->toned(static fn (self $due): string => $due->isLate ? 'brick' : ''),
            Column::text('Why', 'why', static fn (self $due): string => $due->why)->small(),
            Column::money('How much', 'amount', static fn (self $due): Money => $due->amount)->blankAtZero(),
            Column::text('What to do', 'next', static fn (self $due): string => $due->next),
        ])
            ->about('of layaways, plans and accounts, on '.Show::date($day).'; the longest due first')
            ->orElse('Nothing is due today.')
            ->savedAs("due-{$day->format('Y-m-d')}", 'due.csv');
    }
}
