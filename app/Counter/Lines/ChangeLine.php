<?php

declare(strict_types=1);

namespace Elmstone\Counter\Lines;

use Elmstone\Catalogue\Serials;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Reduction;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Pricing\PriceRule;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Reductions;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Counter\Slip\Undo;
use Elmstone\Shares\Sharings;
use Elmstone\Shop\House;
use Elmstone\Staff\Approvals\Approve;

/**
 * Changes a line in place: quantity, price, discount, note. Below the floor price or below cost it takes a supervisor.
 */
final class ChangeLine
{
    public function __construct(
        private readonly SlipDesk $desk,
        private readonly House $house,
        private readonly Approve $approve,
        private readonly Sharings $sharings,
    ) {
    }

    /**
     * @throws Refused bad_serial, serial_twice, bad_quantity, bad_price, bad_percent, never_discounted, below_floor,
     *     below_cost
     */
    public function handle(string $slipKey, int $lineId, Act $act, LineEdit $edit): Slip
    {
        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($lineId, $act, $edit): void {
            $line = $slip->lines()->with('item')->findOrFail($lineId);
            $columns = $this->columns($slip, $line, $act, $edit);
            $edit->serials === null && $edit->seller === null && Undo::line($slip, $line, 'changed');
            $line->update($columns);

            if ($edit->price !== null || $edit->discount !== null) {
                $this->approved($slip, $line, $act);
            }
        });
    }

    /** @return array<string, mixed> */
    private function columns(Slip $slip, LineOnSlip $line, Act $act, LineEdit $edit): array
    {
        return match (true) {
            $edit->quantity !== null => LinePricing::forQuantity(
                $line,
                $line->item,
                EntryText::quantity($edit->quantity),
                $slip,
            ),
            $edit->price !== null => $this->price($slip, $line, $edit->price),
            $edit->discount !== null => [
                ...Reductions::columns($this->discount($line, $edit->discount)),
                'standing_discount' => false,
            ],
            $edit->serials !== null => ['serials' => Serials::read($edit->serials) ?: null],
            $edit->seller !== null => ['sharing_id' => $this->sharings->typedId($edit->seller, $act->by)],
            $edit->note !== null => ['note' => mb_substr(trim($edit->note), 0, 255)],
            default => [],
        };
    }

    /**
     * An empty price gives the price list its say again.
     *
     * @return array<string, mixed>
     */
    private function price(Slip $slip, LineOnSlip $line, string $typed): array
    {
        if (trim($typed) === '' && $line->item !== null) {
            return LinePricing::afresh(
                $line->item,
                $line->quantity,
                $slip,
                $line->standing_discount || $line->takesNoDiscountYet(),
            );
        }

        return [
            'unit_price' => $this->house->typedPrice($typed)->toString(),
            'price_rule' => PriceRule::Typed,
            'price_source' => '',
            ...$line->standing_discount ? ['discount_percent' => null, 'standing_discount' => false] : [],
        ];
    }

    private function discount(LineOnSlip $line, string $typed): ?Reduction
    {
        $discount = Reductions::typed($typed, $this->house);

        return $discount === null || $line->may_discount
            ? $discount
            : throw Refused::because(
                'never_discounted',
                "“{$line->description}” is sold at a net price and never discounted.",
            );
    }

    /** A price that needs approval is not taken without. */
    private function approved(Slip $slip, LineOnSlip $line, Act $act): void
    {
        $this->desk->redraw($slip, $act);
        $needs = ReckonedCounter::of($slip, $this->house)->needs->open("line.{$line->id}");

        if ($needs !== []) {
            $act->approval === null
                ? throw $needs[0]->refused
                : $this->approve->all($act->approval, $act->by, $needs, $slip->id);
        }
    }
}
