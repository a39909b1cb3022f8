<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Elmstone\Customers\CustomerSearch;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;

/** Open layaways by what a clerk has in hand: a slip to scan, a number, a customer. */
final class FindLayaways
{
    private const OPEN = [LayawayState::Running, LayawayState::Ready];

    public function __construct(private readonly CustomerSearch $customers)
    {
    }

    /** The open one that exactly this names: "LAY-000012", in any case and with or without zeros. */
    public function named(string $typed): ?Layaway
    {
        return preg_match('/^\s*LAY-?0*(\d{1,9})\s*$/i', $typed, $found) === 1
            ? Layaway::query()->with('customer.type.priceLevel')->find((int) $found[1])
            : null;
    }

    /**
     * @param  list<int>  $customers whose open layaways are wanted too
     * @return Collection<int, Layaway> next due first
     */
    public function find(string $typed, array $customers, int $most): Collection
    {
        $number = preg_match('/^\s*(?:LAY-?)?0*(\d{1,9})\s*$/i', $typed, $found) === 1 ? (int) $found[1] : null;

        if ($number === null && $customers === []) {
            return new Collection;
        }

        return Layaway::query()
            ->with(['customer', 'allLines'])
            ->whereIn('state', self::OPEN)
            ->where(
                static fn (Builder $query) => $query
                    ->whereIn('customer_id', $customers)
                    ->when($number !== null, static fn (Builder $one) => $one->orWhere('id', $number)),
            )
            ->orderByRaw('next_due IS NULL DESC, next_due')
            ->limit($most)
            ->get();
    }

    /**
     * By number, customer or phone, whatever their state.
     *
     * @return Collection<int, Layaway>
     */
    public function byWords(string $typed, int $most): Collection
    {
        $named = $this->named($typed);

        if ($named !== null) {
            return (new Collection([$named]))->load(['customer', 'allLines']);
        }

        $customers = $this->customers->find($typed, 60)->modelKeys();

        return Layaway::query()
            ->with(['customer', 'allLines'])
            ->whereIn('customer_id', $customers)
            ->orderByDesc('id')
            ->limit($most)
            ->get();
    }

    /** How many are paid whole and wait at a location to be collected. */
    public function toCollect(int $location): int
    {
        return Layaway::query()
            ->where('location_id', $location)
            ->where('state', LayawayState::Ready)
            ->count();
    }

    /** @return Collection<int, Layaway> what waits for a customer, to collect first, then next due first */
    public function waiting(int $customer): Collection
    {
        return Layaway::query()
            ->where('customer_id', $customer)
            ->whereIn('state', self::OPEN)
            ->orderByRaw('next_due IS NULL DESC, next_due, id')
            ->limit(12)
            ->get();
    }
}
