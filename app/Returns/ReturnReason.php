<?php

declare(strict_types=1);

namespace Elmstone\Returns;

use Elmstone\Books\GoodsTo;

/** Why something comes back. Common practice, no source. */
enum ReturnReason: string
{
    case NotNeeded = 'not_needed';
    case WrongItem = 'wrong_item';
    case DoesNotFit = 'does_not_fit';
    case Faulty = 'faulty';
    case Damaged = 'damaged';
    case Recalled = 'recalled';
    case Mistake = 'mistake';
    case PriceWrong = 'price_wrong';
    case Goodwill = 'goodwill';

    public function words(): string
    {
        return match ($this) {
            self::NotNeeded => 'not needed',
            self::WrongItem => 'wrong item',
            self::DoesNotFit => 'does not fit',
            self::Faulty => 'faulty',
            self::Damaged => 'damaged',
            self::Recalled => 'recalled by the supplier',
            self::Mistake => 'posted by mistake',
            self::PriceWrong => 'price was wrong',
            self::Goodwill => 'goodwill',
        };
    }

    /** @return list<self> why goods come back */
    public static function forGoods(): array
    {
        return [self::NotNeeded, self::WrongItem, self::DoesNotFit, self::Faulty, self::Damaged, self::Recalled];
    }

    /** Whether a restocking fee is kept for it: not where the fault is the house's or the goods'. */
    public function keepsFee(): bool
    {
        return in_array($this, [self::NotNeeded, self::WrongItem, self::DoesNotFit], true);
    }

    /** Where goods usually go then. */
    public function goodsTo(): GoodsTo
    {
        return match ($this) {
            self::Damaged => GoodsTo::WrittenOff,
            self::Faulty, self::Recalled => GoodsTo::Supplier,
            default => GoodsTo::Stock,
        };
    }
}
