<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

/** What came of cancelling a layaway. */
final readonly class Cancelled
{
    /** @param  int|null  $refund the document by which money went back; null: none did */
    public function __construct(public ?int $refund)
    {
    }
}
