<?php

declare(strict_types=1);

namespace Elmstone\Quotes;

use Elmstone\Customers\CustomerSearch;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;

/** Quotes by what a clerk has in hand: a paper to scan, a number, a customer, who it is for. */
final class FindQuotes
{
    public function __construct(private readonly CustomerSearch $customers)
    {
    }

    /**
     * @param  list<int>  $customers whose open quotes are wanted too
     * @return Collection<int, Quote>
     */
    public static function open(string $typed, array $customers, int $most): Collection
    {
        $number = preg_match('/^\s*(?:QUO-?)?0*(\d{1,9})\s*$/i', $typed, $found) === 1 ? (int) $found[1] : null;

        return $number === null && $customers === [] ? new Collection : Quote::query()
            ->with('customer')
            ->where('state', QuoteState::Open)
            ->where(
                static fn (Builder $query) => $query
                    ->whereIn('customer_id', $customers)
                    ->when($number !== null, static fn (Builder $one) => $one->orWhere('id', $number)),
            )
            ->orderByDesc('id')
            ->limit($most)
            ->get();
    }

    /** @return Collection<int, Quote> what waits for a customer */
    public static function waiting(int $customer): Collection
    {
        return Quote::query()
            ->where('customer_id', $customer)
            ->where('state', QuoteState::Open)
            ->orderByDesc('id')
            ->limit(6)
            ->get();
    }

    /**
     * By number, customer, phone or who it is for, whatever became of it.
     *
     * @return Collection<int, Quote>
     */
    public function byWords(string $typed, int $most): Collection
    {
        $named = Quote::named($typed);

        return $named !== null ? new Collection([$named]) : Quote::query()
            ->with(['customer', 'allLines'])
            ->where(fn (Builder $query) => $query
                ->whereIn('customer_id', $this->customers->find($typed, 60)->modelKeys())
                ->orWhere('party', 'like', addcslashes($typed, '%_\\').'%'))
            ->orderByDesc('id')
            ->limit($most)
            ->get();
    }
}
