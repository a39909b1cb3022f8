<?php

declare(strict_types=1);

namespace Elmstone\Returns;

use Brick\Math\BigRational;
use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentDraft;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\DraftLine;
use Elmstone\Books\GoodsTo;
use Elmstone\Books\Purpose;
use Elmstone\Books\Register;
use Elmstone\Catalogue\Serials;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Catalogue\StockMove;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Pricing\PriceRule;
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

/** Takes broken, spoiled and stolen goods out of stock and out of the books, at cost. The same key answers with the same document. */
final class WriteOff
{
    public function __construct(private readonly House $house, private readonly Register $register, private readonly StockLedger $stock, private readonly Serials $serials)
    {
    }

    /**
     * @param  list<WriteOffLine>  $lines
     * @return int the document's id
     *
     * @throws Refused nothing_chosen, serial_missing, serial_count, serial_out, day_closed
     */
    public function handle(array $lines, string $note, string $key, Till $till, Staff $by): int
    {
        if ($lines === []) {
            throw Refused::because('nothing_chosen', 'Type at least one item and how many.');
        }

        foreach ($lines as $line) {
            $line->item->has_serials && Serials::assertComplete($line->item->description, $line->quantity->toString(), $line->serials);
        }

        return DB::transaction(function () use ($lines, $note, $key, $till, $by): int {
            $moves = array_map(static fn (WriteOffLine $line): StockMove => new StockMove($line->item->id, $till->location_id, $line->quantity->value->negated(), UnitPrice::of($line->item->cost ?? '0')), $lines);
            $this->stock->take($moves);
            $before = Document::query()->where('idempotency_key', $key)->value('id');

            if (is_int($before)) {
                $this->stock->take(array_map(static fn (StockMove $move): StockMove => new StockMove($move->itemId, $move->locationId, $move->quantity->negated(), $move->unitCost), $moves));

                return $before;
            }

            $till->location->assertOpenOn(CarbonImmutable::today());
            $document = $this->register->post($this->draft($lines, $note, $key, $till, $by));
            $this->stock->record('write_off', array_map(static fn (StockMove $move): array => [$move, CarbonImmutable::today(), $document], $moves));
            $serials = [];

            foreach ($lines as $line) {
                $line->serials === [] || $serials[$line->item->id] = [...$serials[$line->item->id] ?? [], ...$line->serials];
            }

            $this->serials->sell($document, $serials);

            return $document;
        }, 3);
    }

    /** @param  list<WriteOffLine>  $lines */
    private function draft(array $lines, string $note, string $key, Till $till, Staff $by): DocumentDraft
    {
        $zero = $this->house->money(0);
        $terms = $this->house->taxTerms();
        $values = array_map(static fn (WriteOffLine $line, int $i): SlipLine => SlipLine::of((string) ($i + 1), Direction::Out, $line->quantity, UnitPrice::of('0'), $line->item->price_per, FeeDraft::UNTAXED, null, false), $lines, array_keys($lines));
        $reckoned = Reckoner::reckon(Slip::of($this->house->currency(), $terms, TaxProfile::of(), $values));
        $drafts = array_map(fn (WriteOffLine $line, int $i): DraftLine => new DraftLine(
            $reckoned->lines[$i], $line->item->id, $line->item->code, $line->item->description, $line->item->department_id, $line->item->unit->value, PriceRule::Typed, UnitPrice::of('0'), $this->cost($line),
            mb_substr($line->note, 0, 255), serials: $line->serials, goodsTo: GoodsTo::WrittenOff, reason: $line->reason->value,
        ), $lines, array_keys($lines));
        $now = CarbonImmutable::now();

        return new DocumentDraft(
            DocumentKind::Adjustment, $till->location_id, $till->id, $by->id, $now->startOfDay(), $now, $terms, $reckoned, null, $drafts, [], [], $zero, $zero, $key,
            note: mb_substr($note, 0, 255), withLines: Purpose::WriteOff,
        );
    }

    private function cost(WriteOffLine $line): Money
    {
        return Money::round(BigRational::of($line->item->cost ?? '0')->multipliedBy($line->quantity->value)->dividedBy($line->item->price_per), $this->house->currency());
    }
}
