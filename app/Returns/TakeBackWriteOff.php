<?php

declare(strict_types=1);

namespace Elmstone\Returns;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentDraft;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\DocumentLine;
use Elmstone\Books\DraftLine;
use Elmstone\Books\GoodsTo;
use Elmstone\Books\Origin;
use Elmstone\Books\Purpose;
use Elmstone\Books\Register;
use Elmstone\Catalogue\Serials;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Catalogue\StockMove;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Slip\Direction;
use Elmstone\Core\Slip\Reckoner;
use Elmstone\Core\Slip\Slip;
use Elmstone\Core\Slip\SlipLine;
use Elmstone\Core\Tax\TaxProfile;
use Elmstone\Receivables\FeeDraft;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;

/** Takes a write-off back whole, by a document: the goods are in stock and in the books again, at the cost they left with. Once: the document's key follows from it. */
final class TakeBackWriteOff
{
    public function __construct(private readonly House $house, private readonly Register $register, private readonly StockLedger $stock, private readonly Serials $serials)
    {
    }

    /**
     * @return int the document's id
     *
     * @throws Refused not_a_write_off, reason_missing, day_closed, serial_here
     */
    public function handle(Document $writeOff, string $reason, Till $till, Staff $by): int
    {
        match (true) {
            $writeOff->purpose !== Purpose::WriteOff => throw Refused::because('not_a_write_off', "{$writeOff->label} is not a write-off."),
            $reason === '' => throw Refused::because('reason_missing', 'Say why it is taken back: the reason is kept.'),
            default => null,
        };
        $key = Uuid::uuid5(Uuid::fromString($writeOff->idempotency_key), 'taken back')->toString();
        $writeOff->load('lines');

        return DB::transaction(function () use ($writeOff, $reason, $key, $till, $by): int {
            $moves = array_values($writeOff->lines->whereNotNull('item_id')->map(fn (DocumentLine $line): StockMove => new StockMove((int) $line->item_id, $writeOff->location_id, BigDecimal::of($line->quantity), $this->unitCost($line)))->all());
            DB::table('documents')->where('id', $writeOff->id)->lockForUpdate()->value('id');
            $before = Document::query()->where('idempotency_key', $key)->value('id');

            if (is_int($before)) {
                return $before;
            }

            $till->location->assertOpenOn(CarbonImmutable::today());
            $this->stock->take($moves);
            $document = $this->register->post($this->draft($writeOff, $reason, $key, $till, $by));
            $this->stock->record('write_off', array_map(static fn (StockMove $move): array => [$move, CarbonImmutable::today(), $document], $moves));

            foreach ($writeOff->lines as $line) {
                $line->serials === null || $line->item_id === null || $this->serials->comeBack($line->item_id, $line->description, $line->serials, true);
            }

            return $document;
        }, 3);
    }

    private function draft(Document $writeOff, string $reason, string $key, Till $till, Staff $by): DocumentDraft
    {
        $terms = $this->house->taxTerms();
        $lines = $writeOff->lines->values();
        $values = array_values($lines->map(static fn (DocumentLine $line, int $i): SlipLine => SlipLine::of((string) ($i + 1), Direction::Back, Quantity::of((string) BigDecimal::of($line->quantity)->stripTrailingZeros()), UnitPrice::of('0'), $line->price_per, FeeDraft::UNTAXED, null, false))->all());
        $reckoned = Reckoner::reckon(Slip::of($this->house->currency(), $terms, TaxProfile::of(), $values));
        $drafts = array_values($lines->map(fn (DocumentLine $line, int $i): DraftLine => new DraftLine(
            $reckoned->lines[$i], $line->item_id, $line->code, $line->description, $line->department_id, $line->unit, $line->price_rule, UnitPrice::of('0'), $this->house->money($line->cost), '',
            serials: $line->serials ?? [], origin: new Origin($writeOff->id, $line->position), goodsTo: GoodsTo::Stock, reason: $line->reason,
        ))->all());
        $now = CarbonImmutable::now();
        $zero = $this->house->money(0);

        return new DocumentDraft(
            DocumentKind::Adjustment, $writeOff->location_id, $till->id, $by->id, $now->startOfDay(), $now, $terms, $reckoned, null, $drafts, [], [], $zero, $zero, $key,
            note: mb_substr($reason, 0, 255), refersTo: $writeOff->id, withLines: Purpose::WriteOffReversed,
        );
    }

    private function unitCost(DocumentLine $line): UnitPrice
    {
        return UnitPrice::of((string) $this->house->money($line->cost)->major()->multipliedBy($line->price_per)->dividedBy($line->quantity, 4, RoundingMode::HALF_UP));
    }
}
