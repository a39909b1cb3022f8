<?php

declare(strict_types=1);

namespace Elmstone\Shares;

use Brick\Math\BigDecimal;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Figures\Posted;
use Elmstone\Books\GoodsTo;
use Elmstone\Books\Origin;
use Elmstone\Books\Origins;
use Elmstone\Books\Proof\InParts;
use Elmstone\Books\Proof\Proof;
use Elmstone\Books\Purpose;
use Elmstone\Core\Shares\Part;
use Elmstone\Core\Shares\PersonShare;
use Elmstone\Core\Shares\Sharing;
use Elmstone\Shop\House;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * Proves that every line of goods was sold by somebody, wholly: shares come to the line's net, percentages to 100, each
 * commission is what its rate gives, and what came back was taken from who sold it; and that what was paid out is
 * what documents say.
 */
final class ProveShares implements InParts
{
    private const PART = 20_000;

    private const AT_ONCE = 500;

    public function __construct(private readonly House $house)
    {
    }

    public function prove(Proof $proof): void
    {
        foreach ($this->parts() as $part) {
            $part($proof);
        }
    }

    public function parts(): array
    {
        $parts = [$this->payments(...)];
        $last = (int) Posted::documents()->max('d.id');

        for ($from = 1; $from <= $last; $from += self::PART) {
            $parts[] = fn (Proof $proof) => $this->documents($proof, $from, min($last, $from + self::PART - 1));
        }

        return $parts;
    }

    private function payments(Proof $proof): void
    {
        foreach (
            Posted::documents()
                ->join('commission_payments as p', 'p.document_id', '=', 'd.id')
                ->whereColumn('d.total', '<>', 'p.amount')
                ->orWhere('d.purpose', '<>', Purpose::CommissionPaid->value)
                ->pluck('d.label') as $label
        ) {
            $proof->fault("{$label}: what it pays is not what stands with it as commission paid");
        }

        $proof->same(
            'commissions',
            'the sum of what was paid out',
            (int) DB::table('commission_payments')->sum('amount'),
            (int) Posted::documents()->where('d.purpose', Purpose::CommissionPaid->value)->sum('d.total'),
        );
    }

    private function documents(Proof $proof, int $from, int $until): void
    {
        for ($first = $from; $first <= $until; $first += self::AT_ONCE) {
            $this->some($proof, $first, min($until, $first + self::AT_ONCE - 1));
        }
    }

    private function some(Proof $proof, int $from, int $until): void
    {
        $lines = Posted::lines()
            ->whereBetween('l.document_id', [$from, $until])
            ->whereIn('d.kind', [DocumentKind::Invoice->value, DocumentKind::CreditNote->value])
            ->whereIn('d.purpose', [Purpose::Sale->value, Purpose::Void->value])
            ->whereNotNull('l.department_id')
            ->orderBy('l.document_id')
            ->orderBy('l.position')
            ->get([
                'l.document_id', 'l.position', 'l.direction', 'l.net', 'l.cost', 'l.quantity', 'l.goods_to',
                'l.origin_document_id', 'l.origin_position', 'd.label', 'd.business_date',
            ]);
        $origins = array_values(array_unique(array_map(
            intval(...),
            $lines->pluck('origin_document_id')->filter(static fn (mixed $id): bool => $id !== null)->all(),
        )));
        $currency = $this->house->currency();
        $shares = ShareRows::of(array_values(array_unique([
            ...$origins, ...array_map(intval(...), $lines->pluck('document_id')->all()),
        ])), $currency);
        $books = Origins::of($currency, $origins);

        foreach ($lines as $line) {
            $has = $shares["{$line->document_id}:{$line->position}"] ?? [];
            $origin = $line->origin_document_id === null
                ? null
                : new Origin((int) $line->origin_document_id, (int) $line->origin_position);
            $where = "{$line->label}, line {$line->position}";
            $right = match (true) {
                $line->direction === 'out' => $this->sold($line, $has),
                $origin === null || ! isset($shares[$origin->key()]) => [],
                default => $this->back($line, $origin, $books, $shares[$origin->key()]),
            };
            $right === null
                ? $proof->fault("{$where}: nobody sold it")
                : $proof->same($where, 'who sold it', self::said($has), self::said($right));
        }

        $proof->checked('lines that somebody sold', count($lines));
    }

    /**
     * @param  list<PersonShare>  $has
     * @return list<PersonShare>|null what its people have by their percentages and rates; null: there is nobody
     */
    private function sold(stdClass $line, array $has): ?array
    {
        if ($has === []) {
            return null;
        }

        $rates = [];

        foreach ($has as $share) {
            $rates[$share->part->person] = $share->rate;
        }

        return Sharing::of(array_map(static fn (PersonShare $share): Part => $share->part, $has))
            ->line($this->house->money((int) $line->net), $this->house->money((int) $line->cost), $rates);
    }

    /**
     * @param  non-empty-list<PersonShare>  $sold
     * @return list<PersonShare>
     */
    private function back(stdClass $line, Origin $origin, Origins $books, array $sold): array
    {
        $before = SharesBefore::of(
            $origin, $books, $sold, new Origin((int) $line->document_id, (int) $line->position),
        );
        $taken = $before->taking(
            $line->goods_to === GoodsTo::None->value ? BigDecimal::zero() : BigDecimal::of((string) $line->quantity),
            $this->house->money((int) $line->net),
        );

        return array_map(static fn (PersonShare $share): PersonShare => new PersonShare(
            $share->part, $share->net->negated(), $share->rate, $share->commission->negated(),
        ), $taken);
    }

    /** @param  list<PersonShare>  $shares */
    private static function said(array $shares): string
    {
        return implode(', ', array_map(
            static fn (PersonShare $of): string => "{$of->part->person} {$of->net->toString()} "
                .$of->commission->toString(),
            $shares,
        ));
    }
}
