<?php

declare(strict_types=1);

namespace Elmstone\Consignment;

use Carbon\CarbonImmutable;
use Elmstone\Books\Figures\Posted;
use Elmstone\Core\Consignment\PaidByCard;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Purchasing\Suppliers\Supplier;
use Elmstone\Shop\House;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** What an owner has of what was sold and is not settled: line by line, with the card costs that are passed on. */
final readonly class OwnerAccount
{
    public Money $sold;

    public Money $shares;

    public Money $fees;

    /** @param  list<OwnerLine>  $lines by document */
    private function __construct(public Supplier $owner, public array $lines, House $house)
    {
        $this->sold = Money::sum(array_column($lines, 'net'), $house->currency());
        $this->shares = Money::sum(array_column($lines, 'share'), $house->currency());
        $carded = PaidByCard::of(array_map(
            static fn (OwnerLine $line): array => [$line->net, $line->card, $line->total],
            $lines,
        ), $house->currency());
        $percent = Percentage::of($owner->card_fee_percent);
        $this->fees = $carded->orNothing()->percent($percent);
    }

    /** @param  CarbonImmutable  $until the last business date that counts */
    public static function until(Supplier $owner, CarbonImmutable $until, House $house): self
    {
        return new self($owner, self::lines(self::theirs($owner->id)
            ->whereNull('s.document_id')
            ->where('d.business_date', '<=', $until->format('Y-m-d')), $house), $house);
    }

    /** What one settlement was of. */
    public static function settled(Supplier $owner, int $settlement, House $house): self
    {
        return new self(
            $owner,
            self::lines(self::theirs($owner->id)->where('s.settlement_id', $settlement), $house),
            $house,
        );
    }

    /** @return list<OwnerLine> */
    private static function lines(Builder $query, House $house): array
    {
        $rows = $query->get();
        $cards = $rows->isEmpty() ? collect() : Posted::tenders()
            ->whereIn('d.id', $rows->pluck('document_id')->unique())
            ->where('t.kind', 'card')
            ->groupBy('d.id')
            ->selectRaw('d.id, SUM(t.amount) AS amount')
            ->pluck('amount', 'id');
        $lines = [];

        foreach ($rows as $row) {
            $sign = $row->direction === 'out' ? 1 : -1;
            $net = (int) $row->net - ((bool) $row->tax_included ? (int) $row->tax : 0);
            $lines[] = new OwnerLine(
                (int) $row->document_id,
                (int) $row->position,
                (string) $row->label,
                CarbonImmutable::parse((string) $row->business_date),
                (string) $row->code,
                (string) $row->description,
                ($sign < 0 ? '-' : '').$row->quantity,
                Percentage::of((string) $row->percent),
                $house->money($sign * $net),
                $house->money($sign * (int) $row->cost),
                $house->money((int) $cards->get($row->document_id, 0)),
                $house->money(abs((int) $row->total)),
            );
        }

        return $lines;
    }

    /** What is paid when it is settled now; below zero: it waits for more to be sold. */
    public function payable(): Money
    {
        return $this->shares->minus($this->fees);
    }

    /** @return array<int, int> minor units owed to each owner, fees not taken off */
    public static function owed(): array
    {
        return Posted::consigned()
            ->leftJoin('settled_lines as s', static fn ($join) => $join
                ->on('s.document_id', '=', 'c.document_id')
                ->on('s.position', '=', 'c.position'))
            ->whereNull('s.document_id')
            ->groupBy('c.owner_id')
            ->selectRaw("c.owner_id, CAST(SUM(IF(l.direction = 'out', l.cost, -l.cost)) AS SIGNED) AS owed")
            ->pluck('owed', 'owner_id')
            ->map(static fn (mixed $owed): int => is_numeric($owed) ? (int) $owed : 0)
            ->all();
    }

    private static function theirs(int $owner): Builder
    {
        return Posted::consigned()
            ->leftJoin('settled_lines as s', static fn ($join) => $join
                ->on('s.document_id', '=', 'c.document_id')
                ->on('s.position', '=', 'c.position'))
            ->where('c.owner_id', $owner)
            ->orderBy('c.document_id')
            ->orderBy('c.position')
            ->select([
                'c.document_id', 'c.position', 'c.percent', 'd.label', 'd.business_date', 'd.total', 'd.tax_included',
                'l.code', 'l.description', 'l.quantity', 'l.direction', 'l.net', 'l.cost', Posted::lineTax(),
            ]);
    }

    /** @return list<array{document_id: int, position: int, settlement_id: int}> */
    public function rows(int $settlement): array
    {
        return array_map(static fn (OwnerLine $line): array => [
            'document_id' => $line->documentId,
            'position' => $line->position,
            'settlement_id' => $settlement,
        ], $this->lines);
    }

    /** They follow each other: whoever settles with an owner holds their row. */
    public static function lock(int $owner): Supplier
    {
        return Supplier::query()->lockForUpdate()->whereKey($owner)->firstOrFail();
    }

    /** @param  list<array{document_id: int, position: int, settlement_id: int}>  $rows */
    public static function settle(array $rows): void
    {
        foreach (array_chunk($rows, 500) as $chunk) {
            DB::table('settled_lines')->insert($chunk);
        }
    }
}
