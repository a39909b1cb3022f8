<?php

declare(strict_types=1);

namespace Elmstone\Catalogue\Families;

use Elmstone\Core\Money\Refused;

/** What is wrong with one cell of a grid, so that it is said there. */
final class CellRefused extends Refused
{
    /** Which: an item's id, or "row column". */
    public string $cell = '';

    public static function at(string $cell, string $rule, string $message): self
    {
        $refused = self::because($rule, $message);
        $refused->cell = $cell;

        return $refused;
    }
}
