<?php

declare(strict_types=1);

namespace Elmstone\Core\Orders;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Slip\ReckonedLine;
use Elmstone\Core\Slip\ReckonedSlip;
use Elmstone\Core\Slip\Slip;
use Elmstone\Core\Slip\SlipLine;
use Elmstone\Core\Tax\GroupTax;
use Elmstone\Core\Tax\TaxedLine;
use Elmstone\Core\Tax\TaxReckoner;
use Elmstone\Core\Tax\TaxSubtotal;

/**
 * The invoice of what is supplied of an order: prices and discounts are the shares of what was agreed, tax is reckoned
 * on them at the rates and the exemption of its day. docs/rules.md, "Orders".
 */
final readonly class SupplyInvoice
{
    /**
     * @param  Slip  $slip terms and taxes of the day, and the lines with the quantities supplied; all go out
     * @param  list<LineFigures>  $figures what they come to, in their order
     */
    public static function reckon(Slip $slip, array $figures): ReckonedSlip
    {
        $zero = Money::zero($slip->currency);
        $tax = TaxReckoner::reckon($slip->currency, $slip->terms, $slip->profile, array_map(
            static fn (SlipLine $line, LineFigures $of): TaxedLine => new TaxedLine($line->taxClass, $of->net()),
            $slip->lines,
            $figures,
        ));
        $lines = array_map(
            static fn (SlipLine $line, LineFigures $of, int $place): ReckonedLine => self::line(
                $slip, $line, $of, $tax, $place,
            ),
            $slip->lines,
            $figures,
            array_keys($slip->lines),
        );
        $net = Money::sum(array_map(static fn (ReckonedLine $line): Money => $line->net, $lines), $slip->currency);
        $off = Money::sum(
            array_map(static fn (ReckonedLine $line): Money => $line->slipDiscount, $lines),
            $slip->currency,
        );
        $taxTotal = Money::sum(
            array_map(static fn (TaxSubtotal $subtotal): Money => $subtotal->amount, $tax->subtotals),
            $slip->currency,
        );

        return new ReckonedSlip(
            $lines,
            $net->plus($off),
            $off,
            $net,
            $tax->subtotals,
            $taxTotal,
            $net->plus($slip->terms->taxIncluded ? $zero : $taxTotal),
        );
    }

    private static function line(
        Slip $slip,
        SlipLine $line,
        LineFigures $of,
        GroupTax $tax,
        int $place,
    ): ReckonedLine {
        $taxes = $tax->ofLine($place);
        $taxTotal = Money::sum($taxes, $slip->currency);

        return new ReckonedLine(
            $line,
            $of->gross,
            $of->lineDiscount,
            $of->slipDiscount,
            $of->net(),
            $taxes,
            $taxTotal,
            $slip->terms->taxIncluded ? $of->net() : $of->net()->plus($taxTotal),
        );
    }
}
