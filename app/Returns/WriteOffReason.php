<?php

declare(strict_types=1);

namespace Elmstone\Returns;

/** Why goods leave the books without being sold. Common practice, no source. */
enum WriteOffReason: string
{
    case Broken = 'broken';
    case Spoiled = 'spoiled';
    case Stolen = 'stolen';
    case Missing = 'missing';
    case UsedHere = 'used_here';

    /** What it is called until the shop calls it otherwise. */
    public function shippedWords(): string
    {
        return match ($this) {
            self::Broken => 'broken',
            self::Spoiled => 'spoiled',
            self::Stolen => 'stolen',
            self::Missing => 'not found',
            self::UsedHere => 'used in the shop',
        };
    }
}
