<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post;

use Elmstone\Counter\Slip\Slip;

/** The document a slip became, and whether it had become it before; null: only a promise, without a document. */
final readonly class PostedSale
{
    /** @param  Slip  $slip as it was read under its locks */
    public function __construct(public ?int $documentId, public bool $already, public Slip $slip)
    {
    }
}
