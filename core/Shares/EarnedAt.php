<?php

declare(strict_types=1);

namespace Elmstone\Core\Shares;

/** When commission is earned: as what was sold is invoiced, or as that invoice is paid. */
enum EarnedAt: string
{
    case Invoice = 'invoice';
    case Payment = 'payment';
}
