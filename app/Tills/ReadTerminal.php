<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Devices\BatchReport;
use Elmstone\Devices\CardTerminal;
use Elmstone\Devices\DeviceFailed;

/** What the terminal of a till says itself of a session. */
final class ReadTerminal
{
    public function __construct(private readonly CardTerminal $terminal)
    {
    }

    /** Null: it does not answer, and what its paper says is typed. */
    public function of(TillSession $session): ?BatchReport
    {
        try {
            return $this->terminal->report($session->till, $session->opened_at);
        } catch (DeviceFailed) {
            return null;
        }
    }
}
