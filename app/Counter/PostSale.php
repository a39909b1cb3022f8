<?php

declare(strict_types=1);

namespace Elmstone\Counter;

use Carbon\CarbonImmutable;
use Elmstone\Books\Register;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Core\Money\Refused;
use Elmstone\Shop\House;
use Illuminate\Support\Facades\DB;

/**
 * Turns a settled slip into an invoice: number, document, lines, tax, tenders, journal and stock in one transaction, or nothing.
 * Done twice, it answers with the same document.
 */
final class PostSale
{
    public function __construct(private readonly House $house, private readonly Register $register, private readonly StockLedger $stock)
    {
    }

    /** @throws Refused the first thing that hinders it */
    public function handle(string $slipKey, Act $act): PostedSale
    {
        return DB::transaction(function () use ($slipKey, $act): PostedSale {
            $slip = Slip::query()->where('key', $slipKey)->lockForUpdate()->first()
                ?? throw Refused::because('empty', 'There is nothing on this slip yet.');

            if ($slip->document_id !== null) {
                return new PostedSale($slip->document_id, already: true);
            }

            $this->assertAsSeen($slip, $act);
            $act->till->location->loadMissing('taxProfile.components');
            $slip->setRelation('location', $act->till->location)->load(['lines.item', 'cards']);

            return new PostedSale($this->post($slip, $act), already: false);
        }, 3);
    }

    private function assertAsSeen(Slip $slip, Act $act): void
    {
        match (true) {
            $slip->state !== SlipState::Open => throw Refused::because('not_open', 'This slip was cleared.'),
            $slip->till_id !== $act->till->id => throw Refused::because('elsewhere', "Till {$slip->till->number} has picked this slip up."),
            $slip->version !== $act->version => throw Refused::because('changed_elsewhere', 'This slip was changed on another screen. Look at the sum again before you post.'),
            default => null,
        };
    }

    /** @return int the document's id */
    private function post(Slip $slip, Act $act): int
    {
        $reckoned = ReckonedCounter::of($slip, $this->house);
        $slip->location->assertOpenOn($slip->day());

        foreach ($reckoned->hindrances() as $hindrance) {
            throw $hindrance;
        }

        $settlement = $reckoned->settlement ?? throw Refused::because('outstanding', 'This slip is not settled.');
        $draft = new SaleDraft($reckoned, $this->house);
        $moves = $draft->moves();
        $this->stock->take($moves);
        $document = $this->register->post($draft->document($settlement, $act->till->id, $act->by->id, CarbonImmutable::now()));
        $this->stock->record('sale', array_map(static fn ($move): array => [$move, $slip->day(), $document], $moves));
        $slip->forceFill(['state' => SlipState::Posted, 'document_id' => $document, 'version' => $slip->version + 1, 'total' => $reckoned->sums->total->minor])->save();

        return $document;
    }
}
