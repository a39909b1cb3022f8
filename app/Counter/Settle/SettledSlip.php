<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle;

use Elmstone\Books\Drafts\DraftTender;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\Settlement;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Settlement\TenderKind;

/**
 * One settlement shared out between the invoice and the receipt for what is taken in besides. What is charged goes on
 * the invoice; the rest of the tenders pay the invoice first, in the order they apply. Cash comes last, so its rounding
 * and change stand on the document it ends on.
 */
final class SettledSlip
{
    public static function sale(ReckonedCounter $reckoned, Settlement $settlement): SettledPart
    {
        return self::parts($reckoned, $settlement)[0];
    }

    /** @return array{SettledPart, SettledPart} for the invoice, for the receipt */
    public static function parts(ReckonedCounter $reckoned, Settlement $settlement): array
    {
        $zero = Money::zero($settlement->total->currency);
        $withGoods = $reckoned->refund->exchanged ?? $zero;
        $goodsOnSale = Money::min($withGoods, $reckoned->saleTotal());
        $exchange = static fn (Money $amount): array => $amount->isPositive()
            ? [new DraftTender(Tender::of(TenderKind::Exchange, $amount), $amount)]
            : [];

        if ($reckoned->isRefund()) {
            return [
                new SettledPart($exchange($goodsOnSale), $zero, $zero),
                new SettledPart($exchange($withGoods->minus($goodsOnSale)), $zero, $zero),
            ];
        }

        [$sale, $receipt] = self::moneyIn($reckoned, $settlement, $reckoned->saleTotal()->minus($goodsOnSale));

        return [
            new SettledPart([...$exchange($goodsOnSale), ...$sale->tenders], $sale->cashRounding, $sale->change),
            new SettledPart(
                [...$exchange($withGoods->minus($goodsOnSale)), ...$receipt->tenders],
                $receipt->cashRounding,
                $receipt->change,
            ),
        ];
    }

    /**
     * @param  Money  $toSale what of the sale is not paid with goods
     * @return array{SettledPart, SettledPart}
     */
    private static function moneyIn(ReckonedCounter $reckoned, Settlement $settlement, Money $toSale): array
    {
        $zero = Money::zero($settlement->total->currency);
        $isSplit = $reckoned->taken()->isPositive();
        $charged = Money::sum(
            array_map(
                static fn (Tender $tender): Money => $tender->amount,
                array_filter(
                    $settlement->applied,
                    static fn (Tender $tender): bool => $tender->kind === TenderKind::HouseAccount,
                ),
            ),
            $zero->currency,
        );
        $open = $toSale->minus($charged);
        [$sale, $receipt] = [[], []];

        foreach (self::drafts($reckoned, $settlement) as $draft) {
            $amount = $draft->tender->amount;
            $mine = match (true) {
                ! $isSplit, $draft->tender->kind === TenderKind::HouseAccount => $amount,
                default => Money::min($amount, $open),
            };
            $open = $draft->tender->kind === TenderKind::HouseAccount ? $open : $open->minus($mine);
            $rest = $amount->minus($mine);
            $change = $draft->given->minus($amount);

            if (! $mine->isZero() || (! $isSplit && $amount->isZero())) {
                $sale[] = self::portion($draft, $mine, $rest->isZero() ? $change : $zero);
            }

            if (! $rest->isZero()) {
                $receipt[] = self::portion($draft, $rest, $change);
            }
        }

        $endsOnReceipt = $isSplit && array_filter(
            $receipt,
            static fn (DraftTender $draft): bool => $draft->tender->isCash(),
        ) !== [];
        $ends = new SettledPart([], $settlement->cashRounding, $settlement->change);
        $none = new SettledPart([], $zero, $zero);

        return [($endsOnReceipt ? $none : $ends)->of($sale), ($endsOnReceipt ? $ends : $none)->of($receipt)];
    }

    private static function portion(DraftTender $draft, Money $amount, Money $change): DraftTender
    {
        return new DraftTender(
            Tender::of($draft->tender->kind, $amount),
            $amount->plus($change),
            $draft->reference,
            $draft->cardType,
            $draft->lastFour,
            $draft->authorisation,
        );
    }

    /** @return list<DraftTender> what each really pays; of cash also what was handed over */
    private static function drafts(ReckonedCounter $reckoned, Settlement $settlement): array
    {
        return array_map(
            static fn (Tender $applied, DraftTender $draft): DraftTender => self::portion(
                $draft,
                $applied->amount,
                $applied->isCash() ? $settlement->change : Money::zero($applied->amount->currency),
            ),
            $settlement->applied,
            $reckoned->drafts(),
        );
    }
}
