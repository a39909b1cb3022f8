<?php

declare(strict_types=1);

namespace Elmstone\Purchasing\Transfers;

use Carbon\CarbonImmutable;
use Elmstone\Books\Books;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Posting;
use Elmstone\Books\Purpose;
use Elmstone\Catalogue\GoodsMoving;
use Elmstone\Catalogue\Serials;
use Elmstone\Catalogue\Stock;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Catalogue\StockMove;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Slip\Direction;
use Elmstone\Purchasing\PurchaseDesk;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Stock\GoodsDraft;
use Elmstone\Stock\GoodsLine;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Show;
use Illuminate\Support\Facades\DB;

/**
 * Goods leave for another location: out of stock at what they cost, and on their way until they are counted in. Only
 * what is there and nobody's goes. The same key answers with the same transfer.
 */
final readonly class SendGoods
{
    public const MOST_LINES = 200;

    public function __construct(
        private Books $books,
        private StockLedger $stock,
        private Serials $serials,
        private GoodsDraft $drafts,
        private House $house,
    ) {
    }

    /**
     * @param  list<SentLine>  $lines
     *
     * @throws Refused nothing_chosen, too_many, same_place, expected_past, not_there, serial_missing, serial_count,
     *     serial_out, serial_set_aside, day_closed
     */
    public function handle(
        Location $to,
        array $lines,
        ?CarbonImmutable $expected,
        string $note,
        Till $till,
        Staff $by,
        string $key,
    ): Transfer {
        $lines = self::joined($lines);
        $expected ??= ShopTime::today();
        self::assertSound($to, $lines, $expected, $till);
        $moving = new GoodsMoving;
        array_walk($lines, static fn (SentLine $line) => $moving->out(
            $line->item->id, $till->location_id, $line->serials,
        ));
        $document = $this->books->post(
            Posting::under($key)
                ->locking(fn (): array => $this->stock->lock($moving))
                ->writing(fn (array $costs): int => $this->write(
                    $to, $lines, $costs, $expected, $note, $till, $by, $key,
                )),
        );

        return Transfer::query()->where('document_id', $document)->firstOrFail();
    }

    /**
     * @param  list<SentLine>  $lines an item once
     * @param  array<int, UnitPrice>  $costs
     */
    private function write(
        Location $to,
        array $lines,
        array $costs,
        CarbonImmutable $expected,
        string $note,
        Till $till,
        Staff $by,
        string $key,
    ): int {
        $day = ShopTime::today();
        $till->location->assertOpenOn($day);
        $this->assertThere($lines, $till->location_id);
        $amounts = array_map(fn (SentLine $line): Money => ($costs[$line->item->id] ?? UnitPrice::of('0'))->worth(
            $line->quantity, $line->item->price_per, $this->house->currency(),
        ), $lines);
        $moves = array_map(
            static fn (SentLine $line, Money $amount): StockMove => new StockMove(
                $line->item->id,
                $till->location_id,
                $line->quantity->value->negated(),
                $costs[$line->item->id] ?? UnitPrice::of('0'),
                $amount->negated(),
            ),
            $lines,
            $amounts,
        );
        $this->stock->take($moves);
        $document = $this->books->document($this->drafts->draft(
            Purpose::GoodsSent,
            array_map(self::goods(...), $lines, $amounts),
            PostedAt::till($till, $by->id, $day),
            $key,
            "To {$to->town}. {$note}",
        ));
        $this->stock->record(
            'transfer_out',
            array_map(static fn (StockMove $move): array => [$move, $day, $document], $moves),
        );
        $this->serials->sell($document, array_filter(array_combine(
            array_map(static fn (SentLine $line): int => $line->item->id, $lines),
            array_map(static fn (SentLine $line): array => $line->serials, $lines),
        )));
        $this->keep($to, $lines, $amounts, $expected, $note, $till, $by, $key, $document);

        return $document;
    }

    /**
     * @param  list<SentLine>  $lines
     * @param  list<Money>  $amounts
     */
    private function keep(
        Location $to,
        array $lines,
        array $amounts,
        CarbonImmutable $expected,
        string $note,
        Till $till,
        Staff $by,
        string $key,
        int $document,
    ): void {
        $transfer = Transfer::query()->create([
            'key' => $key,
            'from_id' => $till->location_id,
            'to_id' => $to->id,
            'staff_id' => $by->id,
            'state' => TransferState::Sent,
            'sent_on' => ShopTime::today(),
            'expected_on' => $expected,
            'ended_on' => null,
            'note' => mb_substr($note, 0, 255),
            'document_id' => $document,
            'version' => 1,
        ]);
        DB::table('transfer_lines')->insert(array_map(
            static fn (int $at, SentLine $line): array => [
                'transfer_id' => $transfer->id,
                'position' => $at + 1,
                'item_id' => $line->item->id,
                'quantity' => $line->quantity->toString(),
                'amount' => $amounts[$at],
            ],
            array_keys($lines),
            $lines,
        ));
    }

    private static function goods(SentLine $line, Money $amount): GoodsLine
    {
        return GoodsLine::of($line->item, $line->quantity, Direction::Out, null, $amount, $line->serials);
    }

    /**
     * An item once, however often it was scanned.
     *
     * @param  list<SentLine>  $lines
     * @return list<SentLine>
     */
    private static function joined(array $lines): array
    {
        $joined = [];

        foreach ($lines as $line) {
            $joined[$line->item->id] = isset($joined[$line->item->id])
                ? $joined[$line->item->id]->with($line)
                : $line;
        }

        return array_values($joined);
    }

    /** @param  list<SentLine>  $lines */
    private static function assertSound(Location $to, array $lines, CarbonImmutable $expected, Till $till): void
    {
        match (true) {
            $lines === [] => throw Refused::because('nothing_chosen', 'Type at least one item and how many go.'),
            count($lines) > self::MOST_LINES => throw Refused::because(
                'too_many',
                'At most '.self::MOST_LINES.' items go on one transfer.',
            ),
            $to->id === $till->location_id => throw Refused::because(
                'same_place',
                "The goods are in {$to->town} already. Choose where they go.",
            ),
            $expected < ShopTime::today() => throw Refused::because(
                'expected_past',
                'That day is past. Type the day on which they are to be there.',
            ),
            default => null,
        };

        foreach ($lines as $line) {
            PurchaseDesk::assertFitting($line->quantity->value);
            $line->item->assertSoldIn($line->quantity);
            $line->item->has_serials
                && Serials::assertComplete($line->item->description, $line->quantity, $line->serials);
        }
    }

    /**
     * @param  list<SentLine>  $lines
     *
     * @throws Refused not_there
     */
    private function assertThere(array $lines, int $location): void
    {
        $stock = Stock::query()
            ->where('location_id', $location)
            ->whereIn('item_id', array_map(static fn (SentLine $line): int => $line->item->id, $lines))
            ->get()
            ->keyBy('item_id');

        foreach ($lines as $line) {
            $one = $stock->get($line->item->id);
            $free = Show::decimal($one?->available() ?? '0');

            if ($one === null || $line->quantity->value->isGreaterThan($one->available())) {
                throw Refused::because(
                    'not_there',
                    "{$line->item->code} “{$line->item->description}”: {$line->quantity->toString()} are to go, but "
                        .($one?->isCommitted() === true
                            ? "only {$free} are free here; the rest is set aside for customers."
                            : "by the books {$free} are here."),
                );
            }
        }
    }
}
