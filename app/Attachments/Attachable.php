<?php

declare(strict_types=1);

namespace Elmstone\Attachments;

/** Something that pictures and papers can be kept with; its room tags it as `attachables`. */
interface Attachable
{
    /** What it is called in an address: "customer". */
    public function of(): string;

    /** @return string|null the address of its page; null: there is no such thing */
    public function page(int $id): ?string;
}
