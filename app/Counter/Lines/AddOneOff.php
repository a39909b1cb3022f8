<?php

declare(strict_types=1);

namespace Elmstone\Counter\Lines;

use Elmstone\Core\Consignment\Consigned;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Pricing\PriceRule;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;

/** Puts something on the slip that is not in the list. */
final class AddOneOff
{
    public function __construct(private readonly SlipDesk $desk)
    {
    }

    public function handle(
        string $slipKey,
        Act $act,
        string $description,
        Quantity $quantity,
        UnitPrice $price,
        int $departmentId,
        string $taxClass,
        string $scanned = '',
        ?Consigned $consigned = null,
    ): Slip {
        $line = [
            'code' => 'one-off',
            'description' => $description,
            'department_id' => $departmentId,
            'quantity' => $quantity->toString(),
            'unit' => 'each',
            'unit_price' => $price->toString(),
            'price_per' => 1,
            'price_rule' => PriceRule::Typed,
            'list_price' => $price->toString(),
            'tax_class' => $taxClass,
            'may_discount' => true,
            'owner_id' => $consigned?->ownerId,
            'owner_percent' => $consigned?->share->percent->toString(),
        ];

        return $this->desk->change($slipKey, $act, static function (Slip $slip) use ($line, $scanned): void {
            LineOnSlip::query()->create([
                'slip_id' => $slip->id,
                'position' => (int) $slip->lines()->max('position') + 1,
                ...$line,
            ]);
            UnknownScans::without($slip, $scanned);
        });
    }
}
