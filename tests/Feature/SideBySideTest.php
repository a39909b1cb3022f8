<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use ArrayObject;
use Elmstone\Support\SideBySide;
use Elmstone\Tests\TestCase;
use PHPUnit\Framework\Attributes\DataProvider;
use RuntimeException;

/** Work that several processes do at once: each piece once, the answers in order, and whatever goes wrong is said. */
final class SideBySideTest extends TestCase
{
    /** @return list<array{int<1, max>}> */
    public static function processes(): array
    {
        return [[1], [2], [5]];
    }

    /** @param  int<1, max>  $processes */
    #[DataProvider('processes')]
    public function test_each_piece_is_done_once_and_the_answers_stand_in_order(int $processes): void
    {
        $pieces = array_map(
            static fn (int $i) => static fn (): ArrayObject => new ArrayObject([$i, getmypid()]),
            range(0, 199),
        );
        $answers = array_map(
            static fn (ArrayObject $answer): array => $answer->getArrayCopy(),
            (new SideBySide($processes))->each($pieces),
        );
        $this->assertSame(range(0, 199), array_column($answers, 0));
        $this->assertSame($processes === 1, in_array(getmypid(), array_column($answers, 1), true));
    }

    public function test_a_piece_that_fails_is_not_passed_over(): void
    {
        $this->expectException(RuntimeException::class);
        $this->expectExceptionMessage('the third is broken');
        (new SideBySide(2))->each([
            static fn () => new ArrayObject,
            static fn () => new ArrayObject,
            static fn () => throw new RuntimeException('the third is broken'),
        ]);
    }

    public function test_nor_is_a_process_that_is_killed(): void
    {
        $this->expectExceptionMessage('A process ended before its work was done.');
        (new SideBySide(2))->each([
            static fn () => new ArrayObject,
            static fn () => posix_kill(posix_getpid(), SIGKILL) ? new ArrayObject : new ArrayObject,
        ]);
    }
}
