<?php

declare(strict_types=1);

namespace Elmstone\Customers;

use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Finds customers by any part of a name, phone, mail address or number. */
final class CustomerSearch
{
    /** How many matches are put in order before the rest is left out. */
    private const CANDIDATES = 200;

    /**
     * Every part typed must occur; an account number or a beginning of the name comes first.
     *
     * @return Collection<int, Customer>
     */
    public function find(string $text, int $limit): Collection
    {
        $parts = preg_split('/[\s*]+/', Naming::search(trim($text)), -1, PREG_SPLIT_NO_EMPTY) ?: [];

        if ($parts === []) {
            return new Collection;
        }

        $ids = $this->ids($text, $parts, $limit);

        return $ids === []
            ? new Collection
            : Customer::query()
                ->with('type.priceLevel')
                ->whereIn('id', $ids)
                ->orderByRaw('number = ? DESC, name LIKE ? DESC, name', [
                    ctype_digit($text) ? (int) $text : 0,
                    addcslashes($parts[0], '%_\\').'%',
                ])
                ->limit($limit)
                ->get();
    }

    /**
     * Candidates: the account number, names that begin so, and whoever has every part somewhere. What is looked through
     * is one narrow index.
     *
     * @param  non-empty-list<string>  $parts
     * @return list<int>
     */
    private function ids(string $text, array $parts, int $limit): array
    {
        $live = static fn () => DB::table('customers')->whereNull('merged_into_id');
        $digits = preg_replace('/\D/', '', $text) ?? '';
        $isPhone = strlen($digits) >= 5 && preg_match('/^[\d\s()+.\/-]+$/', trim($text)) === 1;
        // Left to itself the database would go by whether they were merged, which is almost nobody, and read every
        // customer whole.
        $somewhere = $live()->forceIndex('customers_search_merged_into_id_index');

        foreach ($isPhone ? [substr($digits, -9)] : $parts as $part) {
            $somewhere->where('search', 'like', '%'.addcslashes($part, '%_\\').'%');
        }

        $begins = $isPhone
            ? []
            : $live()
                ->where('name', 'like', addcslashes($parts[0], '%_\\').'%')
                ->where(static function ($all) use ($parts): void {
                    foreach ($parts as $part) {
                        $all->where('search', 'like', '%'.addcslashes($part, '%_\\').'%');
                    }
                })
                ->orderBy('name')
                ->limit($limit)
                ->pluck('id')
                ->all();
        $named = ctype_digit(trim($text)) ? $live()->where('number', (int) $text)->pluck('id')->all() : [];

        return array_map(
            static fn (mixed $id): int => is_numeric($id) ? (int) $id : 0,
            array_values(
                array_unique([...$named, ...$begins, ...$somewhere->limit(self::CANDIDATES)->pluck('id')->all()]),
            ),
        );
    }

    /** The one this names beyond doubt: an account number, or the only one found. */
    public function one(string $text): ?Customer
    {
        $text = trim($text);
        $byNumber = ctype_digit($text)
            ? Customer::query()
                ->with('type.priceLevel')
                ->whereNull('merged_into_id')
                ->where('number', (int) $text)
                ->first()
            : null;
        $found = $byNumber === null ? $this->find($text, 2) : new Collection;

        return $byNumber
            ?? ($found->count() === 1
                ? $found->first()
                : $found->first(
                    static fn (Customer $customer): bool => Str::lower($customer->name) === Str::lower($text),
                ));
    }
}
