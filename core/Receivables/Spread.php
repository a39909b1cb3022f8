<?php

declare(strict_types=1);

namespace Elmstone\Core\Receivables;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;

/** A payment or credit spread over open items; what is left over stays as unused credit. */
final readonly class Spread
{
    /** @param  list<Share>  $shares in the order they were made, none of nothing */
    private function __construct(public array $shares, public Money $unused)
    {
    }

    /**
     * Oldest due first, then oldest date, then lowest number. An item's settlement discount is given where the money
     * reaches to pay it off so.
     *
     * @param  list<OpenItem>  $items charges
     *
     * @throws Refused bad_amount
     */
    public static function oldestFirst(Money $amount, array $items): self
    {
        $left = self::notBelowZero($amount);
        $shares = [];

        foreach (OpenItem::oldestFirst($items) as $item) {
            $wanted = $item->open->minus($item->discount);
            $takesDiscount = ! $wanted->exceeds($left);
            $share = new Share(
                $item->id,
                $takesDiscount ? $wanted : Money::min($left, $item->open),
                $takesDiscount ? $item->discount : Money::zero($amount->currency),
            );

            if (! $share->settles()->isZero()) {
                $shares[] = $share;
                $left = $left->minus($share->amount);
            }
        }

        return new self($shares, $left);
    }

    /**
     * Certain items first, as the parts of a payment plan, then the others; each oldest due first.
     *
     * @param  list<OpenItem>  $items charges
     * @param  list<string>  $first ids
     *
     * @throws Refused bad_amount
     */
    public static function chosenFirst(Money $amount, array $items, array $first): self
    {
        $chosen = self::oldestFirst(
            $amount,
            array_values(array_filter($items, static fn (OpenItem $item): bool => in_array($item->id, $first, true))),
        );
        $others = self::oldestFirst(
            $chosen->unused,
            array_values(array_filter($items, static fn (OpenItem $item): bool => ! in_array($item->id, $first, true))),
        );

        return new self([...$chosen->shares, ...$others->shares], $others->unused);
    }

    /**
     * As somebody typed it. Paying an item off less its settlement discount takes the discount.
     *
     * @param  list<OpenItem>  $items charges
     * @param  array<string, Money>  $typed by item id
     *
     * @throws Refused bad_amount, not_open where an item is paid or is not on this account, over_item, over_payment
     */
    public static function byHand(Money $amount, array $items, array $typed): self
    {
        $left = self::notBelowZero($amount);
        $shares = [];
        $byId = [];

        foreach ($items as $item) {
            $byId[$item->id] = $item;
        }

        foreach ($typed as $id => $part) {
            $item = $byId[$id]
                ?? throw Refused::because(
                    'not_open',
                    "{$id} is not open on this account: it is paid, or somebody else’s.",
                );

            if ($part->isNegative()) {
                throw Refused::because('bad_amount', "What goes on {$id} cannot be below zero.");
            }

            if ($part->exceeds($item->open)) {
                throw Refused::because(
                    'over_item',
                    "{$part->toString()} is more than the {$item->open->toString()} open on {$id}.",
                );
            }

            if (! $part->isZero()) {
                $takesDiscount = ! $item->discount->isZero() && $part->equals($item->open->minus($item->discount));
                $shares[] = new Share(
                    $item->id,
                    $part,
                    $takesDiscount ? $item->discount : Money::zero($amount->currency),
                );
                $left = $left->minus($part);
            }
        }

        return $left->isNegative()
            ? throw Refused::because(
                'over_payment',
                "That is {$left->negated()->toString()} more than the {$amount->toString()} there is to spread.",
            )
            : new self($shares, $left);
    }

    public function discount(): Money
    {
        return Money::sum(
            array_map(static fn (Share $share): Money => $share->discount, $this->shares),
            $this->unused->currency,
        );
    }

    public function on(string $id): ?Share
    {
        foreach ($this->shares as $share) {
            if ($share->id === $id) {
                return $share;
            }
        }

        return null;
    }

    private static function notBelowZero(Money $amount): Money
    {
        return $amount->isNegative()
            ? throw Refused::because('bad_amount', 'A payment cannot be below zero.')
            : $amount;
    }
}
