<?php

declare(strict_types=1);

namespace Elmstone\Tests\Core;

use Elmstone\Core\Money\Refused;
use Elmstone\Core\Receivables\ReminderLadder;
use PHPUnit\Framework\Attributes\DataProvider;

/** Which reminder letter is due for an item. */
final class ReminderLadderTest extends CoreCase
{
    /** @return iterable<string, array{int, int, int|null, int|null}> days late, letters sent, days since, level due */
    public static function items(): iterable
    {
        yield 'not late enough' => [9, 0, null, null];
        yield 'the first' => [10, 0, null, 1];
        yield 'found long late: still the first' => [90, 0, null, 1];
        yield 'too soon after the first' => [90, 1, 13, null];
        yield 'as far after the first as the levels lie apart' => [24, 1, 14, 2];
        yield 'late enough after the first, and not late enough for it' => [23, 1, 14, null];
        yield 'the third' => [45, 2, 14, 3];
        yield 'no more after the last' => [300, 3, 200, null];
    }

    #[DataProvider('items')]
    public function test_an_item_goes_up_one_level_at_a_time(int $late, int $sent, ?int $since, ?int $due): void
    {
        self::assertSame($due, ReminderLadder::of([10, 24, 38])->due($late, $sent, $since));
    }

    /** @return iterable<string, array{list<int>}> */
    public static function wrong(): iterable
    {
        yield 'nought' => [[0]];
        yield 'the same twice' => [[10, 10]];
        yield 'back again' => [[24, 10]];
        yield 'beyond a year' => [[10, 366]];
        yield 'too many' => [[1, 2, 3, 4, 5, 6, 7, 8, 9, 10]];
    }

    /** @param  list<int>  $after */
    #[DataProvider('wrong')]
    public function test_levels_follow_each_other_within_a_year(array $after): void
    {
        $this->expectExceptionObject(Refused::because('bad_levels', 'Each letter goes after more days than the one '
            .'before: 1 to 365, and 9 letters at most.'));
        ReminderLadder::of($after);
    }

    public function test_without_levels_there_are_no_letters(): void
    {
        self::assertNull(ReminderLadder::of([])->due(300, 0, null));
    }
}
