<?php

declare(strict_types=1);

namespace Elmstone\Customers;

enum CustomerKind: string
{
    case Person = 'person';
    case Firm = 'firm';
}
