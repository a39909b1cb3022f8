<?php

declare(strict_types=1);

namespace Elmstone\MoneyOut;

use Elmstone\Books\Document;
use Elmstone\Books\DocumentTender;
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
        $rounding = $document->money($document->cash_rounding);

        foreach ($document->tenders as $tender) {
            $way = WayOut::name($tender->kind, $tender->authorisation);
            $amount = $document
                ->money($tender->amount)
                ->minus($tender->kind === TenderKind::Cash ? $rounding : $document->money(0));
            $rounding = $tender->kind === TenderKind::Cash ? $document->money(0) : $rounding;
            $ways[$way] = isset($ways[$way]) ? $ways[$way]->plus($amount) : $amount;
        }

        return $ways;
    }

    /**
     * Of a receipt: towards the account, as a deposit, for gift cards, on layaways.
     *
     * @return array{
     *     account: array<string, Money>, deposit: array<string, Money>,
     *     gift_cards: array<string, Money>, layaway: array<string, Money>
     * }
     *     by way
     */
    public static function byPart(Document $receipt): array
    {
        $used = static fn (TenderKind $kind): int => (int) $receipt->tenders
            ->filter(static fn (DocumentTender $tender): bool => $tender->kind === $kind)
            ->sum('amount');
        $deposit = max(0, $receipt->deposit_change + $used(TenderKind::DepositHeld));
        $cards = max(0, $receipt->gift_card_change + $used(TenderKind::GiftCard));
        $layaway = max(0, $receipt->layaway_change);
        $spread = AsItCame::spread(
            [
                'account' => $receipt->money(max(0, $receipt->total - $deposit - $cards - $layaway)),
                'deposit' => $receipt->money($deposit),
                'gift_cards' => $receipt->money($cards),
                'layaway' => $receipt->money($layaway),
            ],
            self::ways($receipt),
        );

        return [
            'account' => $spread['account'],
            'deposit' => $spread['deposit'],
            'gift_cards' => $spread['gift_cards'],
            'layaway' => $spread['layaway'],
        ];
    }

    /**
     * @param  array<string, Money>  $one by way
     * @param  array<string, Money>  $other by way
     * @return array<string, Money> the sums
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
