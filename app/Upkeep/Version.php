<?php

declare(strict_types=1);

namespace Elmstone\Upkeep;

/** Which version this is: what stands in the file VERSION (https://semver.org). CHANGELOG.md says what each brought. */
final class Version
{
    public static function current(): string
    {
        return trim((string) file_get_contents(base_path('VERSION')));
    }
}
