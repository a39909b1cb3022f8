<?php

declare(strict_types=1);

namespace Elmstone\Tests\Core;

use Elmstone\Core\Money\TypedNumber;
use PHPUnit\Framework\Attributes\DataProvider;

final class TypedNumberTest extends CoreCase
{
    #[DataProvider('typed')]
    public function test_it_reads_what_people_type(string $typed, string $plain): void
    {
        self::assertSame($plain, TypedNumber::plain($typed));
    }

    /** @return iterable<array{string, string}> */
    public static function typed(): iterable
    {
        yield ['12', '12'];
        yield ['007', '7'];
        yield ['0', '0'];
        yield ['2.5', '2.5'];
        yield ['2,5', '2.5'];
        yield ['2·5', '2.5'];
        yield [',5', '0.5'];
        yield ['1,234.50', '1234.50'];
        yield ['1.234,50', '1234.50'];
        yield ['1 234.5', '1234.5'];
        yield ['0,125', '0.125'];
        yield ['1,234,567', '1234567'];
    }

    #[DataProvider('refused')]
    public function test_it_refuses_rather_than_guesses(string $typed, string $says): void
    {
        self::assertRefused('bad_number', static fn () => TypedNumber::plain($typed));

        try {
            TypedNumber::plain($typed);
        } catch (\Elmstone\Core\Money\Refused $refused) {
            self::assertStringContainsString($says, $refused->getMessage());
        }
    }

    /** @return iterable<array{string, string}> */
    public static function refused(): iterable
    {
        yield ['1,234', 'type 1234 or 1.234'];
        yield ['-3', 'No minus signs'];
        yield ['1e9', 'is not a number'];
        yield ['', 'Type a number'];
        yield ['1.2.3', 'is not a number'];
        yield ['12,34,5', 'is not a number'];
        yield ['٣', 'is not a number'];
    }
}
