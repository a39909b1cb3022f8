<?php

declare(strict_types=1);

namespace Elmstone\Purchasing\Transfers;

enum TransferState: string
{
    case Sent = 'sent';
    case Done = 'done';

    public function words(): string
    {
        return match ($this) {
            self::Sent => 'on its way',
            self::Done => 'counted in',
        };
    }
}
