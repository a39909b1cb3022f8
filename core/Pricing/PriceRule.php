<?php

declare(strict_types=1);

namespace Elmstone\Core\Pricing;

/** Which rule set a line's price. */
enum PriceRule: string
{
    case Contract = 'contract';
    case ListPrice = 'list';
    case Level = 'level';
    case QuantityBreak = 'break';
    case Promotion = 'promotion';
    case Markdown = 'markdown';
    case Typed = 'typed';
    case Quoted = 'quoted';

    /** Whether it stays as it is when quantity, customer or day change. */
    public function isHeld(): bool
    {
        return $this === self::Typed || $this === self::Quoted;
    }

    public function label(): string
    {
        return match ($this) {
            self::Contract => 'contract price',
            self::ListPrice => 'list price',
            self::Level => 'price level',
            self::QuantityBreak => 'quantity price',
            self::Promotion => 'promotion',
            self::Markdown => 'marked down',
            self::Typed => 'typed price',
            self::Quoted => 'quoted price',
        };
    }
}
