<?php

declare(strict_types=1);

namespace Elmstone\Core\Proof;

/** An object of JSON that somebody else may have written: what is not there, or of another kind, is empty. */
final readonly class Fields
{
    /** @param  array<mixed>  $members */
    private function __construct(private array $members)
    {
    }

    /** @return self|null null: it is no object */
    public static function read(string $json): ?self
    {
        $read = json_decode($json, true, 32);

        return is_array($read) ? new self($read) : null;
    }

    public function text(string $name): string
    {
        $value = $this->members[$name] ?? '';

        return is_scalar($value) ? (string) $value : '';
    }

    public function int(string $name): int
    {
        $value = $this->members[$name] ?? 0;

        return is_int($value) ? $value : 0;
    }

    /** What stands there in base64; not that: empty. */
    public function bytes(string $name): string
    {
        return (string) base64_decode($this->text($name), true);
    }

    public function in(string $name): self
    {
        $value = $this->members[$name] ?? [];

        return new self(is_array($value) ? $value : []);
    }

    /** @return array<self> objects in a list, or by their names */
    public function each(string $name): array
    {
        return $this->in($name)->all();
    }

    /** @return array<self> all objects in it, where it is a list of them */
    public function all(): array
    {
        return array_map(
            static fn (array $one): self => new self($one),
            array_filter($this->members, is_array(...)),
        );
    }
}
