<?php

declare(strict_types=1);

namespace Elmstone\Support;

/**
 * What a room keeps of a customer that is theirs to see, and to have erased (tag: `personal-data`). What is posted is
 * kept as the law asks, with the name that stood on it; it is shown and never erased.
 */
interface PersonalData
{
    /** @return string|null why it cannot be erased now; null: nothing of this room stands in the way */
    public function hinders(int $customer): ?string;

    /** @return array<string, list<array<string, mixed>>> rows by what they are */
    public function shows(int $customer): array;

    /** Inside a transaction, once nothing hinders. */
    public function erase(int $customer): void;
}
