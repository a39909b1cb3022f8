<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle;

use Elmstone\Core\Money\Money;
use Elmstone\Counter\Slip\Becomes;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Shop\House;
use Elmstone\Support\Show;

/** What becomes of a slip, and what its sum due is made up of, in words. */
final readonly class SlipWords
{
    private Slip $slip;

    public function __construct(private ReckonedCounter $reckoned, private House $house)
    {
        $this->slip = $reckoned->slip;
    }

    /** What posting it does, in words. */
    public function post(): string
    {
        $in = $this->reckoned->taken()->isPositive();
        $alone = $this->slip->lines->isEmpty() ? $this->reckoned->moneyIn->alone($this->slip)?->alone() : null;

        return match (true) {
            $this->slip->becomes === Becomes::Layaway => 'Hold as layaway',
            $this->slip->becomes === Becomes::Order => 'Take the order',
            $this->slip->becomes === Becomes::Quote => 'Give the quote',
            $this->slip->void_of_id !== null => 'Void the sale',
            $this->reckoned->back !== null => $this->slip->lines->isEmpty()
                ? ($in
                    ? 'Post return and payment'
                    : 'Post return')
                : 'Post exchange',
            $this->slip->lines->isEmpty() && $this->slip->suppliesAnOrder() => 'Hand over goods',
            $alone !== null => $alone,
            $this->slip->lines->isEmpty() && ! $in && $this->slip->handsOver() => 'Hand over goods',
            $this->slip->lines->isEmpty() && $in => 'Post payment',
            $in => 'Post sale and payment',
            default => 'Post sale',
        };
    }

    /** What the sum due is made up of, where it is not the sale alone. */
    public function due(): string
    {
        $parts = array_filter(
            [
                'coming back' => $this->reckoned->back?->value()->negated() ?? $this->house->money(0),
                'sale' => $this->reckoned->saleTotal(),
                ...$this->reckoned->moneyIn->due($this->slip),
            ],
            static fn (Money $amount): bool => ! $amount->isZero(),
        );

        return match (true) {
            array_keys($parts) === ['sale'] => '',
            array_keys($parts) === ['coming back'] => '',
            count($parts) === 1 => (string) array_key_first($parts),
            default => self::parted($parts),
        };
    }

    /** @param  array<string, Money>  $parts */
    private static function parted(array $parts): string
    {
        return implode(
            ', ',
            array_map(
                static fn (string $words, Money $amount): string => "{$words} ".Show::money($amount),
                array_keys($parts),
                $parts,
            ),
        );
    }
}
