<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Ledger;

use Elmstone\Books\Drafts\DocumentDraft;
use Elmstone\Core\Receivables\Terms;

/** A posted document on its way into the receivables ledger. */
final readonly class LedgerEntry
{
    public function __construct(public int $documentId, public DocumentDraft $draft, public ?Terms $terms = null)
    {
    }
}
