<?php

declare(strict_types=1);

namespace Elmstone\Returns;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\DocumentTender;
use Elmstone\Books\GoodsTo;
use Elmstone\Books\Origin;
use Elmstone\Books\Origins;
use Elmstone\Books\Purpose;
use Elmstone\Catalogue\ItemSearch;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Returns\Returnable;
use Elmstone\Customers\CustomerSearch;
use Elmstone\Shop\House;
use Elmstone\Support\TypedDay;
use Elmstone\Takings\EnteredRows;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Finds what people bought and can bring back, newest first: by receipt, number, item, card and date, or customer. */
final class Returnables
{
    public const MOST = 30;

    /** How far back an item is looked for that has no receipt and no customer. */
    private const DAYS_OF_ITEM = 120;

    /** @var array<string, list<int>> what was looked up already, by what was typed */
    private array $named = [];

    private ?int $location = null;

    public function __construct(
        private readonly House $house,
        private readonly Policies $policies,
        private readonly ItemSearch $items,
        private readonly CustomerSearch $customers,
    ) {
    }

    /**
     * @param  int|null  $customer who it is for, where the slip says so
     * @param  int|null  $location only what was sold there; null: anywhere
     * @return list<ReturnableLine>
     */
    public function find(string $typed, ?int $customer, CarbonImmutable $day, ?int $location = null): array
    {
        $this->location = $location;
        $typed = trim($typed);
        $number = self::number($typed);
        $card = self::card($typed, $day);

        $layaway = self::layaway($typed);

        return match (true) {
            $number !== null => $this->read($this->lines()->where('d.number', $number), $day),
            $layaway !== null => $this->read(
                $this->lines()->whereIn(
                    'd.id',
                    DB::table('agreements')->where('id', $layaway)->whereNotNull('document_id')->select('document_id'),
                ),
                $day,
            ),
            $card !== null => $this->read($this->byCard($card), $day),
            $customer !== null => $this->read($this->ofCustomer($customer, $typed), $day),
            mb_strlen($typed) < 2 => [],
            default => $this->ofAnyone($typed, $day),
        };
    }

    /** The least an item sold for of late, per unit of its price; null: it was not sold. 4 places, rounded down. */
    public function lowest(int $item, CarbonImmutable $day): ?string
    {
        $lowest = DB::table('document_lines as l')
            ->join('documents as d', 'd.id', '=', 'l.document_id')
            ->where('l.item_id', $item)
            ->where('l.direction', 'out')
            ->where('d.kind', DocumentKind::Invoice->value)
            ->where('d.purpose', Purpose::Sale->value)
            ->where('d.business_date', '>=', $day->subDays($this->house->shop()->blind_days)->format('Y-m-d'))
            ->selectRaw('MIN(TRUNCATE(l.net * l.price_per / l.quantity, 6)) AS lowest')
            ->value('lowest');

        return $lowest === null
            ? null
            : (string) BigDecimal::of((string) $lowest)
                ->withPointMovedLeft($this->house->currency()->places)
                ->toScale(4, RoundingMode::DOWN)
                ->stripTrailingZeros();
    }

    /**
     * Whether what was typed or scanned is the receipt itself, or the card and day it was paid by: not merely what was
     * bought.
     */
    public static function isReceipt(string $typed, ?Document $document): bool
    {
        $typed = trim($typed);

        return $document !== null
            && (self::number($typed) === $document->number
                || (self::layaway($typed) !== null
                    && DB::table('agreements')->where('id', self::layaway($typed))->value('document_id')
                        === $document->id)
                || (preg_match('/^[•*]*(\d{4})\s+\S/u', $typed, $found) === 1
                    && $document->tenders->contains(
                        static fn (DocumentTender $tender): bool => $tender->last_four === $found[1],
                    )));
    }

    /** "INV-000123", "inv123", or the bare number */
    private static function number(string $typed): ?int
    {
        return preg_match('/^(?:INV-?)?0*(\d{1,7})$/i', $typed, $found) === 1 ? (int) $found[1] : null;
    }

    /** "LAY-000012": the goods of a layaway left with its invoice */
    private static function layaway(string $typed): ?int
    {
        return preg_match('/^LAY-?0*(\d{1,9})$/i', $typed, $found) === 1 ? (int) $found[1] : null;
    }

    /**
     * The last four digits, then a date as 2026-11-12, 11/25 (month first), 25.11. (day first), "12 Nov", "today" or
     * "yesterday".
     *
     * @return array{string, CarbonImmutable}|null
     */
    private static function card(string $typed, CarbonImmutable $day): ?array
    {
        if (preg_match('/^[•*]*(\d{4})\s+(.+)$/u', $typed, $found) !== 1) {
            return null;
        }

        $date = TypedDay::read($found[2], $day);

        return $date === null ? null : [$found[1], $date];
    }

    /** @param  array{string, CarbonImmutable}  $card */
    private function byCard(array $card): Builder
    {
        $documents = DB::table('document_tenders as t')
            ->join('documents as k', 'k.id', '=', 't.document_id')
            ->where('t.last_four', $card[0])
            ->whereBetween('k.business_date', [
                $card[1]->subDay()->format('Y-m-d'),
                $card[1]->addDay()->format('Y-m-d'),
            ])
            ->limit(50)
            ->pluck('t.document_id')
            ->all();

        return $this->lines()->whereIn('d.id', $documents);
    }

