<?php

declare(strict_types=1);

namespace Elmstone\Paper;

use Elmstone\Books\Document;

/** A room that has something to add to a document's papers. What it says must not change later, so that a reprint is the same paper. */
interface Annotates
{
    /** @return list<PaperNote> */
    public function notes(Document $document): array;
}
