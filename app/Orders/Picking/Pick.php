<?php

declare(strict_types=1);

namespace Elmstone\Orders\Picking;

use Brick\Math\BigDecimal;
use Elmstone\Core\Money\Refused;
use Elmstone\Orders\Order;
use Elmstone\Orders\OrderLine;
use Elmstone\Support\Database\Record;
use Illuminate\Support\Facades\DB;

/**
 * What was picked of a line of an order and has not left yet. Changed through PickOrder only.
 *
 * @property int $agreement_id
 * @property int $position
 * @property string $quantity
 * @property list<string>|null $serials
 * @property bool $taken it has left the house and is not invoiced yet
 * @property string $act the last one, so that one sent again counts once
 */
final class Pick extends Record
{
    protected $table = 'order_picks';

    public $incrementing = false;

    protected $casts = ['serials' => 'array', 'taken' => 'bool'];

    /**
     * What leaves now is not picked any more; of single pieces, those that leave.
     *
     * @param  array<int, BigDecimal>  $leaving by position
     * @param  array<int, list<string>>  $serials by position
     */
    public static function left(int $order, array $leaving, array $serials): void
    {
        $picks = self::query()->where('agreement_id', $order)->whereIn('position', array_keys($leaving))->get();

        foreach ($picks as $pick) {
            $row = DB::table('order_picks')->where('agreement_id', $order)->where('position', $pick->position);
            $rest = BigDecimal::of($pick->quantity)->minus($leaving[$pick->position]);
            $pieces = array_values(array_diff($pick->serials ?? [], $serials[$pick->position] ?? []));
            $rest->isPositive()
                ? $row->update([
                    'quantity' => (string) $rest,
                    'serials' => $pick->serials === null ? null : json_encode($pieces, JSON_THROW_ON_ERROR),
                ])
                : $row->delete();
        }
    }

    /**
     * Whether nothing of an order has left that is not invoiced yet: until it is, only its invoice is made.
     *
     * @throws Refused taken_not_invoiced
     */
    public static function assertNothingTaken(Order $order): void
    {
        self::query()->where('agreement_id', $order->id)->where('taken', true)->exists()
            && throw Refused::because(
                'taken_not_invoiced',
                "Goods of {$order->label} were delivered and are not invoiced yet. Settle that first, at the counter.",
            );
    }

    /** So many of them, as far as they are set aside still. */
    public function of(OrderLine $line): BigDecimal
    {
        $picked = BigDecimal::of($this->quantity)->stripTrailingZeros();

        return $picked->isGreaterThan($line->mayLeave()) ? $line->mayLeave() : $picked;
    }
}
