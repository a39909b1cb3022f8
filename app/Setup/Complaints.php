<?php

declare(strict_types=1);

namespace Elmstone\Setup;

use Closure;
use Elmstone\Core\Money\Refused;
use Illuminate\Validation\ValidationException;

/** What cannot be kept, each beside where it was typed; all of it is said at once. */
final class Complaints
{
    /** @var array<string, string> by field */
    private array $said = [];

    /**
     * @template T
     *
     * @param  Closure(): T  $read
     * @return T|null null: it was refused
     */
    public function read(string $field, Closure $read): mixed
    {
        try {
            return $read();
        } catch (Refused $refused) {
            return $this->say($field, $refused->getMessage());
        }
    }

    public function say(string $field, string $words): null
    {
        $this->said[$field] ??= $words;

        return null;
    }

    /** Whether there is one of this row. */
    public function areOf(string $row): bool
    {
        foreach ($this->said as $field => $_) {
            if (str_starts_with($field, "{$row}.")) {
                return true;
            }
        }

        return false;
    }

    /** @throws ValidationException */
    public function end(): void
    {
        $this->said === [] || throw ValidationException::withMessages($this->said);
    }
}
