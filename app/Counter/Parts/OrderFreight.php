<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

use Brick\Math\BigDecimal;
use Elmstone\Books\LineColumns;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Pricing\PriceRule;
use Elmstone\Counter\Lines\LineOnSlip;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Orders\OrderTerms;
use Elmstone\Orders\OrderWay;
use Elmstone\Shop\House;

/** The line of freight on a slip that is to become an order. */
final readonly class OrderFreight
{
    public function __construct(private SlipDesk $desk, private House $house, private OrderTerms $terms)
    {
    }

    /**
     * As the shop's table has it, or as it was typed; none where nothing is brought.
     *
     * @param  string|null  $typed null: nobody said how much; empty: none
     *
     * @throws Refused what is no amount
     */
    public function put(Slip $slip, Act $act, ?string $typed = null): void
    {
        $said = $typed === null ? null : $this->house->typedMoney($typed);
        $this->desk->redraw($slip, $act);
        $draft = OrderDraft::of(ReckonedCounter::of($slip, $this->house), $this->house);
        $slip->lines()->where('code', LineColumns::FREIGHT)->whereNull('department_id')->delete();

        if ($draft === null || ! $draft->isBrought()) {
            return;
        }

        $goods = $slip->lines->whereNotNull('department_id');
        $charge = $typed !== null ? $said : $this->terms->freight($draft->promise->way)?->of(
            $this->weight($goods->all()),
            ReckonedCounter::of($slip, $this->house)->sums->net,
        );

        if ($charge?->isPositive() === true) {
            LineOnSlip::query()->create([
                'slip_id' => $slip->id,
                'position' => (int) $slip->lines->max('position') + 1,
                'item_id' => null,
                'code' => LineColumns::FREIGHT,
                'description' => $draft->promise->way === OrderWay::Parcel ? 'Carriage' : 'Delivery',
                'department_id' => null,
                'quantity' => '1',
                'unit' => 'each',
                'unit_price' => $charge->toString(),
                'price_per' => 1,
                'price_rule' => PriceRule::Typed,
                'list_price' => $charge->toString(),
                'tax_class' => $this->terms->freightTaxClass(),
                'may_discount' => false,
            ]);
        }

        $slip->unsetRelation('lines');
    }

    /** @param  array<LineOnSlip>  $lines */
    private function weight(array $lines): BigDecimal
    {
        $weights = Item::query()
            ->whereIn('id', array_filter(
                array_map(static fn (LineOnSlip $line): ?int => $line->item_id, $lines),
                is_int(...),
            ))
            ->pluck('weight', 'id');

        return array_reduce(
            $lines,
            static fn (BigDecimal $sum, LineOnSlip $line): BigDecimal => $sum->plus(
                $line->quantity->value->multipliedBy($weights[$line->item_id ?? 0] ?? '0'),
            ),
            BigDecimal::zero(),
        );
    }
}
