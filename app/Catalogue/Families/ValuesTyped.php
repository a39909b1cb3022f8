<?php

declare(strict_types=1);

namespace Elmstone\Catalogue\Families;

/** Values of a property as they are typed: one after the other, by comma or line. */
final class ValuesTyped
{
    /** @return list<string> each once, in the order typed */
    public static function read(string $typed): array
    {
        $values = [];

        foreach (preg_split('/[,;\r\n]+/', $typed) ?: [] as $value) {
            $value = mb_substr(trim(preg_replace('/\s+/u', ' ', $value) ?? ''), 0, 40);
            $value === '' || ($values[mb_strtolower($value)] ??= $value);
        }

        return array_values($values);
    }
}
