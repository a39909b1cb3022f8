<?php

declare(strict_types=1);

namespace Elmstone\Support\Http;

/** What stands in an address for a thing: of anything else there is no page. */
final class Address
{
    /** A key of the database: more digits than any has are none. */
    public const NUMBER = '[0-9]{1,18}';

    /** A document, layaway or plan by its number: INV-000123. */
    public const LABEL = '[A-Za-z]{2,4}-[0-9]{1,18}';

    /** An item by its code. */
    public const CODE = '[ -~]{1,40}';
}
