<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

use Carbon\CarbonImmutable;
use Elmstone\Core\Layaway\Rhythm;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Slip\SlipHold;
use Elmstone\Layaways\AgreedTerms;
use Elmstone\Layaways\HouseTerms;
use Elmstone\Layaways\PortionText;
use Elmstone\Shop\House;
use Elmstone\Support\TypedDate;

/** The terms of a layaway as they were typed. */
final class HoldTerms
{
    /** What any clerk may agree with the customer. */
    public const ANYBODYS = ['count' => 0, 'rhythm' => 0, 'first_due' => 0];

    /**
     * @param  array<string, string>  $typed
     * @return array<string, mixed> columns of the slip's hold
     *
     * @throws Refused bad_count, bad_date, bad_percent, bad_amount
     */
    public static function columns(array $typed, SlipHold $hold, House $house): array
    {
        $columns = [];

        foreach ($typed as $name => $text) {
            $text = trim($text);
            $columns += match ($name) {
                'count' => ['count' => self::count($text)],
                'rhythm' => self::rhythm($text, $hold),
                'first_due', 'expires_on' => [$name => self::date($text)],
                'grace_days' => ['grace_days' => self::days($text)],
                default => ['terms' => self::portion($name, $text, $hold->agreedTerms(), $house)],
            };
        }

        return $columns;
    }

    private static function count(string $text): int
    {
        return preg_match('/^\d{1,3}$/D', $text) === 1 && (int) $text >= 1 && (int) $text <= HouseTerms::MOST
            ? (int) $text
            : throw Refused::because('bad_count', 'There are between 1 and '.HouseTerms::MOST.' payments.');
    }

    /** @return array<string, mixed> the payments there is room for follow */
    private static function rhythm(string $text, SlipHold $hold): array
    {
        $rhythm = Rhythm::tryFrom($text)
            ?? throw Refused::because('bad_rhythm', 'Payments fall due by week, fortnight or month.');

        return ['rhythm' => $rhythm, 'count' => HouseTerms::countUntil($rhythm, $hold->first_due, $hold->expires_on)];
    }

    public static function date(string $text): CarbonImmutable
    {
        return TypedDate::of($text)
            ?? throw Refused::because('bad_date', "“{$text}” is not a date.");
    }

    private static function days(string $text): int
    {
        return preg_match('/^\d{1,3}$/D', $text) === 1
            ? (int) $text
            : throw Refused::because('bad_count', 'Days of grace are a whole number.');
    }

    /** "10 %", "15.00", or both: "10 % 15.00". Empty: none. */
    private static function portion(string $name, string $text, AgreedTerms $terms, House $house): string
    {
        return in_array($name, AgreedTerms::PORTIONS, true)
            ? $terms->with($name, PortionText::read($text, $house))->toJson()
            : throw Refused::because('bad_terms', 'There is no such term.');
    }
}
