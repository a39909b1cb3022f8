<?php

declare(strict_types=1);

namespace Elmstone\Books;

/** What a slip can become. Each kind has a gap-free series of numbers. */
enum DocumentKind: string
{
    case Invoice = 'invoice';
    case CreditNote = 'credit_note';
    case Receipt = 'receipt';
    case Refund = 'refund';
    case Adjustment = 'adjustment';
    case GoodsIn = 'goods_in';

    public function prefix(): string
    {
        return match ($this) {
            self::Invoice => 'INV',
            self::CreditNote => 'CN',
            self::Receipt => 'RCT',
            self::Refund => 'RFD',
            self::Adjustment => 'ADJ',
            self::GoodsIn => 'GIN',
        };
    }

    public function title(): string
    {
        return match ($this) {
            self::Invoice => 'Invoice',
            self::CreditNote => 'Credit note',
            self::Receipt => 'Receipt',
            self::Refund => 'Refund',
            self::Adjustment => 'Adjustment',
            self::GoodsIn => 'Goods in',
        };
    }

    /** Whether there is somebody on the other side of it: who is not named then is a passer-by. */
    public function isWithSomebody(): bool
    {
        return ! in_array($this, [self::Adjustment, self::GoodsIn], true);
    }

    /** "INV-024871" */
    public function label(int $number): string
    {
        return sprintf('%s-%06d', $this->prefix(), $number);
    }
}
