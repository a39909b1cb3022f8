<?php

declare(strict_types=1);

namespace Elmstone\Receivables;

/** How a customer gets their statement. */
enum StatementWay: string
{
    case Print = 'print';
    case Mail = 'mail';
    case None = 'none';
}
