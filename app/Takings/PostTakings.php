<?php

declare(strict_types=1);

namespace Elmstone\Takings;

use Elmstone\Books\Books;
use Elmstone\Books\Drafts\Party;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Posting;
use Elmstone\Books\Practice;
use Elmstone\Catalogue\GoodsMoving;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Catalogue\StockMove;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Customers\Customer;
use Elmstone\Shares\ShareLedger;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;

/**
 * Posts a day’s takings: one invoice for each sale, or one for each day; goods leave, money is in the drawer of the
 * till. All of it or nothing, and no row twice, however often it is sent and from how many places.
 */
final readonly class PostTakings
{
    private const AT_ONCE = 500;

    public function __construct(
        private Books $books,
        private House $house,
        private StockLedger $stock,
        private ShareLedger $shares,
        private Practice $practice,
    ) {
    }

    /**
     * @param  non-empty-list<SoldRow>  $rows
     * @param  Customer|null  $customer in whose name they are; null: nobody’s
     * @param  string  $key one key, one posting
     * @return int how many documents were written
     *
     * @throws Refused training, customer_merged, entered_meanwhile, day_closed, till_not_open, till_counted
     */
    public function handle(array $rows, ?Customer $customer, bool $byDay, Till $till, Staff $by, string $key): int
    {
        $this->practice->assertMayPost($till->id);
        $customer?->isMerged() === true && throw Refused::because(
            'customer_merged',
            "{$customer->name} was merged into another customer. Choose that one.",
        );

        return $this->books->post(
            Posting::under($key)
                ->locking(function () use ($rows, $customer, $till): void {
                    $customer === null || Customer::query()->whereKey($customer->id)->lockForUpdate()->first();
                    $this->lock($rows, $till->location_id);
                })
                ->unless(static fn (): ?int => DB::table('takings')->where('key', $key)->exists() ? 0 : null)
                ->writing(fn (): int => $this->write($rows, $customer, $byDay, $till, $by, $key)),
        );
    }

    /** @param  non-empty-list<SoldRow>  $rows */
    private function lock(array $rows, int $location): void
    {
        $moving = new GoodsMoving;

        foreach ($rows as $row) {
            $row->item === null || $moving->out($row->item->id, $location);
        }

        $costs = $this->stock->lock($moving);

        foreach ($rows as $row) {
            $row->item === null || ($row->item->cost = $costs[$row->item->id] ?? $row->item->cost);
        }
    }

    /** @param  non-empty-list<SoldRow>  $rows */
    private function write(
        array $rows,
        ?Customer $customer,
        bool $byDay,
        Till $till,
        Staff $by,
        string $key,
    ): int {
        foreach ($rows as $row) {
            $till->location->assertOpenOn($row->day);
        }

        $drafts = array_map(
            fn (array $some): TakingsDraft => new TakingsDraft($some, $this->house, $till->location),
            self::parted($rows, $byDay),
        );
        $taking = DB::table('takings')->insertGetId([
            'key' => $key,
            'staff_id' => $by->id,
            'location_id' => $till->location_id,
            'customer_id' => $customer?->id,
            'by_day' => $byDay,
            'count' => count($rows),
            'amount' => Money::sum(
                array_map(static fn (TakingsDraft $draft): Money => $draft->total(), $drafts),
                $this->house->currency(),
            ),
        ]);
        $this->take($rows, $till->location_id);
        $byDays = [];

        foreach ($drafts as $draft) {
            $byDays[$draft->rows[0]->day->format('Y-m-d')][] = $draft;
        }

        foreach ($byDays as $ofDay) {
            $this->documents($ofDay, $taking, $customer, $till, $by, $key);
        }

        return count($drafts);
    }

    /**
     * What leaves, of each item at once.
     *
     * @param  list<SoldRow>  $rows
     */
    private function take(array $rows, int $location): void
    {
        $this->stock->take(array_values(array_filter(array_map(
            fn (SoldRow $row): ?StockMove => $this->move($row, $location),
            $rows,
        ))));
    }

    private function move(SoldRow $row, int $location): ?StockMove
    {
        $item = $row->item;

        return $item === null ? null : new StockMove(
            $item->id,
            $location,
            $row->quantity->value->negated(),
            $item->cost ?? UnitPrice::of('0'),
            ($item->consigned() !== null ? $this->house->money(0) : $row->cost($this->house->money(0)))->negated(),
        );
    }

    /** @param  non-empty-list<TakingsDraft>  $drafts of one day */
    private function documents(
        array $drafts,
        int $taking,
        ?Customer $customer,
        Till $till,
        Staff $by,
        string $key,
    ): void {
        $posted = [];

        foreach ($drafts as $draft) {
            $posted[] = $draft->document(
                PostedAt::till($till, $by->id, $draft->rows[0]->day),
                new Party($customer?->id, $customer->name ?? $draft->rows[0]->who),
                Uuid::uuid5(Uuid::fromString($key), "takings {$draft->rows[0]->fingerprint}")->toString(),
            );
        }

        $ids = $this->books->documents($posted);
        $this->shares->soldAll(array_map(
            static fn (int $id, $document): array => [$id, $document, null],
            $ids,
            $posted,
        ));
        [$rows, $moves] = [[], []];

        foreach ($drafts as $place => $draft) {
            foreach ($draft->rows as $i => $row) {
                $rows[] = self::kept($row, $taking, $ids[$place], $i + 1, $draft->taken[$i]);
                $move = $this->move($row, $till->location_id);
                $move === null || ($moves[] = [$move, $row->day, $ids[$place]]);
            }
        }

        $this->stock->record('sale', $moves);
        $kept = 0;

        foreach (array_chunk($rows, self::AT_ONCE) as $some) {
            $kept += DB::table('takings_rows')->insertOrIgnore($some);
        }

        $kept === count($rows) || throw Refused::because(
            'entered_meanwhile',
            'Some of it was entered by somebody else meanwhile. Nothing was posted; check it again.',
        );
    }

    /** @return array<string, mixed> */
    private static function kept(SoldRow $row, int $taking, int $document, int $position, Money $taken): array
    {
        return [
            'taking_id' => $taking,
            'fingerprint' => $row->fingerprint,
            'sold_on' => $row->day->format('Y-m-d'),
            'sold_at' => $row->time === '' ? null : $row->time,
            'number' => $row->number,
            'who' => $row->who,
            'document_id' => $document,
            'position' => $position,
            'taken' => $taken,
        ];
    }

    /**
     * @param  non-empty-list<SoldRow>  $rows
     * @return non-empty-list<non-empty-list<SoldRow>> those of each document, in the order of the sheet
     */
    private static function parted(array $rows, bool $byDay): array
    {
        $parted = [];

        foreach ($rows as $row) {
            $parted[$byDay ? $row->day->format('Y-m-d') : $row->sale()][] = $row;
        }

        return array_values($parted);
    }
}
