<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Elmstone\Books\Drafts\DocumentDraft;

/** A room that keeps something of every sale and of what comes back of it, by whatever way it is posted. */
interface FollowsSales
{
    /**
     * In the posting, its document just written; what it needs locked is locked by who posts.
     *
     * @param  DocumentDraft  $draft an invoice, a credit note or a void
     */
    public function sold(int $document, DocumentDraft $draft): void;
}
