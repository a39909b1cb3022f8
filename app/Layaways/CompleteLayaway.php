<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Elmstone\Agreements\AgreedGoods;
use Elmstone\Agreements\AgreedSlip;
use Elmstone\Books\Books;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\DocumentDraft;
use Elmstone\Books\Drafts\DraftLine;
use Elmstone\Books\Drafts\DraftTender;
use Elmstone\Books\Drafts\LineCost;
use Elmstone\Books\Drafts\Party;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Posting;
use Elmstone\Catalogue\Commitments;
use Elmstone\Catalogue\Serials;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Catalogue\StockMove;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Held\Ledger\Movement;
use Elmstone\Paper\HandOver;
use Elmstone\Shares\ShareLedger;
use Elmstone\Shares\Sharings;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Ramsey\Uuid\Uuid;

/**
 * The goods of a layaway leave: it becomes an invoice at the agreed prices and taxes, paid by the layaway money held.
 */
final class CompleteLayaway
{
    public function __construct(
        private readonly House $house,
        private readonly Books $books,
        private readonly LayawayLedger $ledger,
        private readonly StockLedger $stock,
        private readonly Commitments $commitments,
        private readonly Serials $serials,
        private readonly Sharings $sharings,
        private readonly ShareLedger $shares,
    ) {
    }

    /**
     * @return int the invoice's document id; asked again, the same
     *
     * @throws Refused not_paid, not_running, serial_missing, day_closed
     */
    public function handle(int $layawayId, Till $till, Staff $by): int
    {
        $lock = function () use ($layawayId): Layaway {
            $layaway = $this->ledger->lock($layawayId);
            $layaway->document_id === null
                && AgreedGoods::costNow([$layaway], $this->stock->lock(AgreedGoods::moving($layaway)));

            return $layaway;
        };
        $write = function (Layaway $layaway) use ($till, $by): int {
            $document = $this->post($layaway, PostedAt::till($till, $by->id, ShopTime::today()));
            HandOver::write($document, $till, $by);

            return $document;
        };

        return $this->books->post(
            Posting::under("layaway {$layawayId}")
                ->locking($lock)
                ->unless(static fn (Layaway $layaway): ?int => $layaway->document_id)
                ->writing($write),
        );
    }

    /** In a posting, the layaway and its goods locked. */
    public function post(Layaway $layaway, PostedAt $at): int
    {
        $layaway->loadMissing(['allLines.item', 'location', 'customer']);
        $layaway->location->assertOpenOn($at->day);

        if ($at->locationId !== $layaway->location_id) {
            throw Refused::because(
                'other_location',
                "The goods of {$layaway->label} lie at {$layaway->location->name}. They leave there.",
            );
        }

        $this->assertReady($layaway);
        $moves = $this->moves($layaway);
        $this->commitments->release($layaway->id);
        $this->stock->take($moves);
        $sharing = $layaway->sharing_id;
        $seller = $sharing === null ? $layaway->staff_id : $this->sharings->lead($sharing);
        $draft = $this->draft($layaway, $at->soldBy($seller));
        $document = $this->books->document($draft);
        $this->shares->sold($document, $draft, $sharing);
        $this->stock->record(
            'sale',
            array_map(static fn (StockMove $move): array => [$move, $at->day, $document], $moves),
        );
        $this->serials->sell($document, $this->serialsOf($layaway), $layaway->id);
        $this->ledger->leave($layaway, $document, Movement::Used, $layaway->account->balance, $at->day);
        $this->ledger->end($layaway, LayawayState::Completed, $at->day, $document);

        return $document;
    }

    /** @throws Refused not_paid, not_running, serial_missing */
    public function assertReady(Layaway $layaway): void
    {
        match ($layaway->state) {
            LayawayState::Ready => null,
            LayawayState::Running => throw Refused::because('not_paid', "{$layaway->label} is not paid in full yet."),
            default => throw Refused::because('not_running', "{$layaway->label} is {$layaway->state->value} already."),
        };
        self::assertSerials($layaway);
    }

    /** @throws Refused serial_missing, serial_count */
    public static function assertSerials(Layaway $layaway): void
    {
        foreach ($layaway->lines() as $line) {
            if ($line->item?->has_serials === true) {
                Serials::assertComplete($line->description, $line->quantity, $line->serials ?? []);
            }
        }
    }

    /** @return list<StockMove> */
    private function moves(Layaway $layaway): array
    {
        $moves = [];

        foreach ($layaway->lines() as $line) {
            if ($line->item_id !== null) {
                $moves[] = new StockMove(
                    $line->item_id,
                    $layaway->location_id,
                    $line->quantity->value->negated(),
                    ($line->item->cost ?? UnitPrice::of('0')),
                    $line->costNow($this->house->currency())->negated(),
                );
            }
        }

        return $moves;
    }

    /** @return array<int, list<string>> by item */
    private function serialsOf(Layaway $layaway): array
    {
        $serials = [];

        foreach ($layaway->lines() as $line) {
            if ($line->item_id !== null && $line->serials !== null) {
                $serials[$line->item_id] = [...$serials[$line->item_id] ?? [], ...$line->serials];
            }
        }

        return $serials;
    }

    private function draft(Layaway $layaway, PostedAt $at): DocumentDraft
    {
        $currency = $this->house->currency();
        $tax = $layaway->taxAsAgreed();
        $lines = $layaway->lines();
        $reckoned = AgreedSlip::reckon($layaway, $lines, $currency);
        $drafts = [];

        foreach ($lines as $i => $line) {
            $drafts[] = new DraftLine(
                $reckoned->lines[$i],
                $line->item_id,
                $line->code,
                $line->description,
                $line->department_id,
                $line->unit,
                $line->price_rule,
                $line->list_price,
                LineCost::of(
                    $reckoned->lines[$i], $tax->terms, $line->costNow($currency), $line->item?->consigned(),
                ),
                $line->note,
                $line->approval_id,
                $line->serials ?? [],
                sharing: $line->sharing_id,
                consigned: $line->item?->consigned(),
            );
        }

        $party = new Party(
            $layaway->customer_id,
            $layaway->customer->name,
            $layaway->purchase_order,
            $layaway->job,
            $layaway->buyer,
            $tax->exempted(),
        );
        $money = Tender::of(TenderKind::LayawayMoney, $reckoned->total);

        return DocumentDraft::of(
            DocumentKind::Invoice, $at->of($layaway->location_id), self::key($layaway), $tax->terms, $reckoned,
        )
            ->withLines($drafts, $tax->names, $layaway->discount())
            ->settledBy([new DraftTender($money, $reckoned->total, $layaway->label)])
            ->to($party)
            ->noting("Layaway {$layaway->label} of {$layaway->made_on->format('j M Y')}");
    }

    private static function key(Layaway $layaway): string
    {
        return Uuid::uuid5(Uuid::fromString($layaway->key), 'completion')->toString();
    }
}
