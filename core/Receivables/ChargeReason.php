<?php

declare(strict_types=1);

namespace Elmstone\Core\Receivables;

/** Why a charge may not simply be made. */
enum ChargeReason: string
{
    case NotAnAccount = 'not_an_account';
    case OnStop = 'on_stop';
    case OverLimit = 'over_limit';
    case Overdue = 'overdue';
    case PurchaseOrderRequired = 'purchase_order_required';
    case BuyerNotAuthorised = 'buyer_not_authorised';

    /** Whether nobody at the counter can approve it. */
    public function refuses(): bool
    {
        return $this === self::NotAnAccount || $this === self::OnStop;
    }
}
