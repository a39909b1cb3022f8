<?php

declare(strict_types=1);

namespace Elmstone\Core\Receivables;

/** Which way an item on an account points. */
enum ItemKind: string
{
    /** Owed by the customer: an invoice or a charge. */
    case Charge = 'charge';

    /** Owed to the customer: a payment or a credit not fully used. */
    case Credit = 'credit';
}
