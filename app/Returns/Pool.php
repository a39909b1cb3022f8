<?php

declare(strict_types=1);

namespace Elmstone\Returns;

/** What became of what was sold: paid, charged to an account, or nobody knows. */
enum Pool: string
{
    case Paid = 'paid';
    case Charged = 'charged';
    case Blind = 'blind';
}
