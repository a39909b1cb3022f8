<?php

declare(strict_types=1);

namespace Elmstone\Reports;

/** What a report can be narrowed by, besides its period. */
enum Filter: string
{
    case Location = 'location';
    case Till = 'till';
    case Department = 'department';
    case Person = 'person';
    case Customer = 'customer';
    case Item = 'item';
    case Way = 'way';
    case Hours = 'hours';
}
