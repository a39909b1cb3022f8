<?php

declare(strict_types=1);

namespace Elmstone\Orders;

use Elmstone\Customers\CustomerSearch;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;

/** Orders by what a clerk has in hand: a paper to scan, a number, a customer. */
final class FindOrders
{
    public function __construct(private readonly CustomerSearch $customers)
    {
    }

    /** The one that exactly this names: "ORD-000012", in any case and with or without zeros. */
    public static function named(string $typed): ?Order
    {
        return preg_match('/^\s*ORD-?0*(\d{1,9})\s*$/i', $typed, $found) === 1
            ? Order::query()->with('customer.type.priceLevel')->find((int) $found[1])
            : null;
    }

    /**
     * @param  list<int>  $customers whose open orders are wanted too
     * @return Collection<int, Order> wanted first
     */
    public function find(string $typed, array $customers, int $most): Collection
    {
        $number = preg_match('/^\s*(?:ORD-?)?0*(\d{1,9})\s*$/i', $typed, $found) === 1 ? (int) $found[1] : null;

        return $number === null && $customers === [] ? new Collection : Order::query()
            ->with(['customer', 'allLines'])
            ->where('state', OrderState::Open)
            ->where(
                static fn (Builder $query) => $query
                    ->whereIn('customer_id', $customers)
                    ->when($number !== null, static fn (Builder $one) => $one->orWhere('id', $number)),
            )
            ->orderBy('wanted_by')->orderBy('id')
            ->limit($most)
            ->get();
    }

    /**
     * By number, their own number, customer or phone, whatever their state.
     *
     * @return Collection<int, Order>
     */
    public function byWords(string $typed, int $most): Collection
    {
        $named = self::named($typed);

        if ($named !== null) {
            return (new Collection([$named]))->load(['customer', 'allLines', 'progress']);
        }

        return Order::query()
            ->with(['customer', 'allLines', 'progress'])
            ->where(fn (Builder $query) => $query
                ->whereIn('customer_id', $this->customers->find($typed, 60)->modelKeys())
                ->orWhere('purchase_order', $typed)
                ->orWhere('their_number', $typed))
            ->orderByDesc('id')
            ->limit($most)
            ->get();
    }

    /** @return Collection<int, Order> what waits for a customer */
    public function waiting(int $customer): Collection
    {
        return Order::query()
            ->with(['progress', 'allLines'])
            ->where('customer_id', $customer)
            ->where('state', OrderState::Open)
            ->orderBy('wanted_by')->orderBy('id')
            ->limit(12)
            ->get();
    }
}
