<?php

declare(strict_types=1);

namespace Elmstone\Returns;

use Elmstone\Books\GoodsTo;

/** Why something comes back; as it ships common practice, no source. What the shop has set holds before that. */
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
        return app(ReturnReasons::class)->words($this);
    }

    public function shippedWords(): string
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

    /** @return non-empty-list<self> why goods come back, as it is offered */
    public static function forGoods(): array
    {
        return app(ReturnReasons::class)->offered();
    }

    /** Whether a restocking fee is kept for it. */
    public function keepsFee(): bool
    {
        return app(ReturnReasons::class)->keepsFee($this);
    }

    /** Where goods usually go then. */
    public function goodsTo(): GoodsTo
    {
        return app(ReturnReasons::class)->goodsTo($this);
    }

    /** Not where the fault is the house's or the goods'. */
    public function shippedFee(): bool
    {
        return in_array($this, [self::NotNeeded, self::WrongItem, self::DoesNotFit], true);
    }

    public function shippedGoodsTo(): GoodsTo
    {
        return match ($this) {
            self::Damaged => GoodsTo::WrittenOff,
            self::Faulty, self::Recalled => GoodsTo::Supplier,
            default => GoodsTo::Stock,
        };
    }
}
