<?php

declare(strict_types=1);

namespace Elmstone\Paper;

use Elmstone\Books\Document;

/** A room that keeps something only until a document's first paper is handed out. */
interface Forgets
{
    public function forget(Document $document): void;
}
