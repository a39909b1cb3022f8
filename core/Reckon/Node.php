<?php

declare(strict_types=1);

namespace Elmstone\Core\Reckon;

use DateTimeImmutable;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Reduction;
use Elmstone\Core\Money\Refused;
use stdClass;

/**
 * An object of a request that knows where it stands in it, so that every complaint names its place.
 */
final readonly class Node
{
    private function __construct(private stdClass $object, private string $path)
    {
    }

    /** @throws BadRequest */
    public static function root(string $json): self
    {
        $decoded = json_decode($json, false, 64, JSON_BIGINT_AS_STRING);

        return $decoded instanceof stdClass
            ? new self($decoded, '')
            : throw new BadRequest('bad_json', 'A request is one JSON object.');
    }

    /**
     * Refuses keys that mean nothing here, so that a misspelt one is not passed over.
     *
     * @throws BadRequest
     */
    public function only(string ...$keys): self
    {
        foreach (array_keys(get_object_vars($this->object)) as $key) {
            if (! in_array((string) $key, $keys, true)) {
                throw new BadRequest(
                    'unknown_key',
                    "“{$key}” is not a key here; known are ".implode(', ', $keys).'.',
                    $this->at((string) $key),
                );
            }
        }

        return $this;
    }

    /** @return list<string> */
    public function keys(): array
    {
        return array_map(strval(...), array_keys(get_object_vars($this->object)));
    }

    public function at(string $key): string
    {
        return $this->path === '' ? $key : "{$this->path}.{$key}";
    }

    public function has(string $key): bool
    {
        return isset($this->object->{$key});
    }

    /**
     * Reads one key by whatever turns its text into a value, and names the key where that refuses.
     *
     * @template T
     *
     * @param  callable(string): T  $read
     * @return T
     *
     * @throws BadRequest
     */
    public function read(string $key, callable $read, ?string $default = null): mixed
    {
        return $this->checked($key, fn () => $read($this->string($key, $default)));
    }

    /**
     * @template T
     *
     * @param  callable(): T  $make
     * @return T
     *
     * @throws BadRequest
     */
    public function checked(string $key, callable $make): mixed
    {
        try {
            return $make();
        } catch (Refused $refused) {
            throw BadRequest::at($key === '' ? $this->path : $this->at($key), $refused);
        }
    }

    public function string(string $key, ?string $default = null): string
    {
        $value = $this->object->{$key} ?? $default;

        return match (true) {
            is_string($value) => $value,
            $value === null => throw new BadRequest('missing', "“{$key}” is missing.", $this->at($key)),
            default => throw new BadRequest('bad_type', "“{$key}” must be a string.", $this->at($key)),
        };
    }

    public function int(string $key, ?int $default = null): int
    {
        $value = $this->object->{$key} ?? $default;

        return match (true) {
            is_int($value) => $value,
            $value === null => throw new BadRequest('missing', "“{$key}” is missing.", $this->at($key)),
            default => throw new BadRequest('bad_type', "“{$key}” must be a whole number.", $this->at($key)),
        };
    }

    public function bool(string $key, bool $default): bool
    {
        $value = $this->object->{$key} ?? $default;

        return is_bool($value)
            ? $value
            : throw new BadRequest('bad_type', "“{$key}” must be true or false.", $this->at($key));
    }

    public function currency(): Currency
    {
        return $this->read('currency', Currency::of(...));
    }

    public function money(string $key, Currency $currency): Money
    {
        return $this->read($key, static fn (string $major): Money => Money::of($major, $currency));
    }

    /** {"percent":"5"} or {"amount":"10.00"}; absent or null: nothing. */
    public function reduction(string $key, Currency $currency): ?Reduction
    {
        if (! $this->has($key)) {
            return null;
        }

        $node = $this->child($key)->only('percent', 'amount');

        return match ([$node->has('percent'), $node->has('amount')]) {
            [true, false] => $node->read('percent', Reduction::percent(...)),
            [false, true] => $node->checked(
                'amount',
                static fn (): Reduction => Reduction::amount($node->money('amount', $currency)),
            ),
            default => throw new BadRequest(
                'bad_reduction',
                "“{$key}” has either a percent or an amount.",
                $this->at($key),
            ),
        };
    }

    /**
     * A list of amounts; each complaint names its place in it.
     *
     * @return list<Money>
     */
    public function moneys(string $key, Currency $currency): array
    {
        $moneys = [];

        foreach ($this->strings($key) as $i => $major) {
            $moneys[] = $this->checked("{$key}[{$i}]", static fn (): Money => Money::of($major, $currency));
        }

        return $moneys;
    }

    public function date(string $key): DateTimeImmutable
    {
        $text = $this->string($key);
        $date = DateTimeImmutable::createFromFormat('!Y-m-d', $text);

        return $date !== false && $date->format('Y-m-d') === $text
            ? $date
            : throw new BadRequest('bad_date', "“{$text}” is not a date; write it as 2027-01-31.", $this->at($key));
    }

    public function child(string $key): self
    {
        $value = $this->object->{$key} ?? null;

        return $value instanceof stdClass
            ? new self($value, $this->at($key))
            : throw new BadRequest('bad_type', "“{$key}” must be an object.", $this->at($key));
    }

    /** @return list<self> */
    public function children(string $key): array
    {
        $nodes = [];

        foreach ($this->list($key) as $i => $value) {
            $nodes[] = $value instanceof stdClass
                    ? new self($value, "{$this->at($key)}[{$i}]")
                    : throw new BadRequest('bad_type', 'Every entry must be an object.', "{$this->at($key)}[{$i}]");
        }

        return $nodes;
    }

    /** @return list<string> */
    public function strings(string $key): array
    {
        $strings = [];

        foreach ($this->list($key) as $i => $value) {
            $strings[] = is_string($value)
                ? $value
                : throw new BadRequest('bad_type', 'Every entry must be a string.', "{$this->at($key)}[{$i}]");
        }

        return $strings;
    }

    /** @return list<mixed> absent: empty */
    private function list(string $key): array
    {
        $value = $this->object->{$key} ?? [];

        return is_array($value)
            ? array_values($value)
            : throw new BadRequest('bad_type', "“{$key}” must be a list.", $this->at($key));
    }
}
