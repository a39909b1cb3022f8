<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post;

/** The document a slip became, and whether it had become it before; null: only a promise, without a document. */
final readonly class PostedSale
{
    public function __construct(public ?int $documentId, public bool $already)
    {
    }
}
