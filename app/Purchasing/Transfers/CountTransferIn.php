<?php

declare(strict_types=1);

namespace Elmstone\Purchasing\Transfers;

use Brick\Math\BigDecimal;
use Elmstone\Books\Books;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\GoodsTo;
use Elmstone\Books\Posting;
use Elmstone\Books\Purpose;
use Elmstone\Catalogue\GoodsMoving;
use Elmstone\Catalogue\Serials;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Slip\Direction;
use Elmstone\MoneyOut\Gate;
use Elmstone\Paper\Outbox;
use Elmstone\Purchasing\Receiving\Received;
use Elmstone\Purchasing\Receiving\ServeOldest;
use Elmstone\Purchasing\WaitsForGoods;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Ability;
use Elmstone\Staff\Approvals\LimitMatter;
use Elmstone\Staff\Approvals\Limits;
use Elmstone\Staff\Staff;
use Elmstone\Stock\BringIn;
use Elmstone\Stock\GoodsDraft;
use Elmstone\Stock\GoodsLine;
use Elmstone\Stock\Incoming;
use Elmstone\Stock\WriteOffLimit;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Show;
use Illuminate\Support\Facades\DB;
use LogicException;
use Ramsey\Uuid\Uuid;

/**
 * Goods of a transfer are counted in where they are: where they were to go, or where they came from if they come back.
 * They are in stock at what they cost, and go at once to who waits longest there. What is said to be missing leaves the
 * books, within what the person may write off. The same key answers with the same.
 */
