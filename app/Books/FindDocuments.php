<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Shop\House;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/**
 * Finds documents by whatever somebody has in hand: a number, a name, a purchase order or job, the last four of a card,
 * the number of a cheque or transfer, an amount, the number of a piece.
 */
final class FindDocuments
{
    private const MOST = 500;

    /** @param  iterable<FindsDocuments>  $others */
    public function __construct(private readonly iterable $others, private readonly House $house)
    {
    }

    /** @return list<int> ids, the newest first */
    public function find(string $typed, int $most = self::MOST): array
    {
        $typed = trim($typed);

        return $typed === '' ? [] : $this->together(
            $typed, [...$this->marks($typed), ...$this->names($typed), ...$this->amounts($typed)], $most,
        );
    }

    /**
     * By what stands on a paper in somebody's hand: not by names, and by an amount only where it is typed with its
     * decimals, because a quantity looks the same without.
     *
     * @return list<int> ids, the newest first
     */
    public function inHand(string $typed, int $most): array
    {
        $typed = trim($typed);
        $amounts = preg_match('/\d[.,]\d/', $typed) === 1 ? $this->amounts($typed) : [];

        return $typed === '' ? [] : $this->together($typed, [...$this->marks($typed), ...$amounts], $most);
    }

    /**
     * @param  list<Builder>  $searches
     * @return list<int>
     */
    private function together(string $typed, array $searches, int $most): array
    {
        // One statement, each part of it by its own index.
        $all = array_shift($searches)?->limit($most);

        foreach ($searches as $search) {
            $all?->unionAll($search->limit($most));
        }

        $found = array_map(intval(...), $all?->pluck('id')->all() ?? []);

        foreach ($this->others as $other) {
            array_push($found, ...$other->find($typed, $most));
        }

        $found = array_values(array_unique($found));
        rsort($found);

        return array_slice($found, 0, $most);
    }

    /** @return list<Builder> each by an index of its own */
    private function marks(string $typed): array
    {
        $searches = [
            self::documents()->where('purchase_order', $typed),
            self::documents()->where('job', $typed),
            self::documents()->where('supplies', strtoupper($typed)),
            self::tenders()->where('reference', $typed),
        ];
        preg_match('/^[•*]*(\d{4})$/u', $typed, $four) === 1
            && ($searches[] = self::tenders()->where('last_four', $four[1]));
        preg_match('/^(?:([A-Za-z]{2,3})[- ]?)?0*(\d{1,12})$/', $typed, $parts) === 1 && ($searches[] = $parts[1] === ''
            ? self::documents()->whereIn('label', array_map(
                static fn (DocumentKind $kind): string => $kind->label((int) $parts[2]), DocumentKind::cases(),
            ))
            : self::documents()->where('label', sprintf('%s-%06d', strtoupper($parts[1]), (int) $parts[2])));

        return $searches;
    }

    /** @return list<Builder> */
    private function names(string $typed): array
    {
        return mb_strlen($typed) < 3
            ? []
            : [self::documents()->where('customer_name', 'like', addcslashes($typed, '%_\\').'%')];
    }

    /** @return list<Builder> */
    private function amounts(string $typed): array
    {
        $amount = $this->amount($typed);

        return $amount === null ? [] : [self::documents()->whereIn('total', [$amount, $amount->negated()])];
    }

    private static function documents(): Builder
    {
        return DB::table('documents')->select('id')->orderByDesc('id');
    }

    private static function tenders(): Builder
    {
        return DB::table('document_tenders')->select('document_id as id')->orderByDesc('document_id');
    }

    private function amount(string $typed): ?Money
    {
        try {
            return Money::of(TypedNumber::plain($typed), $this->house->currency());
        } catch (Refused) {
            // What is typed is no amount: then it is not looked for as one.
            return null;
        }
    }
}
