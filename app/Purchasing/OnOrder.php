<?php

declare(strict_types=1);

namespace Elmstone\Purchasing;

use Brick\Math\BigDecimal;
use Carbon\CarbonImmutable;
use Elmstone\Core\Orders\Expected;
use Elmstone\Purchasing\Transfers\TransferState;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/**
 * What is on its way of an item to a place, from suppliers and other locations: how much, when, and what of it is
 * bought for nobody.
 */
final readonly class OnOrder
{
    private const TO_COME = 'GREATEST(l.quantity - l.received - l.cancelled, 0)';

    /** @param  list<Expected>  $free what is bought for nobody, by day */
    private function __construct(
        public BigDecimal $quantity,
        public ?CarbonImmutable $next,
        public array $free,
    ) {
    }

    public static function none(): self
    {
        return new self(BigDecimal::zero(), null, []);
    }

    /**
     * @param  array<int>  $items ids
     * @return array<int, self> by item, those that anything is on its way of
     */
    public static function of(array $items, int $location): array
    {
        $found = [];

        foreach ($items === [] ? [] : self::rows($items, $location)->get() as $row) {
            $before = $found[(int) $row->item_id] ?? self::none();
            $quantity = BigDecimal::of((string) $row->to_come);
            $day = CarbonImmutable::parse((string) $row->day, 'UTC');
            $free = $quantity->minus((string) $row->linked);
            $found[(int) $row->item_id] = new self(
                $before->quantity->plus($quantity)->stripTrailingZeros(),
                $before->next ?? $day,
                $free->isPositive() ? [...$before->free, new Expected($day, $free)] : $before->free,
            );
        }

        return $found;
    }

    /** Bought for nobody. */
    public function isFree(): BigDecimal
    {
        return BigDecimal::sum(
            BigDecimal::zero(),
            ...array_map(static fn (Expected $one): BigDecimal => $one->quantity, $this->free),
        );
    }

    /** @param  array<int>  $items */
    private static function rows(array $items, int $location): Builder
    {
        return self::bought($items, $location)
            ->unionAll(self::sent($items, $location))
            ->orderBy('item_id')
            ->orderBy('day');
    }

    /** @param  array<int>  $items */
    private static function sent(array $items, int $location): Builder
    {
        return DB::table('transfer_lines as l')
            ->join('transfers as t', 't.id', '=', 'l.transfer_id')
            ->whereIn('l.item_id', $items)
            ->where('t.to_id', $location)
            ->where('t.state', TransferState::Sent)
            ->whereRaw('l.quantity > l.arrived + l.missing')
            ->select('l.item_id')
            ->selectRaw('l.quantity - l.arrived - l.missing AS to_come, t.expected_on AS day, 0 AS linked');
    }

    /** @param  array<int>  $items */
    private static function bought(array $items, int $location): Builder
    {
        return DB::table('purchase_lines as l')
            ->join('purchases as p', 'p.id', '=', 'l.purchase_id')
            ->whereIn('l.item_id', $items)
            ->where('p.location_id', $location)
            ->where('p.state', PurchaseState::Sent)
            ->whereRaw(self::TO_COME.' > 0')
            ->select('l.item_id')
            ->selectRaw(self::TO_COME.' AS to_come, COALESCE(l.expected_on, p.expected_on) AS day')
            ->selectRaw('COALESCE((SELECT SUM(k.quantity) FROM purchase_links k WHERE k.purchase_id = l.purchase_id '
                .'AND k.position = l.position), 0) AS linked');
    }
}
