<?php

declare(strict_types=1);

namespace Elmstone\Support\Casts;

use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;

/**
 * A JSON list of minor units in the column, a list of money on the model, in the currency of the shop.
 *
 * @implements CastsAttributes<list<Money>, list<Money|int>>
 */
final class MoneyListCast implements CastsAttributes
{
    /**
     * @param  array<string, mixed>  $attributes
     * @return list<Money>
     */
    public function get(Model $model, string $key, mixed $value, array $attributes): array
    {
        $minor = is_string($value) ? json_decode($value, true) : [];

        return array_values(array_map(MoneyCast::read(...), is_array($minor) ? $minor : []));
    }

    /** @param  array<string, mixed>  $attributes */
    public function set(Model $model, string $key, mixed $value, array $attributes): string
    {
        $minor = array_map(
            static fn (Money|int $one): int => $one instanceof Money ? $one->minor : $one,
            is_array($value) ? $value : [],
        );

        return json_encode($minor, JSON_THROW_ON_ERROR);
    }
}
