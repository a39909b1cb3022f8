<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

/** The unit an item is counted in. */
enum Unit: string
{
    case Each = 'each';
    case Box = 'box';
    case Metre = 'metre';
    case Hundred = 'hundred';

    /** Whether there is a part of one, as of a metre; pieces are whole unless an item says otherwise. */
    public function isDivisible(): bool
    {
        return $this === self::Metre;
    }

    /** What stands behind a quantity: "2.4 m"; nothing for pieces. */
    public function mark(): string
    {
        return match ($this) {
            self::Each, self::Hundred => '',
            self::Box => ' box',
            self::Metre => ' m',
        };
    }
}
