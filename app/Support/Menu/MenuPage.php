<?php

declare(strict_types=1);

namespace Elmstone\Support\Menu;

/** A page that stands in the second row. */
final readonly class MenuPage
{
    public function __construct(public string $label, public string $route, public bool $isHere)
    {
    }
}
