<?php

declare(strict_types=1);

namespace Elmstone\Support\Menu;

/** A word of the row on top, and the pages under it. */
final readonly class MenuWord
{
    /** @param  non-empty-list<MenuPage>  $pages */
    public function __construct(public string $name, public array $pages)
    {
    }

    public function isHere(): bool
    {
        foreach ($this->pages as $page) {
            if ($page->isHere) {
                return true;
            }
        }

        return false;
    }
}
