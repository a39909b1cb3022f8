<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Statements;

/** How a customer gets their statement. */
enum StatementWay: string
{
    case Print = 'print';
    case Mail = 'mail';
    case None = 'none';
}
