<?php

declare(strict_types=1);

namespace Elmstone\Counter;

use Elmstone\Books\Document;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\DocumentTender;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\GiftCards\GiftCard;
use Elmstone\Shop\House;
use Elmstone\Staff\Approve;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;

/**
 * Takes a sale of today back whole because it was posted by mistake: a credit note by the ways it was paid, and a fresh slip with the same lines, in one act. Where the card terminal
 * does not do its part, nothing is posted and the slip stays open, to be tried again or settled otherwise.
 */
final class VoidSale
{
    private const WAYS = [TenderKind::Cash, TenderKind::Card, TenderKind::Cheque, TenderKind::BankTransfer, TenderKind::DepositHeld, TenderKind::HouseAccount, TenderKind::StoreCredit, TenderKind::GiftCard];

    public function __construct(
        private readonly SlipDesk $desk,
        private readonly BringBack $bringBack,
        private readonly PutCustomer $put,
        private readonly RefundCard $refundCard,
        private readonly PostSale $post,
        private readonly FinishSale $finish,
        private readonly Approve $approve,
        private readonly House $house,
    ) {
    }

    /**
     * @return Slip the fresh slip; or, where it could not be posted, the one that takes the sale back
     *
     * @throws Refused not_today, not_a_sale, came_back_already, paid_with_goods, approval_missing
     */
    public function handle(Document $invoice, Act $act): Slip
    {
        self::assertFine($invoice);
        $slip = $this->takeBack($invoice, $act);

        if ($slip->isPosted()) {
            return $this->fresh($invoice);
        }

        try {
            foreach ($this->cards($invoice) as $authorisation => $amount) {
                $slip = $this->refundCard->handle($slip->key, $this->step($act, "card{$authorisation}", $slip), (string) $authorisation, $this->house->money($amount));
            }

            $posted = $this->post->handle($slip->key, $this->step($act, 'post', $slip), fn (Slip $void) => $this->copy($invoice, $void));
            $posted->already || $this->finish->handle($posted->documentId, $act);
        } catch (Refused) {
            // The slip that takes it back stays open and says itself what hinders it.
            return $slip;
        }

        return $this->fresh($invoice);
    }

    private static function assertFine(Document $invoice): void
    {
        $kinds = $invoice->tenders->pluck('kind')->all();

        match (true) {
            $invoice->kind !== DocumentKind::Invoice || $invoice->purpose !== Purpose::Sale => throw Refused::because('not_a_sale', "{$invoice->label} is not a sale."),
            ! $invoice->business_date->isToday() => throw Refused::because('not_today', "{$invoice->label} is not of today. Bring the goods back instead."),
            array_filter($kinds, static fn (TenderKind $kind): bool => ! in_array($kind, self::WAYS, true)) !== [] => throw Refused::because('paid_with_goods', "{$invoice->label} was paid with goods brought back or on a layaway. Bring the goods back instead."),
            DB::table('document_lines')->where('origin_document_id', $invoice->id)->exists() && Slip::query()->where('void_of_id', $invoice->id)->where('state', SlipState::Posted)->doesntExist() => throw Refused::because('came_back_already', "Something of {$invoice->label} came back already. Bring the rest back instead."),
            default => null,
        };
    }

    /** The slip that takes it back, settled by the ways the sale was paid. Made once however often it is asked for. */
    private function takeBack(Document $invoice, Act $act): Slip
    {
        $key = self::key($invoice, 'void');

        return $this->desk->change($key, new Act(self::key($invoice, 'make'), $act->by, $act->till, null), function (Slip $slip) use ($invoice, $act): void {
            $approval = $this->approve->handle($act->given(), $act->by, 'void', "{$invoice->label} of {$invoice->money($invoice->total)->toString()} posted by mistake", $slip->id);
            $slip->forceFill(['void_of_id' => $invoice->id])->save();
            $this->bringBack->whole($slip, $invoice->load('lines'));
            $slip->forceFill(['back' => $this->ways($invoice), 'back_card' => $this->giftCard($invoice)?->code, 'back_reference' => "void {$invoice->label}", 'refund_approval_id' => $approval->id, 'refund_approved' => $invoice->total, 'credit_to' => 'unused', 'paper' => PaperWay::Print])->save();
        });
    }

    /** @return array<string, int> minor units by way; the account is settled without being asked for, cards by the terminal */
    private function ways(Document $invoice): array
    {
        $ways = [];

        foreach ($invoice->tenders as $tender) {
            if (! in_array($tender->kind, [TenderKind::HouseAccount, TenderKind::Card], true)) {
                $ways[$tender->kind->value] = ($ways[$tender->kind->value] ?? 0) + $tender->amount - ($tender->kind === TenderKind::Cash ? $invoice->cash_rounding : 0);
            }
        }

        return array_filter($ways, static fn (int $amount): bool => $amount > 0);
    }

    /** @return array<string, int> minor units by authorisation */
    private function cards(Document $invoice): array
    {
        $cards = [];

        foreach ($invoice->tenders->filter(static fn (DocumentTender $tender): bool => $tender->kind === TenderKind::Card) as $tender) {
            $cards[$tender->authorisation] = ($cards[$tender->authorisation] ?? 0) + $tender->amount;
        }

        return $cards;
    }

    private function giftCard(Document $invoice): ?GiftCard
    {
        $tender = $invoice->tenders->first(static fn (DocumentTender $tender): bool => $tender->kind === TenderKind::GiftCard);

        return $tender === null ? null : GiftCard::query()->find((int) $tender->authorisation);
    }

    /** In the transaction that posts the void: a slip as the sale's was, to be mended and posted again. */
    private function copy(Document $invoice, Slip $void): void
    {
        $sold = Slip::query()->with('lines')->where('document_id', $invoice->id)->first();
        $blank = Slip::blank(self::key($invoice, 'again'), $void->till, $void->staff_id)->getAttributes();
        $fresh = Slip::query()->create([...$blank, 'created_at' => now(), 'updated_at' => now(), 'title' => $sold->title ?? $invoice->label, 'total' => $invoice->total,
            'discount_percent' => $invoice->slip_discount_percent, 'discount_amount' => $invoice->slip_discount_amount, 'discount_approval_id' => $sold?->discount_approval_id, 'coupons' => $sold?->coupons]);
        $invoice->customer_id === null || $this->put->place($fresh, $void->customer);
        $this->giveCouponsBack($invoice);

        foreach ($sold->lines ?? [] as $line) {
            LineOnSlip::query()->create([...collect($line->getAttributes())->except('id', 'serials')->all(), 'slip_id' => $fresh->id, 'serials' => $line->serials]);
        }
    }

    /** What was used on a sale that never was is not used. */
    private function giveCouponsBack(Document $invoice): void
    {
        DB::table('coupons')->whereIn('id', DB::table('document_coupons')->where('document_id', $invoice->id)->select('coupon_id'))->decrement('uses');
    }

    private function fresh(Document $invoice): Slip
    {
        return Slip::query()->where('key', self::key($invoice, 'again'))->firstOrFail();
    }

    private function step(Act $act, string $name, Slip $slip): Act
    {
        return new Act(Uuid::uuid5(Uuid::fromString($act->key), $name)->toString(), $act->by, $act->till, $slip->version, $act->approval);
    }

    private static function key(Document $invoice, string $name): string
    {
        return Uuid::uuid5(Uuid::fromString($invoice->idempotency_key), $name)->toString();
    }
}
