<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Statements;

/** What a statement lists. */
enum StatementKind: string
{
    /** Every item that is open. */
    case OpenItem = 'open_item';

    /** The balance brought forward, and everything since. */
    case BalanceForward = 'balance_forward';

    public function label(): string
    {
        return $this === self::OpenItem ? 'Open items' : 'Balance forward';
    }
}
