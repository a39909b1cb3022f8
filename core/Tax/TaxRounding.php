<?php

declare(strict_types=1);

namespace Elmstone\Core\Tax;

/** Where tax is rounded: once per component and document (EN 16931, BR-CO-17), or on every line. */
enum TaxRounding: string
{
    case PerDocument = 'document';
    case PerLine = 'line';
}
