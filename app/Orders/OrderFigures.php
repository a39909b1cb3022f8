<?php

declare(strict_types=1);

namespace Elmstone\Orders;

use Brick\Math\BigDecimal;
use Elmstone\Agreements\AgreedSlip;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Orders\LineFigures;
use Elmstone\Core\Orders\Supply;
use Elmstone\Core\Orders\SupplyInvoice;
use Elmstone\Core\Slip\ReckonedLine;
use Elmstone\Core\Slip\Slip;
use Elmstone\Core\Slip\SlipLine;

/** What an order comes to, line by line: in all, and what is left of it. */
final readonly class OrderFigures
{
    /** @param  array<int, LineFigures>  $ordered by position */
    private function __construct(private Order $order, private Currency $currency, public array $ordered)
    {
    }

    /** Of an order with its lines and its progress. */
    public static function of(Order $order, Currency $currency): self
    {
        $lines = $order->lines();
        $reckoned = AgreedSlip::reckon($order, $lines, $currency);
        $ordered = [];

        foreach ($lines as $i => $line) {
            $ordered[$line->position] = self::figures($reckoned->lines[$i], $line->quantity);
        }

        return new self($order, $currency, $ordered);
    }

    public function supply(int $position): Supply
    {
        return Supply::of($this->ordered[$position], $this->order->at($position)?->done());
    }

    /** What it comes to without what was cancelled, tax in it, at the taxes it was made with. */
    public function kept(): Money
    {
        $tax = $this->order->taxAsAgreed();
        $lines = [];
        $figures = [];

        foreach ($this->order->progress as $line) {
            if ($line->kept()->isPositive()) {
                // Of what nothing is left, what was supplied is all; freight that was spread has shares of its own.
                $figures[] = $line->left()->isZero()
                    ? $line->done()
                    : $this->ordered[$line->position]->upTo($line->kept());
                $lines[] = $this->value($line->position, $line->kept());
            }
        }

        return SupplyInvoice::reckon(
            Slip::of($this->currency, $tax->terms, $tax->profile(), $lines, null, $tax->exemption()),
            $figures,
        )->total;
    }

    /** What is left of it, tax in it, at the taxes it was made with. */
    public function open(): Money
    {
        $left = [];

        foreach ($this->order->progress as $line) {
            $left[$line->position] = $line->left();
        }

        return $this->total($left);
    }

    /**
     * What so many of its lines come to now, tax in it, at the taxes it was made with.
     *
     * @param  array<int, BigDecimal>  $quantities by position
     */
    public function total(array $quantities): Money
    {
        $quantities = array_filter($quantities, static fn (BigDecimal $one): bool => $one->isPositive());

        if ($quantities === []) {
            return Money::zero($this->currency);
        }

        $tax = $this->order->taxAsAgreed();
        $lines = [];
        $figures = [];

        foreach ($quantities as $position => $quantity) {
            $figures[] = $this->supply($position)->supplying(Quantity::of((string) $quantity));
            $lines[] = $this->value($position, $quantity);
        }

        return SupplyInvoice::reckon(
            Slip::of($this->currency, $tax->terms, $tax->profile(), $lines, null, $tax->exemption()),
            $figures,
        )->total;
    }

    /** A line with another quantity, as it is supplied. */
    public function value(int $position, BigDecimal $quantity): SlipLine
    {
        $line = $this->order->line($position)?->toValue($this->currency)
            ?? throw new \LogicException("{$this->order->label} has no line {$position}.");

        return SlipLine::of(
            $line->id,
            $line->direction,
            Quantity::of((string) $quantity),
            $line->unitPrice,
            $line->pricePer,
            $line->taxClass,
            $line->discount,
            $line->mayDiscount,
        );
    }

    private static function figures(ReckonedLine $line, Quantity $quantity): LineFigures
    {
        return new LineFigures(
            $quantity->value->stripTrailingZeros(),
            $line->gross,
            $line->lineDiscount,
            $line->slipDiscount,
        );
    }
}
