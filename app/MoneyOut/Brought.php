<?php

declare(strict_types=1);

namespace Elmstone\MoneyOut;

use Elmstone\Books\Document;
use Elmstone\Books\HeldKind;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Returns\AsItCame;
use Elmstone\Core\Settlement\TenderKind;

/**
 * What a document's tenders brought in, by way; and what of a receipt went to each thing it paid for, so that none of
 * them gives back more than its own share.
 */
final class Brought
{
    /**
     * Of cash, what it paid: what it was rounded by is not owed.
     *
     * @return array<string, Money> by way
     */
    public static function ways(Document $document): array
    {
        $ways = [];
        $rounding = $document->cash_rounding;

        foreach ($document->tenders as $tender) {
            $way = Way::of($tender->kind, $tender->authorisation)->key();
            $amount = $tender->kind === TenderKind::Cash ? $tender->amount->minus($rounding) : $tender->amount;
            $rounding = $tender->kind === TenderKind::Cash ? $document->none() : $rounding;
            $ways[$way] = isset($ways[$way]) ? $ways[$way]->plus($amount) : $amount;
        }

        return $ways;
    }

    /**
     * Of a receipt: towards the account, and to what is held of each kind.
     *
     * @return array<string, array<string, Money>> by 'account' and kinds of held money, then by way
     */
    public static function byPart(Document $receipt): array
    {
        $parts = [];

        foreach (HeldKind::cases() as $kind) {
            $parts[$kind->value] = $receipt->broughtTo($kind)->orNothing();
        }

        $towards = $receipt->total->minus(Money::sum($parts, $receipt->currency()));

        /** @var array<string, array<string, Money>> */
        return AsItCame::spread(
            ['account' => $towards->orNothing(), ...$parts],
            self::ways($receipt),
        );
    }

    /**
     * @template TKey of array-key
     *
     * @param  array<TKey, Money>  $one by way
     * @param  array<TKey, Money>  $other by way
     * @return array<TKey, Money> the sums
     */
    public static function plus(array $one, array $other): array
    {
        foreach ($other as $way => $amount) {
            $one[$way] = isset($one[$way]) ? $one[$way]->plus($amount) : $amount;
        }

        return $one;
    }

    /**
     * @param  array<string, Money>  $from by way
     * @param  array<string, Money>  $less by way
     * @return array<string, Money> what is left, nothing below zero
     */
    public static function minus(array $from, array $less): array
    {
        foreach ($less as $way => $amount) {
            $from[$way] = isset($from[$way]) && $from[$way]->exceeds($amount)
                    ? $from[$way]->minus($amount)
                    : Money::zero($amount->currency);
        }

        return array_filter($from, static fn (Money $amount): bool => $amount->isPositive());
    }

    /** @param  array<string, Money>  $ways */
    public static function total(array $ways, Currency $currency): Money
    {
        return Money::sum($ways, $currency);
    }
}