    private function ofCustomer(int $customer, string $typed): Builder
    {
        $ids = [$customer, ...DB::table('customers')->where('merged_into_id', $customer)->pluck('id')->all()];
        // From the newest purchase back, and no further than enough is found: read by line, years of purchases would be
        // sorted first.
        $query = $this->fitting(
            DB::query()->fromRaw(
                'documents as d FORCE INDEX (documents_customer_id_kind_id_index) STRAIGHT_JOIN document_lines as l '
                    .'ON l.document_id = d.id',
            ),
        )
            ->whereIn('d.customer_id', $ids)
            ->orderByDesc('d.id');
        $items = mb_strlen($typed) < 2 ? null : $this->itemsNamed($typed);

        return match (true) {
            $items === null => $query,
            $items === [] => $query->where(
                'l.description',
                'like',
                '%'.str_replace('*', '%', addcslashes($typed, '%_\\')).'%',
            ),
            default => $query->whereIn('l.item_id', $items),
        };
    }

    /** @return list<ReturnableLine> */
    private function ofAnyone(string $typed, CarbonImmutable $day): array
    {
        $items = $this->itemsNamed($typed);

        if ($items !== []) {
            return $this->read(
                $this->lines()
                    ->whereIn('l.item_id', $items)
                    ->where('d.business_date', '>=', $day->subDays(self::DAYS_OF_ITEM)->format('Y-m-d')),
                $day,
            );
        }

        $customers = $this->customers->find($typed, 5)->modelKeys();

        return $customers === [] ? $this->ofTakings($typed, $day)
            : $this->read($this->lines()->whereIn('d.customer_id', $customers), $day);
    }

    /**
     * What was entered with a day’s takings, by who bought it or their number, and the day.
     *
     * @return list<ReturnableLine>
     */
    private function ofTakings(string $typed, CarbonImmutable $day): array
    {
        $entered = EnteredRows::find($typed, $day);

        return $entered === [] ? [] : $this->read($this->lines()->where(
            static function (Builder $either) use ($entered): void {
                foreach ($entered as [$document, $position]) {
                    $either->orWhere(static fn (Builder $one) => $one
                        ->where('l.document_id', $document)
                        ->where('l.position', $position));
                }
            },
        ), $day);
    }

    /** @return list<int> ids of the items that may be meant */
    public function itemsNamed(string $typed): array
    {
        return $this->named[$typed] ??= $this->lookedUp($typed);
    }

    /** @return list<int> */
    private function lookedUp(string $typed): array
    {
        $exact = $this->items->exact($typed);

        return $exact !== null ? [$exact->id] : $this->items->ids($typed, 12);
    }

    private function lines(): Builder
    {
        return $this->fitting(
            DB::table('documents as d')->join('document_lines as l', 'l.document_id', '=', 'd.id'),
        )->orderByDesc('d.id');
    }

    private function fitting(Builder $query): Builder
    {
        $this->location === null || $query->where('d.location_id', $this->location);

        return $query
            ->where('d.kind', DocumentKind::Invoice->value)
            ->where('d.purpose', Purpose::Sale->value)
            ->where('l.direction', 'out')
            ->whereNotNull('l.department_id');
    }

    /** @return list<ReturnableLine> */
    private function read(Builder $query, CarbonImmutable $day): array
    {
        $rows = $query
            ->limit(self::MOST)
            ->get([
                'd.id', 'd.label', 'd.business_date', 'd.customer_name', 'd.tax_included', 'l.position', 'l.item_id',
                'l.code', 'l.description', 'l.department_id', 'l.quantity', 'l.serials',
            ])
            ->sortBy([['id', 'desc'], ['position', 'asc']])
            ->values();
        $origins = Origins::of($this->house->currency(), $rows->pluck('id')->all());
        $own = Policies::ofItems($rows->pluck('item_id')->all());

        return array_values(
            $rows->map(fn (stdClass $row): ReturnableLine => $this->line($row, $origins, $own, $day))->all(),
        );
    }

    /** @param  array<int, int|null>  $own policies by item */
    private function line(stdClass $row, Origins $origins, array $own, CarbonImmutable $day): ReturnableLine
    {
        $origin = new Origin((int) $row->id, (int) $row->position);
        $returnable = $origins->returnable($origin);
        $left = $returnable->left()->stripTrailingZeros();
        $policy = $this->policies->for($own[$row->item_id ?? 0] ?? null, (int) $row->department_id);
        $sold = CarbonImmutable::parse((string) $row->business_date);
        $serials = $row->serials === null ? [] : json_decode((string) $row->serials, true, 4, JSON_THROW_ON_ERROR);

        return new ReturnableLine(
            $origin,
            (string) $row->label,
            $sold,
            (string) $row->customer_name,
            (string) $row->code,
            (string) $row->description,
            (string) BigDecimal::of((string) $row->quantity)->stripTrailingZeros(),
            (string) $left,
            $this->worth($returnable, $left->isGreaterThan(1) ? '1' : (string) $left, (bool) $row->tax_included),
            $policy->summary(),
            $policy->outside($sold, $day),
            $serials === [] ? [] : array_values(array_diff($serials, self::backAlready($origin))),
        );
    }

    private function worth(Returnable $returnable, string $quantity, bool $included): Money
    {
        if ($quantity === '0') {
            return $this->house->money(0);
        }

        $taken = $returnable->returning(Quantity::of($quantity));

        return $included ? $taken->net : $taken->withTax();
    }

    /** @return list<string> serial numbers that came back already */
    private static function backAlready(Origin $origin): array
    {
        $rows = DB::table('document_lines')
            ->where('origin_document_id', $origin->documentId)
            ->where('origin_position', $origin->position)
            ->whereNotNull('serials')
            ->where('goods_to', '<>', GoodsTo::None->value)
            ->pluck('serials');

        return array_values(
            $rows
                ->flatMap(static fn (mixed $json): array => json_decode((string) $json, true, 4, JSON_THROW_ON_ERROR))
                ->all(),
        );
    }
}
