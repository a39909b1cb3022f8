<?php

declare(strict_types=1);

namespace Elmstone\Support\Casts;

use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;
use InvalidArgumentException;

/**
 * Amounts by name: an object of minor units in the column, money on the model.
 *
 * @implements CastsAttributes<array<string, Money>|null, array<string, Money>|null>
 */
final class MoneyByNameCast implements CastsAttributes
{
    /**
     * @param  array<string, mixed>  $attributes
     * @return array<string, Money>|null
     */
    public function get(Model $model, string $key, mixed $value, array $attributes): ?array
    {
        if (! is_string($value)) {
            return null;
        }

        /** @var array<string, int> $minor */
        $minor = json_decode($value, true, 2, JSON_THROW_ON_ERROR);
        $currency = app(Currency::class);

        return array_map(static fn (int $amount): Money => Money::ofMinor($amount, $currency), $minor);
    }

    /** @param  array<string, mixed>  $attributes */
    public function set(Model $model, string $key, mixed $value, array $attributes): ?string
    {
        return match (true) {
            $value === null => null,
            is_array($value) => self::write($value),
            default => throw new InvalidArgumentException("{$key} is amounts by name, and takes nothing else."),
        };
    }

    /** @param  array<array-key, Money>  $amounts */
    public static function write(array $amounts): string
    {
        return json_encode(
            (object) array_map(static fn (Money $amount): int => $amount->minor, $amounts),
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE,
        );
    }
}
