<?php

declare(strict_types=1);

namespace Elmstone\Counter\Slip;

/** How the customer gets the paper. */
enum PaperWay: string
{
    case Print = 'print';
    case Mail = 'mail';
    case None = 'none';
}
