<?php

declare(strict_types=1);

namespace Elmstone\Paper;

/** A room that lets something out after a posting. */
interface Sends
{
    /** @return list<string> what it sends, as the outbox names it */
    public function sends(): array;

    /** Whether it may wait for a worker, as a mail may; what is handed over at the till does not. */
    public function mayWait(string $what): bool;

    /** In a transaction: where it fails, nothing is noted as handed out. */
    public function send(Outgoing $outgoing): void;
}
