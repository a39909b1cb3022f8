<?php

declare(strict_types=1);

namespace Elmstone\Labels;

use Elmstone\Catalogue\Item;

/** A list of some page whose items may want labels; a room tags what it has as `label-lists`. */
interface ListsForLabels
{
    /** What an address calls it: /labels?from=… */
    public function name(): string;

    /**
     * @param  array<string, string>  $asked what else stands in the address
     * @return iterable<array{Item, int}> items, and how many labels of each
     */
    public function items(array $asked): iterable;
}
