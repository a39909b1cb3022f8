<?php

declare(strict_types=1);

namespace Elmstone\Stock\Tables;

use Brick\Math\RoundingMode;
use Elmstone\Books\Books;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Posting;
use Elmstone\Books\Purpose;
use Elmstone\Catalogue\GoodsMoving;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\Serials;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Stock\BringIn;
use Elmstone\Stock\Incoming;
use Elmstone\Support\Tables\BringsIn;
use Elmstone\Support\Tables\ImportReport;
use Illuminate\Contracts\Auth\Factory;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;

/** What is on hand when the shop begins, and what it cost: posted as opening stock, against the opening balances. */
final class StockTable implements BringsIn
{
    private const AT_ONCE = 1000;

    /** So many lines a document has. */
    private const OF_ONE = 500;

    private const SHOWN = 200;

    /** @var array<string, int> ids by code */
    private array $places = [];

    /** @var array<string, int> lines by place and item */
    private array $seen = [];

    public function __construct(
        private readonly House $house,
        private readonly Books $books,
        private readonly StockLedger $stock,
        private readonly BringIn $bringIn,
        private readonly AtTill $atTill,
        private readonly Factory $auth,
    ) {
    }

    public function key(): string
    {
        return 'stock';
    }

    public function title(): string
    {
        return 'Stock';
    }

    public function words(): string
    {
        return 'What is on hand at each place as the shop begins, and what one of it cost, per as many as its price is '
            .'for; an empty cost is the item’s. It is posted as opening stock, once for each item and place: what '
            .'moves afterwards is counted, received or written off.';
    }

    public function columns(): array
    {
        return ['place', 'item', 'quantity', 'cost', 'serials'];
    }

    public function needed(): array
    {
        return ['place', 'item', 'quantity'];
    }

    public function example(): array
    {
        return [['MA', 'HM-0500', '24', '9.45', '']];
    }

    public function rows(): iterable
    {
        $places = Location::query()->pluck('code', 'id');
        $rows = DB::table('stock as s')
            ->join('items as i', 'i.id', '=', 's.item_id')
            ->where('s.on_hand', '<>', 0)
            ->orderBy('s.item_id')
            ->orderBy('s.location_id')
            ->select(['s.location_id', 'i.code', 's.on_hand', 'i.cost']);

        foreach ($rows->cursor() as $row) {
            $place = (string) $places[(int) $row->location_id];
            yield [$place, (string) $row->code, (string) $row->on_hand, (string) $row->cost, ''];
        }
    }

    public function check(iterable $rows, ImportReport $report): void
    {
        $this->each($rows, static function (int $line, Incoming|Refused $one, string $name) use ($report): void {
            $one instanceof Refused
                ? $report->complain($line, $name, $one->getMessage(), self::SHOWN)
                : $report->fine(false);
        });
    }

    public function write(iterable $rows, string $digest): void
    {
        $by = $this->auth->guard()->user();
        $by instanceof Staff || throw Refused::because('nobody', 'Nobody is signed in.');
        $goods = [];
        $moving = new GoodsMoving;
        $this->each(
            $rows,
            static function (int $line, Incoming|Refused $one, string $name, int $place) use (&$goods, $moving): void {
                $one instanceof Refused && throw Refused::because(
                    'changed_meanwhile',
                    "Line {$line}: {$one->getMessage()} Look at it again.",
                );
                $goods[$place][] = $one;
                $one->moving($moving, $place);
            },
        );
        $at = PostedAt::till($this->atTill->till(), $by->id);
        $key = self::keyOf($digest, '');
        $this->books->post(
            Posting::under($key)
                ->locking(fn (): array => $this->stock->lock($moving))
                ->writing(fn (): int => $this->post($goods, $at, $digest)),
        );
    }

    /** @param  array<int, list<Incoming>>  $goods by place */
    private function post(array $goods, PostedAt $at, string $digest): int
    {
        $document = 0;

        foreach ($goods as $place => $all) {
            Location::query()->findOrFail($place)->assertOpenOn($at->day);
            $this->assertNothingMoved($place, $all);

            foreach (array_chunk($all, self::OF_ONE) as $i => $some) {
                BringIn::assertSound($some);
                $document = $this->bringIn->post(
                    $some, Purpose::OpeningStock, $at->of($place), self::keyOf($digest, "{$place} {$i}"),
                    'Opening stock, from a table',
                );
            }
        }

        return $document;
    }

