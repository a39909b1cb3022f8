<?php

declare(strict_types=1);

namespace Elmstone\Support\Database;

use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;

/**
 * A row of a table. It names its table, and what stands in its columns becomes a value by a cast, never by a method of
 * a certain name: those the framework would look for at every reading of every attribute.
 */
abstract class Record extends Model
{
    /** @var array<class-string, array<string, string>> */
    private static array $castsOf = [];

    /** @var list<string>|null how a row is set up where a record has no traits of its own */
    private static ?array $common = null;

    /** @var array<string, CastsAttributes<mixed, mixed>|false> by cast; false: one the framework knows by its name */
    private static array $casters = [];

    /** @var array<class-string, Record> by class: a row with nothing in it yet */
    private static array $firsts = [];

    /** @var array<string, array{mixed, mixed}> by column: what stands in it, and what its cast made of that */
    private array $values = [];

    public $timestamps = false;

    protected $guarded = [];

    /** As the framework does it, but nobody listens to it. */
    protected function bootIfNotBooted(): void
    {
        if (isset(static::$booted[static::class])) {
            return;
        }

        static::$booted[static::class] = true;
        static::booting();
        static::boot();
        static::booted();
        array_map(static fn (callable $then): mixed => $then(), static::$bootedCallbacks[static::class] ?? []);
    }

    /**
     * As the framework does it, but by the names of the traits only, not by asking every method of the class for its
     * marks: that takes longer than reading the row. What all have in common is looked at once.
     */
    protected static function bootTraits(): void
    {
        $hasOwn = class_uses(static::class) !== [] || get_parent_class(static::class) !== self::class;
        static::$traitInitializers[static::class] = $hasOwn
            ? self::traitsBooted()
            : self::$common ??= self::traitsBooted();
    }

    /** @return list<string> how what its traits need is set up in each row */
    private static function traitsBooted(): array
    {
        $initializers = [];

        foreach (class_uses_recursive(static::class) as $trait) {
            $name = class_basename($trait);
            method_exists(static::class, "boot{$name}") && static::{"boot{$name}"}();
            method_exists(static::class, "initialize{$name}") && ($initializers[] = "initialize{$name}");
        }

        return $initializers;
    }

    /** No mark names who watches a row. */
    public static function bootHasEvents(): void
    {
    }

    /** No mark names which rows are left out. */
    public static function bootHasGlobalScopes(): void
    {
    }

    /** @param  string  $key */
    public function __get($key): mixed
    {
        $cast = $this->values[$key] ?? null;

        return $cast !== null && $cast[0] === ($this->attributes[$key] ?? null)
            ? $cast[1]
            : $this->getAttribute($key);
    }

    /**
     * A column is cast once for as long as it stays as it is: what a cast makes is a value, which nothing can change.
     *
     * @param  string  $key
     */
    public function getAttribute($key): mixed
    {
        if (! array_key_exists($key, $this->attributes)) {
            return $this->relations[$key] ?? parent::getAttribute($key);
        }

        $raw = $this->attributes[$key];
        $cast = $this->values[$key] ?? null;

        return match (true) {
            $cast !== null && $cast[0] === $raw => $cast[1],
            isset((self::$castsOf[static::class] ?? $this->getCasts())[$key]) => $this->cast($key, $raw),
            $this->timestamps && in_array($key, ['created_at', 'updated_at'], true) => parent::getAttribute($key),
            default => $raw,
        };
    }

    /**
     * The same in writing: what has no cast is written as it is, what has one of ours as that says.
     *
     * @param  string  $key
     * @param  mixed  $value
     */
    public function setAttribute($key, $value): mixed
    {
        $cast = $this->getCasts()[$key] ?? null;
        $caster = $cast === null ? false : self::caster($cast);

        if ($caster !== false) {
            $this->attributes[$key] = $caster->set($this, $key, $value, $this->attributes);
        } elseif ($cast !== null || $this->timestamps || str_contains($key, '->')) {
            return parent::setAttribute($key, $value);
        } else {
            $this->attributes[$key] = $value;
        }

        return $this;
    }

    /** @return CastsAttributes<mixed, mixed>|false */
    private static function caster(string $cast): CastsAttributes|false
    {
        return self::$casters[$cast] ??= is_subclass_of($cast, CastsAttributes::class) ? new $cast : false;
    }

    private function cast(string $key, mixed $raw): mixed
    {
        $cast = $this->getCasts()[$key];
        $value = match (true) {
            $raw !== null && $cast === 'bool' => (bool) $raw,
            $raw !== null && $cast === 'int' => is_numeric($raw) ? (int) $raw : $this->castAttribute($key, $raw),
            ($caster = self::caster($cast)) === false => $this->castAttribute($key, $raw),
            default => $caster->get($this, $key, $raw, $this->attributes),
        };
        $this->values[$key] = [$raw, $value];

        return $value;
    }

    /**
     * A row as it was read. Every one begins as the first did: nothing listens for rows that are read, and the
     * framework's way, made for models that change with each of theirs, takes longer than reading them.
     *
     * @param  array<string, mixed>|object  $attributes
     * @param  string|\UnitEnum|null  $connection
     */
    public function newFromBuilder($attributes = [], $connection = null): static
    {
        $first = self::$firsts[static::class] ??= $this->newInstance([], true);
        assert($first instanceof static);
        $model = clone $first;
        $model->attributes = $model->original = (array) $attributes;
        $model->setConnection($connection ?? $this->getConnectionName());

        return $model;
    }

    /** @return array<string, string> as they stand in the class: they are asked for at every reading of an attribute */
    public function getCasts(): array
    {
        return self::$castsOf[static::class] ??= parent::getCasts();
    }

    /** @param  string  $key */
    public function hasGetMutator($key): bool
    {
        return false;
    }

    /** @param  string  $key */
    public function hasAttributeGetMutator($key): bool
    {
        return false;
    }

    /** @param  string  $key */
    public function hasSetMutator($key): bool
    {
        return false;
    }

    /** @param  string  $key */
    public function hasAttributeSetMutator($key): bool
    {
        return false;
    }

    /** @param  string  $key */
    public function hasAttributeMutator($key): bool
    {
        return false;
    }
}
