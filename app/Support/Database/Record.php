<?php

declare(strict_types=1);

namespace Elmstone\Support\Database;

use Illuminate\Database\Eloquent\Model;

/**
 * A row of a table. It names its table, and what stands in its columns becomes a value by a cast, never by a method of
 * a certain name: those the framework would look for at every reading of every attribute.
 */
abstract class Record extends Model
{
    /** @var array<class-string, array<string, string>> */
    private static array $castsOf = [];

    public $timestamps = false;

    protected $guarded = [];

    /**
     * As the framework does it, but by the names of the traits only, not by asking every method of the class for its
     * marks: that takes longer than reading the row.
     */
    protected static function bootTraits(): void
    {
        static::$traitInitializers[static::class] = [];

        foreach (class_uses_recursive(static::class) as $trait) {
            $name = class_basename($trait);
            method_exists(static::class, "boot{$name}") && static::{"boot{$name}"}();
            method_exists(static::class, "initialize{$name}")
                && (static::$traitInitializers[static::class][] = "initialize{$name}");
        }
    }

    /**
     * Most columns are what they are: nothing has to be looked up to read them.
     *
     * @param  string  $key
     */
    public function getAttribute($key): mixed
    {
        $isPlain = array_key_exists($key, $this->attributes)
            && ! isset($this->getCasts()[$key])
            && ! ($this->timestamps && in_array($key, ['created_at', 'updated_at'], true));

        return $isPlain ? $this->attributes[$key] : parent::getAttribute($key);
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
