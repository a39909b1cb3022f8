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
    /** How many values are kept at most. */
    private const KEPT = 4096;

    /** Nothing is written back that was only read. */
    public bool $withoutObjectCaching = true;

    /**
     * The same decimal is the same value, and most stand in many rows: one, a price and the list price it is.
     *
     * @var array<string, T>
     */
    private array $made = [];

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
        if (! is_scalar($value)) {
            return null;
        }

        $decimal = (string) $value;

        if (! isset($this->made[$decimal])) {
            count($this->made) < self::KEPT || ($this->made = []);
            $this->made[$decimal] = $this->of($decimal);
        }

        return $this->made[$decimal];
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
