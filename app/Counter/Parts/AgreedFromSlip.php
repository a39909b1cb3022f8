<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

use Elmstone\Agreements\AgreedLine;
use Elmstone\Agreements\TaxAsAgreed;
use Elmstone\Books\Drafts\Exempted;
use Elmstone\Counter\Lines\LineOnSlip;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Shop\House;

/** What is on a slip as an agreement has it: its lines at their prices, and the taxes of the day. */
final class AgreedFromSlip
{
    /** @return list<AgreedLine> in their order */
    public static function lines(ReckonedCounter $reckoned): array
    {
        return array_values(
            $reckoned->slip->lines
                ->map(static fn (LineOnSlip $line): AgreedLine => self::line($line, $reckoned))
                ->all(),
        );
    }

    public static function tax(ReckonedCounter $reckoned, House $house): TaxAsAgreed
    {
        $slip = $reckoned->slip;
        $exempted = $reckoned->exempted;

        return new TaxAsAgreed(
            $house->taxTerms(),
            $exempted ?? new Exempted('', '', [], $slip->taxPlace()->leviedOn($slip->day())),
            $exempted !== null,
            $slip->taxPlace()->names(),
        );
    }

    /** @return list<list<string|null>> all that somebody who signs agrees to of the lines */
    public static function said(ReckonedCounter $reckoned): array
    {
        return array_values(
            $reckoned->slip->lines
                ->map(
                    static fn (LineOnSlip $line): array => [
                        $line->code,
                        $line->description,
                        $line->quantity->toString(),
                        $line->unit_price->toString(),
                        $line->discount_percent?->toString(),
                        $line->discount_amount?->toString(),
                    ],
                )
                ->all(),
        );
    }

    private static function line(LineOnSlip $line, ReckonedCounter $reckoned): AgreedLine
    {
        return new AgreedLine([
            'item_id' => $line->item_id,
            'code' => $line->code,
            'description' => $line->description,
            'department_id' => $line->department_id,
            'quantity' => $line->quantity,
            'unit' => $line->unit,
            'unit_price' => $line->unit_price,
            'price_per' => $line->price_per,
            'price_rule' => $line->price_rule,
            'list_price' => $line->list_price,
            'discount_percent' => $line->discount_percent,
            'discount_amount' => $line->discount_amount,
            'may_discount' => $line->may_discount,
            'tax_class' => $line->tax_class,
            'cost' => $line->cost,
            'note' => $line->note,
            'approval_id' => $reckoned->needs->approvalAt("line.{$line->id}")?->id,
            'serials' => $line->serials,
            'sharing_id' => $line->sharing_id,
        ]);
    }
}
