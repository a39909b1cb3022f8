<?php

declare(strict_types=1);

namespace Elmstone\Counter;

use Carbon\CarbonImmutable;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\MoneyEntry;
use Elmstone\Books\Register;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Receivables\ItemKind;
use Elmstone\Core\Settlement\Settlement;
use Elmstone\Receivables\AccountItems;
use Elmstone\Receivables\HouseAccount;
use Elmstone\Receivables\Ledger;
use Elmstone\Receivables\LedgerEntry;
use Elmstone\Receivables\PaymentDraft;
use Elmstone\Receivables\PostedAt;
use Elmstone\Receivables\Setting;
use Elmstone\Shop\House;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;

/**
 * Turns a settled slip into an invoice, a receipt for what is paid towards the account, or both: number, document, lines, tax, tenders, journal, stock and
 * ledger in one transaction, or nothing. Whether the account may be charged is decided again under its lock. Done twice, it answers with the same document.
 */
final class PostSale
{
    public function __construct(
        private readonly House $house,
        private readonly Register $register,
        private readonly StockLedger $stock,
        private readonly Ledger $ledger,
        private readonly SlipParty $party,
        private readonly PaymentDraft $payments,
    ) {
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
            $account = $slip->touchesAccount() ? $this->ledger->lockIfAny((int) $slip->customer_id) : null;
            $act->till->location->loadMissing('taxProfile.components');
            $slip->setRelation('location', $act->till->location)->load(['lines.item', 'cards', 'customer', 'contact']);
            $slip->account = $account === null ? null : $this->party->standing($account);

            return new PostedSale($this->post($slip, $act, $account), already: false);
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

    /** @return int the id of the invoice, or of the receipt where nothing was sold */
    private function post(Slip $slip, Act $act, ?HouseAccount $account): int
    {
        $reckoned = ReckonedCounter::of($slip, $this->house);
        $slip->location->assertOpenOn($slip->day());

        foreach ($reckoned->hindrances() as $hindrance) {
            throw $hindrance;
        }

        $settlement = $reckoned->settlement ?? throw Refused::because('outstanding', 'This slip is not settled.');
        $sale = $slip->lines->isEmpty() ? null : $this->sale($reckoned, $settlement, $act, $account);
        $receipt = $account === null || ! $reckoned->onAccount()->isPositive() ? null : $this->receipt($reckoned, $settlement, $act, $account);
        $document = $sale ?? $receipt ?? throw Refused::because('empty', 'There is nothing on this slip yet.');
        $slip->forceFill(['state' => SlipState::Posted, 'document_id' => $document, 'receipt_id' => $receipt === $document ? null : $receipt, 'version' => $slip->version + 1, 'total' => $reckoned->payable()->minor])->save();

        return $document;
    }

    private function sale(ReckonedCounter $reckoned, Settlement $settlement, Act $act, ?HouseAccount $account): int
    {
        $slip = $reckoned->slip;
        $terms = $slip->charge === null ? null : $account?->terms();
        $draft = new SaleDraft($reckoned, $this->house, SlipParty::of($slip, $terms, $account === null ? null : $this->house->money($account->balance)));
        $moves = $draft->moves();
        $this->stock->take($moves);
        $sale = $draft->document(SettledSlip::sale($reckoned, $settlement), $act->till->id, $act->by->id, CarbonImmutable::now());
        $document = $this->register->post($sale);
        $this->stock->record('sale', array_map(static fn ($move): array => [$move, $slip->day(), $document], $moves));

        if ($account !== null) {
            $this->ledger->enter($account, [new LedgerEntry($document, $sale, $terms)]);
        }

        return $document;
    }

    private function receipt(ReckonedCounter $reckoned, Settlement $settlement, Act $act, HouseAccount $account): int
    {
        $slip = $reckoned->slip;
        $items = AccountItems::open($account->customer_id, ItemKind::Charge, $this->house, $slip->day());
        $spread = $items->spread($reckoned->onAccount());
        $part = SettledSlip::parts($reckoned, $settlement)[1];
        $key = $slip->lines->isEmpty() ? $slip->key : Uuid::uuid5(Uuid::fromString($slip->key), 'receipt')->toString();
        $draft = $this->payments->draft(
            DocumentKind::Receipt, MoneyEntry::payment($reckoned->onAccount(), $spread->discount()), PostedAt::till($act->till, $act->by->id, $slip->day()),
            SlipParty::of($slip, null, $this->house->money($account->balance)), $key, $part->tenders, $part->cashRounding, $part->change,
        );
        $document = $this->register->post($draft);
        $this->ledger->enter($account, [new LedgerEntry($document, $draft)]);
        $this->ledger->allocate($account, $document, $items->parts($spread), Setting::by($act->by, $slip->day(), $key));

        return $document;
    }
}
