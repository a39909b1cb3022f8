<?php

declare(strict_types=1);

namespace Elmstone\Core\Tax;

/** What a customer need not pay: nothing, everything, or named components. */
final readonly class Exemption
{
    /** @param  list<string>  $components */
    private function __construct(private bool $everything, public array $components)
    {
    }

    public static function none(): self
    {
        return new self(false, []);
    }

    public static function everything(): self
    {
        return new self(true, []);
    }

    /** @param  list<string>  $components ids of tax components */
    public static function from(array $components): self
    {
        return new self(false, $components);
    }

    public function covers(string $component): bool
    {
        return $this->everything || in_array($component, $this->components, true);
    }
}