    /**
     * Under the locks, what was read before them once more.
     *
     * @param  list<Incoming>  $goods
     *
     * @throws Refused there_already
     */
    private function assertNothingMoved(int $place, array $goods): void
    {
        foreach (array_chunk($goods, self::AT_ONCE) as $some) {
            $moved = DB::table('stock_movements')
                ->where('location_id', $place)
                ->whereIn('item_id', array_map(static fn (Incoming $one): int => $one->item->id, $some))
                ->exists();
            $moved && throw Refused::because('there_already', 'Some of it was brought in meanwhile. Look at it again.');
        }
    }

    /**
     * @param  iterable<int, array<string, string>>  $rows
     * @param  callable(int, Incoming|Refused, string, int): void  $take
     */
    private function each(iterable $rows, callable $take): void
    {
        $this->places = Location::query()->pluck('id', 'code')->all();
        $this->seen = [];
        $some = [];

        foreach ($rows as $line => $row) {
            $some[$line] = $row;

            if (count($some) === self::AT_ONCE) {
                $this->some($some, $take);
                $some = [];
            }
        }

        $this->some($some, $take);
    }

    /**
     * @param  array<int, array<string, string>>  $rows
     * @param  callable(int, Incoming|Refused, string, int): void  $take
     */
    private function some(array $rows, callable $take): void
    {
        $items = Item::query()
            ->whereIn('code', array_values(array_map(static fn (array $row): string => $row['item'] ?? '', $rows)))
            ->get()
            ->keyBy(static fn (Item $item): string => mb_strtolower($item->code));
        $moved = DB::table('stock_movements')->whereIn('item_id', $items->pluck('id'))
            ->groupBy('item_id', 'location_id')->get(['item_id', 'location_id'])
            ->map(static fn (object $row): string => "{$row->item_id} {$row->location_id}")
            ->flip();

        foreach ($rows as $line => $row) {
            $place = $this->places[mb_strtoupper($row['place'] ?? '')] ?? 0;
            $name = trim(($row['place'] ?? '').' '.($row['item'] ?? ''));

            try {
                $item = $items->get(mb_strtolower($row['item'] ?? ''));
                $one = $this->one($line, $row, $item, $place, $moved->has("{$item?->id} {$place}"));
            } catch (Refused $refused) {
                $one = $refused;
            }

            $take($line, $one, $name, $place);
        }
    }

    /**
     * @param  array<string, string>  $row
     *
     * @throws Refused
     */
    private function one(int $line, array $row, ?Item $item, int $place, bool $hasMoved): Incoming
    {
        $place > 0 || throw Refused::because('no_place', 'There is no place of that code.');
        $item !== null || throw Refused::because('no_item', 'There is no item of that code.');
        $seen = $this->seen["{$item->id} {$place}"] ?? null;
        $seen === null || throw Refused::because('twice', "Line {$seen} has this item at this place already.");
        $this->seen["{$item->id} {$place}"] = $line;
        $hasMoved && throw Refused::because(
            'there_already',
            'It has been there already: stock is counted from now on.',
        );
        $item->owner_id === null || throw Refused::because(
            'consigned',
            'It belongs to its owner until it is sold: it is received from them.',
        );
        $quantity = Quantity::of(TypedNumber::plain($row['quantity'] ?? ''));
        $quantity->value->isPositive() || throw Refused::because('no_quantity', 'How many? More than none.');
        $cost = ($row['cost'] ?? '') === '' ? $item->cost : UnitPrice::of(TypedNumber::plain($row['cost']));
        $serials = Serials::read($row['serials'] ?? '');
        $item->has_serials && count($serials) !== $quantity->value->toScale(0, RoundingMode::UP)->toInt()
            && throw Refused::because('serials', 'Each of them has a serial number: type as many as there are.');

        return new Incoming(
            $item,
            $quantity,
            $cost->worth($quantity, $item->price_per, $this->house->currency()),
            $item->has_serials ? $serials : [],
        );
    }

    private static function keyOf(string $digest, string $part): string
    {
        return Uuid::uuid5(Uuid::NAMESPACE_OID, "opening stock {$digest} {$part}")->toString();
    }
}
