<?php

declare(strict_types=1);

namespace Elmstone\Staff\Doors;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Refused;
use Elmstone\Staff\Staff;
use Elmstone\Support\Show;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * Counts tries of PINs, each before it is looked at, so that many at once are not more than one after the other. Per
 * staff number and till: who guesses at one till locks nobody out at another. A right PIN takes its number's count
 * away. Numbers nobody has are counted like others, so that no answer tells which there are.
 */
final class PinTries
{
    /** So many of one number at one till; the next is locked out. */
    public const MOST = 5;

    public const LOCKED_MINUTES = 15;

    /** So many wrong ones of any numbers at one till within a minute. */
    public const MOST_AT_TILL = 20;

    /** The row that counts all numbers of a till. */
    private const ANY = '';

    /** @throws Refused locked, too_many */
    public function begin(string $number, int $till): void
    {
        $this->count(self::ANY, $till, 60);
        $this->count($number, $till, 60 * self::LOCKED_MINUTES);
        // Asked of the database, to which a number in other digits is the same number, as it is where staff are looked
        // up.
        $own = $this->row($number, $till);
        $since = CarbonImmutable::parse((string) $own?->since);

        match (true) {
            (int) $own?->tries > self::MOST => throw Refused::because(
                'locked',
                "Too many wrong tries. Staff number {$number} is locked at this till until "
                    .Show::time($since->addMinutes(self::LOCKED_MINUTES))
                    .'; the owner can unlock it.',
            ),
            (int) $this->row(self::ANY, $till)?->tries > self::MOST_AT_TILL => throw Refused::because(
                'too_many',
                'Too many tries from this till. Wait a minute and try again.',
            ),
            default => null,
        };
    }

    private function row(string $number, int $till): ?stdClass
    {
        return DB::table('pin_tries')->where('number', mb_substr($number, 0, 20))->where('till_id', $till)->first();
    }

    /** The PIN was right: it does not count. */
    public function right(string $number, int $till): void
    {
        DB::table('pin_tries')->where('number', $number)->where('till_id', $till)->delete();
        DB::table('pin_tries')
            ->where('number', self::ANY)
            ->where('till_id', $till)
            ->where('tries', '>', 0)
            ->decrement('tries');
    }

    /** Unlocked at every till. */
    public function forget(string $number): void
    {
        DB::table('pin_tries')->where('number', $number)->delete();
    }

    /** @return list<string> staff numbers that are locked at some till */
    public function locked(): array
    {
        $rows = DB::table('pin_tries')
            ->where('number', '<>', self::ANY)
            ->where('tries', '>', self::MOST)
            ->where('since', '>', CarbonImmutable::now()->subMinutes(self::LOCKED_MINUTES)->format('Y-m-d H:i:s'))
            ->distinct()
            ->pluck('number')
            ->all();

        return array_values(array_map(static fn (mixed $number): string => is_string($number) ? $number : '', $rows));
    }

    /**
     * One statement, so that no two count the same. The time runs from the first of them; of one that is locked, from
     * the try that locked it.
     *
     * @param  int  $seconds after which counting begins anew
     */
    private function count(string $number, int $till, int $seconds): void
    {
        $now = CarbonImmutable::now();
        $over = $now->subSeconds($seconds)->format('Y-m-d H:i:s');
        DB::statement(
            'INSERT INTO pin_tries (number, till_id, tries, since) VALUES (?, ?, 1, ?) ON DUPLICATE KEY UPDATE
            tries = IF(since <= ?, 1, LEAST(tries + 1, 1000)),
            since = IF(since <= ? OR (number <> ? AND tries = ?), VALUES(since), since)',
            [mb_substr($number, 0, 20), $till, $now->format('Y-m-d H:i:s'), $over, $over, self::ANY, self::MOST + 1],
        );
    }
}
