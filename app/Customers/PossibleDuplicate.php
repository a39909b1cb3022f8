<?php

declare(strict_types=1);

namespace Elmstone\Customers;

use Elmstone\Core\Money\Refused;
use Illuminate\Database\Eloquent\Collection;

/** There is somebody like that already; say that this is another, or use the one there is. */
final class PossibleDuplicate extends Refused
{
    /** @var Collection<int, Customer> */
    public Collection $found;

    /** @param  Collection<int, Customer>  $found */
    public static function of(Collection $found, string $phone, string $mail): self
    {
        $first = $found->first();
        $words = $first === null
                ? ''
                : "{$first->name} ({$first->number}, ".FindDuplicates::why($first, $phone, $mail).')';
        $refused = self::because(
            'possible_duplicate',
            "There is {$words} already. Use them, or say that this is somebody else.",
        );
        $refused->found = $found;

        return $refused;
    }
}