final readonly class CountTransferIn
{
    public function __construct(
        private Books $books,
        private BringIn $bringIn,
        private StockLedger $stock,
        private GoodsDraft $drafts,
        private WaitsForGoods $orders,
        private ServeOldest $oldest,
        private Gate $gate,
        private WriteOffLimit $limit,
        private Limits $limits,
        private House $house,
        private Outbox $outbox,
    ) {
    }

    /**
     * @param  list<CountedIn>  $counted
     * @param  string  $why something is missing
     * @param  string  $key of the sheet
     * @return Received what came in, or what is missing, and whom it went to
     *
     * @throws Refused changed_elsewhere, not_on_its_way, not_here, nothing_comes, not_sent_with_it, more_than_sent,
     *     reason_missing, may_not_write_off, over_write_off, serial_missing, serial_count, serial_not_sent, day_closed
     */
    public function handle(
        Transfer $transfer,
        int $version,
        array $counted,
        string $why,
        Till $till,
        Staff $by,
        string $key,
    ): Received {
        $counted = array_values(array_filter(
            $counted,
            static fn (CountedIn $one): bool => $one->arrived->isPositive() || $one->missing->isPositive(),
        ));
        $counted === [] && throw Refused::because('nothing_comes', 'Type how many are here, or what is missing.');
        $items = $transfer->lines()->pluck('item_id', 'position')->all();
        $arrived = array_filter($counted, static fn (CountedIn $one): bool => $one->arrived->isPositive());
        $here = array_values(array_unique(array_intersect_key($items, array_flip(array_map(
            static fn (CountedIn $one): int => $one->position,
            $arrived,
        )))));
        $waiting = $this->oldest->mayGet($till->location_id, $here);
        sort($waiting);
        $lock = function () use ($transfer, $counted, $arrived, $items, $waiting, $till, $by): Transfer {
            count(array_filter($counted, static fn (CountedIn $one): bool => $one->missing->isPositive())) > 0
                && $this->gate->lock($by);
            $this->orders->lock($waiting);
            $locked = Transfer::query()->whereKey($transfer->id)->lockForUpdate()->firstOrFail();
            $moving = new GoodsMoving;

            foreach ($arrived as $one) {
                $item = $items[$one->position] ?? null;
                is_int($item) && $moving->in($item, $till->location_id)->pieces($item, $one->serials);
            }

            $this->stock->lock($moving);

            return $locked->load(['lines.item', 'to', 'from']);
        };
        $document = $this->books->post(
            Posting::under($key)->locking($lock)->writing(
                fn (Transfer $locked): int => $this->write(
                    $locked, $version, $counted, $why, $till, $by, $key, $waiting,
                ),
            ),
        );

        return Received::of($document);
    }

    /**
     * @param  list<CountedIn>  $counted
     * @param  list<int>  $waiting agreements that are locked
     */
    private function write(
        Transfer $transfer,
        int $version,
        array $counted,
        string $why,
        Till $till,
        Staff $by,
        string $key,
        array $waiting,
    ): int {
        self::assertStands($transfer, $version, $till);
        $at = PostedAt::till($till, $by->id, ShopTime::today());
        $this->assertSound($transfer, $counted);
        $missing = $this->missing($transfer, $counted);
        $arrived = array_values(array_filter(
            $counted,
            static fn (CountedIn $one): bool => $one->arrived->isPositive(),
        ));
        $lost = $missing === [] ? null : $this->lose($transfer, $missing, $why, $at, $by, $arrived === [] ? $key
            : Uuid::uuid5(Uuid::fromString($key), 'missing')->toString());
        $document = $arrived === [] ? $lost : $this->bringIn->post(
            array_map(static fn (CountedIn $one): Incoming => self::incoming($transfer, $one), $arrived),
            Purpose::GoodsArrived,
            $at,
            $key,
            "{$transfer->label} from {$transfer->from->town}",
        );
        $this->note($transfer, $counted, (int) $document, $lost, $why);
        $this->serve($transfer, $arrived, (int) $document, $waiting, $till, $by);

        return (int) $document;
    }

    private static function assertStands(Transfer $transfer, int $version, Till $till): void
    {
        $till->location->assertOpenOn(ShopTime::today());
        match (true) {
            $transfer->version !== $version => throw Refused::because(
                'changed_elsewhere',
                "Somebody counted goods of {$transfer->label} in meanwhile. Here is how it stands now.",
            ),
            ! $transfer->isOnItsWay() => throw Refused::because(
                'not_on_its_way',
                "{$transfer->label} is counted in already.",
            ),
            ! $transfer->endsAt($till->location_id) => throw Refused::because(
                'not_here',
                "{$transfer->label} goes to {$transfer->to->town}. It is counted in at a till there, or in "
                    ."{$transfer->from->town} if it comes back.",
            ),
            default => null,
        };
    }

    /** @param  list<CountedIn>  $counted */
    private function assertSound(Transfer $transfer, array $counted): void
    {
        foreach ($counted as $one) {
            $line = $transfer->at($one->position) ?? throw Refused::because(
                'not_sent_with_it',
                "{$transfer->label} has no line {$one->position}.",
            );
            $sum = $one->arrived->plus($one->missing);
            $sum->isGreaterThan($line->toCome()) && throw Refused::because(
                'more_than_sent',
                "{$line->item->code} “{$line->item->description}”: ".Show::decimal($sum).' are said to be here or '
                    .'missing, but '.Show::decimal($line->toCome()).' are on their way. What is more was not sent with '
                    .'it: count it where it came from.',
            );
            $line->item->has_serials && $one->arrived->isPositive() && $this->assertPieces($transfer, $line, $one);
        }
    }

    private function assertPieces(Transfer $transfer, TransferLine $line, CountedIn $one): void
    {
        Serials::assertComplete($line->item->description, Quantity::of((string) $one->arrived), $one->serials);
        $strange = Serials::notOut($line->item_id, $one->serials, $transfer->document_id);
        $strange === [] || throw Refused::because(
            'serial_not_sent',
            "“{$line->item->description}”: serial number {$strange[0]} was not sent with {$transfer->label}. Look at "
                .'the plate again.',
        );
    }

    /**
     * @param  list<CountedIn>  $counted
     * @return list<array{TransferLine, CountedIn, Money}> with what they cost
     */
    private function missing(Transfer $transfer, array $counted): array
    {
        $missing = [];

        foreach ($counted as $one) {
            $line = $transfer->at($one->position);
            $line !== null && $one->missing->isPositive()
                && ($missing[] = [$line, $one, $line->worth($one->missing, $one->arrived)]);
        }

        return $missing;
    }

    /**
     * @param  non-empty-list<array{TransferLine, CountedIn, Money}>  $missing
     * @return int the document's id
     */
    private function lose(
        Transfer $transfer,
        array $missing,
        string $why,
        PostedAt $at,
        Staff $by,
        string $key,
    ): int {
        $worth = Money::sum(array_column($missing, 2), $this->house->currency());
        match (true) {
            $why === '' => throw Refused::because('reason_missing', 'Say why it is missing.'),
            ! $by->mayDo(Ability::WriteOff) => throw Refused::because(
                'may_not_write_off',
                'A supervisor says that something is missing for good. Count in what is here; the rest stays on its '
                    .'way.',
            ),
            ! $this->limit->allows($by, $worth) => throw Refused::because(
                'over_write_off',
                "What is missing is worth {$worth->toString()}, more than {$by->name} may let go. "
                    .$this->limits->whoMayApprove(LimitMatter::WriteOff, $worth),
            ),
            default => null,
        };

        return $this->books->document($this->drafts->draft(
            Purpose::GoodsMissing,
            array_map(static fn (array $one): GoodsLine => GoodsLine::of(
                $one[0]->item, Quantity::of((string) $one[1]->missing), Direction::Back, GoodsTo::None, $one[2],
            ), $missing),
            $at,
            $key,
            "{$transfer->label} from {$transfer->from->town}: {$why}",
            $transfer->document_id,
        ));
    }

    private static function incoming(Transfer $transfer, CountedIn $one): Incoming
    {
        $line = $transfer->at($one->position)
            ?? throw new LogicException("{$transfer->label} has no line {$one->position}.");

        return new Incoming(
            $line->item,
            Quantity::of((string) $one->arrived),
            $line->worth($one->arrived),
            $one->serials,
        );
    }

    /** @param  list<CountedIn>  $counted */
    private function note(Transfer $transfer, array $counted, int $document, ?int $lost, string $why): void
    {
        foreach ($counted as $one) {
            foreach ([[$one->arrived, $document, false], [$one->missing, $lost, true]] as [$quantity, $by, $isLost]) {
                $quantity->isPositive() && TransferCount::query()->insert([
                    'document_id' => $by,
                    'position' => $one->position,
                    'transfer_id' => $transfer->id,
                    'quantity' => (string) $quantity,
                    'is_missing' => $isLost,
                    'why' => $isLost ? mb_substr($why, 0, 120) : '',
                ]);
            }

            DB::update(
                'UPDATE transfer_lines SET arrived = arrived + ?, missing = missing + ? '
                    .'WHERE transfer_id = ? AND position = ?',
                [(string) $one->arrived, (string) $one->missing, $transfer->id, $one->position],
            );
        }

        $isDone = $transfer->load('lines')->lines
            ->every(static fn (TransferLine $line): bool => $line->toCome()->isZero());
        $transfer
            ->forceFill([
                'version' => $transfer->version + 1,
                'state' => $isDone ? TransferState::Done : TransferState::Sent,
                'ended_on' => $isDone ? ShopTime::today() : null,
            ])
            ->save();
    }

    /**
     * @param  list<CountedIn>  $arrived
     * @param  list<int>  $waiting
     */
    private function serve(
        Transfer $transfer,
        array $arrived,
        int $document,
        array $waiting,
        Till $till,
        Staff $by,
    ): void {
        /** @var array<int, BigDecimal> $goods */
        $goods = [];

        foreach ($arrived as $one) {
            $item = $transfer->at($one->position)?->item_id;
            $item === null || ($goods[$item] = $one->arrived);
        }

        $served = $goods === [] ? [] : $this->oldest->with($goods, $till->location_id, $waiting);
        Received::keep($document, $served);
        $served === [] || $this->outbox->write(Received::WHAT, "arrived {$document}", $document, $till, $by);
    }
}
