<?php

declare(strict_types=1);

namespace Elmstone\Books;

/** Where goods go that come back. */
enum GoodsTo: string
{
    case Stock = 'stock';
    case WrittenOff = 'written_off';
    case Supplier = 'supplier';
    /** Nothing comes back but money goes: a price was wrong, or something is made up for. */
    case None = 'none';

    public function words(): string
    {
        return match ($this) {
            self::Stock => 'back to stock',
            self::WrittenOff => 'written off',
            self::Supplier => 'to the supplier',
            self::None => 'no goods',
        };
    }

    /** The account their cost goes to. */
    public function account(): string
    {
        return match ($this) {
            self::Stock, self::None => Accounts::INVENTORY,
            self::WrittenOff => Accounts::WRITTEN_OFF,
            self::Supplier => Accounts::SUPPLIER_CLAIMS,
        };
    }
}
