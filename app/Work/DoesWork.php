<?php

declare(strict_types=1);

namespace Elmstone\Work;

use Elmstone\Core\Money\Refused;

/** A room that does something beside the pages (tag: `works`). */
interface DoesWork
{
    /** @return list<string> what it does, as works name it */
    public function does(): array;

    /** Whether a piece of it can take minutes, as what stands whole or not at all. */
    public function takesLong(): bool;

    /**
     * One piece of it. A worker can be killed at any point, and then another does the same piece: what it writes, it
     * writes once, and with it, in one transaction, that it did.
     *
     * @return bool whether there is another piece
     *
     * @throws Refused where it cannot be done; in words for whoever wants it
     */
    public function piece(Work $work, Progress $progress): bool;
}
