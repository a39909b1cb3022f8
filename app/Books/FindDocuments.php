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

        if ($typed === '') {
            return [];
        }

        $found = [];

        foreach ($this->searches($typed) as $search) {
            array_push($found, ...array_map(intval(...), $search->limit($most)->pluck('id')->all()));
        }

        foreach ($this->others as $other) {
            array_push($found, ...$other->find($typed, $most));
        }

        $found = array_values(array_unique($found));
        rsort($found);

        return array_slice($found, 0, $most);
    }

    /** @return list<Builder> each by an index of its own */
    private function searches(string $typed): array
    {
        $documents = static fn (): Builder => DB::table('documents')->select('id')->orderByDesc('id');
        $tenders = static fn (): Builder => DB::table('document_tenders')->select('document_id as id')
            ->orderByDesc('document_id');
        $searches = [
            $documents()->where('purchase_order', $typed),
            $documents()->where('job', $typed),
            $documents()->where('supplies', strtoupper($typed)),
            $tenders()->where('reference', $typed),
        ];
        mb_strlen($typed) < 3 || ($searches[] = $documents()->where(
            'customer_name', 'like', addcslashes($typed, '%_\\').'%',
        ));
        preg_match('/^[•*]*(\d{4})$/u', $typed, $four) === 1
            && ($searches[] = $tenders()->where('last_four', $four[1]));
        preg_match('/^(?:([A-Za-z]{2,3})-?)?0*(\d{1,12})$/', $typed, $parts) === 1 && ($searches[] = $parts[1] === ''
            ? $documents()->whereIn('label', array_map(
                static fn (DocumentKind $kind): string => $kind->label((int) $parts[2]), DocumentKind::cases(),
            ))
            : $documents()->where('label', sprintf('%s-%06d', strtoupper($parts[1]), (int) $parts[2])));
        $amount = $this->amount($typed);
        $amount === null || ($searches[] = $documents()->whereIn('total', [$amount, $amount->negated()]));

        return $searches;
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
