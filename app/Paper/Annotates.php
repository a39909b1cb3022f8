<?php

declare(strict_types=1);

namespace Elmstone\Paper;

use Elmstone\Books\Document;

/**
 * A room that has something to add to a document's papers. What it says must not change later, so that a reprint is the
 * same paper; what is worth money by itself stands on the original only.
 */
interface Annotates
{
    /** Where its notes stand among those of others: the lower, the earlier. */
    public function place(): int;

    /**
     * @param  bool  $copy whether such a paper was handed out before
     * @return list<PaperNote>
     */
    public function notes(Document $document, bool $copy): array;
}
