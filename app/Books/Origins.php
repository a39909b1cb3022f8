<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Brick\Math\BigDecimal;
use Elmstone\Core\Consignment\Consigned;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Returns\OriginalLine;
use Elmstone\Core\Returns\Returnable;
use Elmstone\Core\Returns\SoldLine;
use Elmstone\Core\Returns\Taken;
use Elmstone\Core\Slip\SlipLine;
use Elmstone\Core\Tax\TaxComponent;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * Posted lines with all that came back of them: what can still come back, and for how much. Read in a few queries for
 * any number of documents.
 */
final readonly class Origins
{
    /**
     * @param  Collection<string, stdClass>  $lines by origin
     * @param  Collection<string, Collection<int, stdClass>>  $taxes line taxes by origin
     * @param  Collection<int, Collection<int, stdClass>>  $components document taxes by document
     * @param  Collection<string, Collection<int, stdClass>>  $back lines that came back by origin, in that order
     * @param  Collection<string, Collection<int, stdClass>>  $backTaxes their taxes by line
     * @param  Collection<string, DocumentConsigned>  $consigned those that sold what belonged to somebody, by origin
     */
    private function __construct(
        private Currency $currency,
        private Collection $lines,
        private Collection $taxes,
        private Collection $components,
        private Collection $back,
        private Collection $backTaxes,
        private Collection $consigned,
    ) {
    }

    /** @param  array<int>  $documents ids of the documents the lines were sold on */
    public static function of(Currency $currency, array $documents): self
    {
        $documents = array_values(array_unique($documents));
        $byLine = static fn (stdClass $row): string => "{$row->document_id}:{$row->position}";
        $back = $documents === []
                ? new Collection
                : DB::table('document_lines')
                    ->whereIn('origin_document_id', $documents)
                    ->orderBy('document_id')
                    ->orderBy('position')
                    ->get([
                        'document_id', 'position', 'origin_document_id', 'origin_position', 'quantity', 'net', 'cost',
                        'goods_to',
                    ]);

        return new self(
            $currency,
            DB::table('document_lines')->whereIn('document_id', $documents)->get()->keyBy($byLine),
            DB::table('document_line_taxes')->whereIn('document_id', $documents)->get()->groupBy($byLine),
            DB::table('document_taxes')
                ->whereIn('document_id', $documents)
                ->orderBy('position')
                ->get()
                ->groupBy('document_id'),
            $back->groupBy(static fn (stdClass $row): string => "{$row->origin_document_id}:{$row->origin_position}"),
            $back->isEmpty()
                ? new Collection
                : DB::table('document_line_taxes')
                    ->whereIn('document_id', $back->pluck('document_id')->unique())
                    ->get()
                    ->groupBy($byLine),
            DocumentConsigned::query()->whereIn('document_id', $documents)->get()
                ->keyBy(static fn (DocumentConsigned $row): string => "{$row->document_id}:{$row->position}"),
        );
    }

    /** Whose it was, and what they had of it; null: the house's. */
    public function consigned(Origin $origin): ?Consigned
    {
        return $this->consigned->get($origin->key())?->toValue();
    }

    public function has(Origin $origin): bool
    {
        return $this->lines->has($origin->key());
    }

    /** The line's row as it stands in the books. */
    public function line(Origin $origin): stdClass
    {
        return $this->lines->get($origin->key())
            ?? throw new \OutOfBoundsException("There is no line {$origin->key()}.");
    }

    /** Whether it charged for paying by card. */
    public function isSurcharge(Origin $origin): bool
    {
        $line = $this->line($origin);

        return $line->item_id === null && $line->department_id === null && $line->code === LineColumns::SURCHARGE;
    }

    /** What can still come back of it, or could before a later line. */
    public function returnable(Origin $origin, ?Origin $before = null): Returnable
    {
        return Returnable::of($this->sold($origin), $this->taken($origin, $before));
    }

    /** The line as it was sold. */
    public function sold(Origin $origin): SoldLine
    {
        $line = $this->line($origin);

        return new SoldLine(
            Quantity::of(self::decimal($line->quantity)),
            $this->money($line->net),
            $this->taxOf($this->taxes->get($origin->key())),
            $this->money($line->cost),
        );
    }

    /**
     * @param  Origin|null  $before a later line; null: all
     * @return list<Taken> what came back of it, or had before a later line, in that order
     */
    public function taken(Origin $origin, ?Origin $before = null): array
    {
        $taken = [];

        foreach ($this->back->get($origin->key()) ?? [] as $row) {
            if (
                $before !== null
                && [(int) $row->document_id, (int) $row->position] >= [$before->documentId, $before->position]
            ) {
                break;
            }

            $quantity = $row->goods_to === GoodsTo::None->value
                    ? BigDecimal::zero()
                    : BigDecimal::of(self::decimal($row->quantity));
            $taken[] = Taken::of(
                $quantity,
                $this->money($row->net),
                $this->taxOf($this->backTaxes->get("{$row->document_id}:{$row->position}")),
                $this->money($row->cost),
            );
        }

        return $taken;
    }

    /** A line that comes back, with the taxes it was sold with. */
    public function original(Origin $origin, SlipLine $line, Taken $taken): OriginalLine
    {
        $components = [];

        foreach ($this->components->get($origin->documentId) ?? [] as $row) {
            if (isset($taken->tax[$row->component])) {
                $components[] = new TaxComponent(
                    (string) $row->component,
                    Percentage::of(self::decimal($row->rate)),
                    json_decode((string) $row->classes, true),
                    json_decode((string) $row->on_top_of, true),
                );
            }
        }

        return new OriginalLine($line, $taken, $components);
    }

    /** @return array<string, string> names by component, as they stand on the originals */
    public function taxNames(): array
    {
        return $this->components->flatten(1)->pluck('name', 'component')->all();
    }

    /**
     * @param  Collection<int, stdClass>|null  $rows
     * @return array<string, Money>
     */
    private function taxOf(?Collection $rows): array
    {
        $tax = [];

        foreach ($rows ?? [] as $row) {
            $tax[(string) $row->component] = $this->money($row->amount);
        }

        return $tax;
    }

    private function money(mixed $minor): Money
    {
        return Money::ofMinor((int) $minor, $this->currency);
    }

    private static function decimal(mixed $stored): string
    {
        return (string) BigDecimal::of((string) $stored)->stripTrailingZeros();
    }
}
