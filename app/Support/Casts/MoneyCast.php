<?php

declare(strict_types=1);

namespace Elmstone\Support\Casts;

use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;
use InvalidArgumentException;

/**
 * Minor units in the column, money on the model, in the currency of the shop.
 *
 * @implements CastsAttributes<Money|null, Money|null>
 */
final class MoneyCast implements CastsAttributes
{
    /** Minor units as a query gives them: a whole number, or the sum of some. */
    public static function read(mixed $minor): Money
    {
        return Money::ofMinor(is_numeric($minor) ? (int) $minor : 0, app(Currency::class));
    }

    /** @param  array<string, mixed>  $attributes */
    public function get(Model $model, string $key, mixed $value, array $attributes): ?Money
    {
        return is_numeric($value) ? Money::ofMinor((int) $value, app(Currency::class)) : null;
    }

    /** @param  array<string, mixed>  $attributes */
    public function set(Model $model, string $key, mixed $value, array $attributes): ?int
    {
        return match (true) {
            $value === null => null,
            $value instanceof Money => $value->minor,
            default => throw new InvalidArgumentException("{$key} is money, and takes nothing else."),
        };
    }
}
