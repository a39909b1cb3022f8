<?php

declare(strict_types=1);

namespace Elmstone\Support;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use Carbon\CarbonImmutable;
use DateTimeInterface;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;

/** How figures and dates are written on the screen and on paper. */
final class Show
{
    /** "owes 12.00", or "12.00 in credit" */
    public static function owes(Money $balance): string
    {
        return $balance->isNegative() ? self::money($balance->abs()).' in credit' : 'owes '.self::money($balance);
    }

    /** "1,204.75": groups of three, the currency's places, a true minus sign. */
    public static function money(Money $money): string
    {
        [$whole, $places] = explode('.', $money->abs()->toString().'.');

        return self::grouped($whole, $money->isNegative()).($places === '' ? '' : ".{$places}");
    }

    private static function grouped(string $digits, bool $negative): string
    {
        return ($negative ? '−' : '').preg_replace('/\B(?=(\d{3})+$)/', ',', $digits);
    }

    /**
     * "1,205": to the whole unit, half up, where a picture has no room for more and the exact figure stands elsewhere.
     */
    public static function whole(Money $money): string
    {
        return self::grouped((string) $money->abs()->major()->toScale(0, RoundingMode::HALF_UP), $money->isNegative());
    }

    /** A decimal without needless zeros: "2.4", "12". */
    public static function decimal(string|BigDecimal|Quantity|Percentage $decimal): string
    {
        return (string) self::big($decimal);
    }

    /** A price with at least two places: "3.80", "0.0425". */
    public static function price(string|BigDecimal|UnitPrice|Percentage $price, int $places = 2): string
    {
        $stripped = self::big($price);

        return (string) ($stripped->getScale() < $places ? $stripped->toScale($places) : $stripped);
    }

    /** After how many places price() ends, for a column that stands on the point. */
    public static function places(string|BigDecimal|UnitPrice|Percentage $price): int
    {
        return max(2, self::big($price)->getScale());
    }

    private static function big(string|BigDecimal|Quantity|UnitPrice|Percentage $decimal): BigDecimal
    {
        $value = is_string($decimal) || $decimal instanceof BigDecimal ? BigDecimal::of($decimal) : $decimal->value;

        return $value->stripTrailingZeros();
    }

    /** "14 Mar 2027" */
    public static function date(DateTimeInterface $date): string
    {
        return $date->format('j M Y');
    }

    /** "14 Mar 2027": the shop's date at a moment. */
    public static function on(DateTimeInterface|string $moment): string
    {
        return ShopTime::at($moment)->format('j M Y');
    }

    /** "15:02": a moment on the shop's clock. */
    public static function time(DateTimeInterface|string $moment): string
    {
        return ShopTime::at($moment)->format('H:i');
    }

    /** "14 Mar 2027, 15:02": a moment on the shop's clock. */
    public static function moment(DateTimeInterface|string $moment): string
    {
        return ShopTime::at($moment)->format('j M Y, H:i');
    }

    /** "3 min", "2 h", "4 days": how long something has waited. */
    public static function waited(CarbonImmutable $since): string
    {
        $minutes = (int) $since->diffInMinutes(CarbonImmutable::now());

        return match (true) {
            $minutes < 1 => 'now',
            $minutes < 90 => "{$minutes} min",
            $minutes < 2880 => intdiv($minutes, 60).' h',
            default => intdiv($minutes, 1440).' days',
        };
    }
}
