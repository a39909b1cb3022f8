<?php

declare(strict_types=1);

namespace Elmstone\Tests\Outside;

use Elmstone\Core\Money\Currency;
use Elmstone\Core\Till\Denominations;
use NumberFormatter;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** How many places a currency has, held against ICU, which takes them from ISO 4217 (Unicode CLDR). */
final class CurrencyTest extends TestCase
{
    #[DataProvider('currencies')]
    public function test_places_are_those_of_iso_4217(string $code): void
    {
        $icu = new NumberFormatter("en@currency={$code}", NumberFormatter::CURRENCY);
        self::assertSame($icu->getAttribute(NumberFormatter::FRACTION_DIGITS), Currency::of($code)->places);
    }

    /** @return iterable<string, array{string}> */
    public static function currencies(): iterable
    {
        foreach (['USD', 'EUR', 'GBP', 'CAD', 'AUD', 'NZD'] as $code) {
            yield $code => [$code];
        }
    }

    #[DataProvider('currencies')]
    public function test_each_note_and_coin_is_whole_minor_units(string $code): void
    {
        $currency = Currency::of($code);
        $all = Denominations::of($currency)?->all() ?? [];
        self::assertNotEmpty($all);

        foreach ($all as $minor => $unit) {
            self::assertGreaterThan(0, $minor);
            self::assertSame($currency, $unit->currency);
            self::assertMatchesRegularExpression(
                '/^\d+\.\d{'.$currency->places.'}$/',
                $unit->toString(),
            );
        }
    }
}
