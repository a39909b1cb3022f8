<?php

declare(strict_types=1);

namespace Elmstone\Stock\Tables;

use Elmstone\Books\Books;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Posting;
use Elmstone\Books\Purpose;
use Elmstone\Catalogue\GoodsMoving;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Core\Money\Refused;
use Elmstone\Shop\Location;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Stock\BringIn;
use Elmstone\Stock\Incoming;
use Elmstone\Support\Tables\BringsIn;
use Elmstone\Support\Tables\ChangedMeanwhile;
use Elmstone\Support\Tables\ImportReport;
use Illuminate\Contracts\Auth\Factory;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;

/** What is on hand when the shop begins, and what it cost: posted as opening stock, against the opening balances. */
final readonly class StockTable implements BringsIn
{
    private const AT_ONCE = 1000;

    /** So many lines a document has. */
    private const OF_ONE = 500;

    public function __construct(
        private StockRows $read,
        private Books $books,
        private StockLedger $stock,
        private BringIn $bringIn,
        private AtTill $atTill,
        private Factory $auth,
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

    /** What was there before is worth money out of nothing: the owner’s to say. */
    public function abilities(): array
    {
        return ['set-house'];
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

    public function most(): int
    {
        return 100_000;
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
        $this->read->each($rows, static function (int $line, Incoming|Refused $one, string $name) use ($report): void {
            $one instanceof Refused
                ? $report->complain($line, $name, $one->getMessage())
                : $report->fine(false);
        });
    }

    public function write(iterable $rows, string $digest, callable $brought): void
    {
        $by = $this->auth->guard()->user();
        $by instanceof Staff || throw Refused::because('nobody', 'Nobody is signed in.');
        $goods = [];
        $moving = new GoodsMoving;
        $this->read->each(
            $rows,
            static function (int $line, Incoming|Refused $one, string $name, int $place) use (&$goods, $moving): void {
                $one instanceof Refused && throw ChangedMeanwhile::at($line, $one);
                $goods[$place][] = $one;
                $one->moving($moving, $place);
            },
        );
        $at = PostedAt::till($this->atTill->till(), $by->id);
        $key = self::keyOf($digest, '');
        $this->books->post(
            Posting::under($key)
                ->locking(fn (): array => $this->stock->lock($moving))
                ->writing(fn (): int => $this->post($goods, $at, $digest, $brought)),
        );
    }

    /**
     * @param  array<int, list<Incoming>>  $goods by place
     * @param  callable(int=): void  $brought
     */
    private function post(array $goods, PostedAt $at, string $digest, callable $brought): int
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
                $brought(count($some));
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

    private static function keyOf(string $digest, string $part): string
    {
        return Uuid::uuid5(Uuid::NAMESPACE_OID, "opening stock {$digest} {$part}")->toString();
    }
}
