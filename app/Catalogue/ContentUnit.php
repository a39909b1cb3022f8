<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

/** What the content of a package is measured in, and what the price of one of it is said for. */
enum ContentUnit: string
{
    case Kilogram = 'kg';
    case Litre = 'L';
    case Metre = 'm';
    case SquareMetre = 'm²';
    case Piece = 'piece';

    public function label(): string
    {
        return $this->value;
    }
}
