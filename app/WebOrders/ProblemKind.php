<?php

declare(strict_types=1);

namespace Elmstone\WebOrders;

/** What keeps an order from being taken as it came, so that a person looks at it. */
enum ProblemKind: string
{
    case Currency = 'currency';
    case Buyer = 'buyer';
    case Item = 'item';
    case Quantity = 'quantity';
    case Unit = 'unit';
    case Price = 'price';
    case Sum = 'sum';
    case Allowance = 'allowance';
    case Freight = 'freight';
    case Day = 'day';
    case Account = 'account';
    case Other = 'other';
}
