<?php

declare(strict_types=1);

namespace Elmstone\Support\Casts;

use Brick\Math\BigDecimal;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\UnitPrice;
use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Contracts\Database\Eloquent\ComparesCastableAttributes;
use Illuminate\Database\Eloquent\Model;
use InvalidArgumentException;

/**
 * A decimal in the column, a value of the core on the model. What is set may still be text, as it was typed or read: it
 * is read as the value it is to be.
 *
 * @template T of Quantity|UnitPrice|Percentage
 *
 * @implements CastsAttributes<T|null, T|string|null>
 */
abstract class DecimalCast implements CastsAttributes, ComparesCastableAttributes
{
    /** A value is made anew at each reading, and nothing is written back that was only read. */
    public bool $withoutObjectCaching = true;

    /**
     * @return T
     *
     * @throws Refused when it is no such value
     */
    abstract protected function of(string $decimal): Quantity|UnitPrice|Percentage;

    /**
     * @param  array<string, mixed>  $attributes
     * @return T|null
     */
    public function get(Model $model, string $key, mixed $value, array $attributes): Quantity|UnitPrice|Percentage|null
    {
        return is_scalar($value) ? $this->of((string) $value) : null;
    }

    /** @param  array<string, mixed>  $attributes */
    public function set(Model $model, string $key, mixed $value, array $attributes): ?string
    {
        return match (true) {
            $value === null => null,
            is_string($value) => $this->of($value)->toString(),
            $value instanceof Quantity, $value instanceof UnitPrice,
            $value instanceof Percentage => $this->of($value->toString())->toString(),
            default => throw new InvalidArgumentException("{$key} is a decimal, and takes nothing else."),
        };
    }

    /** Whether both are the same, however many places they are written with. */
    public function compare(Model $model, string $key, mixed $firstValue, mixed $secondValue): bool
    {
        return is_numeric($firstValue) && is_numeric($secondValue)
            ? BigDecimal::of((string) $firstValue)->isEqualTo((string) $secondValue)
            : $firstValue === $secondValue;
    }
}
