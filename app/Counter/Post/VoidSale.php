<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post;

use Elmstone\Books\Document;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Counter\Lines\LineOnSlip;
use Elmstone\Counter\Parts\Back\BringBack;
use Elmstone\Counter\Settle\ApproveNeeds;
use Elmstone\Counter\Settle\Cards\RefundCard;
use Elmstone\Counter\Settle\ChooseRefund;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Settle\RefundWays;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\BlankSlip;
use Elmstone\Counter\Slip\PaperWay;
use Elmstone\Counter\Slip\PutCustomer;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Counter\Slip\SlipState;
use Elmstone\Coupons\UseCoupons;
use Elmstone\MoneyOut\Way;
use Elmstone\Shop\House;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;

/**
 * Takes a sale of today back whole because it was posted by mistake: a credit note by the ways it was paid, and a fresh
 * slip with the same lines, in one act. Where the card terminal does not do its part, nothing is posted and the slip
 * stays open, to be tried again or settled otherwise.
 */
final class VoidSale
{
    private const WAYS = [
        TenderKind::Cash, TenderKind::Card, TenderKind::Cheque, TenderKind::BankTransfer, TenderKind::DepositHeld,
        TenderKind::HouseAccount, TenderKind::StoreCredit, TenderKind::GiftCard,
    ];

    public function __construct(
        private readonly SlipDesk $desk,
        private readonly BringBack $bringBack,
        private readonly PutCustomer $put,
        private readonly UseCoupons $useCoupons,
        private readonly RefundCard $refundCard,
        private readonly PostSale $post,
        private readonly ApproveNeeds $approve,
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
            foreach ($this->cards($slip, $act) as $authorisation => $amount) {
                $slip = $this->refundCard->handle(
                    $slip->key,
                    $this->step($act, "card{$authorisation}", $slip),
                    (string) $authorisation,
                    $amount,
                );
            }

            $this->post->handle(
                $slip->key,
                $this->step($act, 'post', $slip),
                fn (Slip $void) => $this->copy($invoice, $void),
            );
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
            $invoice->kind !== DocumentKind::Invoice || $invoice->purpose !== Purpose::Sale => throw Refused::because(
                'not_a_sale',
                "{$invoice->label} is not a sale.",
            ),
            ! ShopTime::isToday($invoice->business_date) => throw Refused::because(
                'not_today',
                "{$invoice->label} is not of today. Bring the goods back instead.",
            ),
            array_filter(
                $kinds,
                static fn (TenderKind $kind): bool => ! in_array($kind, self::WAYS, true),
            ) !== [] => throw Refused::because(
                'paid_with_goods',
                "{$invoice->label} was paid with goods brought back or on a layaway. Bring the goods back instead.",
            ),
            DB::table('document_lines')->where('origin_document_id', $invoice->id)->exists()
                && Slip::query()->where('void_of_id', $invoice->id)->where('state', SlipState::Posted)
                    ->doesntExist() => throw Refused::because(
                        'came_back_already',
                        "Something of {$invoice->label} came back already. Bring the rest back instead.",
                    ),
            default => null,
        };
    }

    /** The slip that takes it back, settled by the ways the sale was paid. Made once however often it is asked for. */
    private function takeBack(Document $invoice, Act $act): Slip
    {
        $key = self::key($invoice, 'void');

        return $this->desk->change(
            $key,
            new Act(self::key($invoice, 'make'), $act->by, $act->till, null),
            function (Slip $slip) use ($invoice, $act): void {
                $act->given();
                $slip->forceFill(['void_of_id' => $invoice->id])->save();
                $this->bringBack->whole($slip, $invoice->load('lines'));
                $slip
                    ->forceFill([
                        'back_reference' => "void {$invoice->label}",
                        'credit_to' => 'unused',
                        'paper' => PaperWay::Print,
                    ])
                    ->save();
                $this->desk->redraw($slip, $act);
                $ways = ReckonedCounter::of($slip, $this->house)->refund;
                $slip->forceFill(['back' => $ways === null ? [] : self::ways($ways)])->save();
                $this->approve->within($slip, $act, 'refund');
            },
            evenVoid: true,
        );
    }

    /**
     * @return array<int|string, Money> by way: as it came, and what was paid with store credit as that again
     */
    private static function ways(RefundWays $ways): array
    {
        $came = ChooseRefund::came($ways);
        $rest = $ways->left()->minus(Money::sum($ways->asItCame(), $ways->left()->currency));

        return $rest->isPositive() ? [...$came, TenderKind::StoreCredit->value => $rest] : $came;
    }

    /** @return array<int|string, Money> by authorisation, what has still to go back */
    private function cards(Slip $slip, Act $act): array
    {
        $this->desk->redraw($slip, $act);
        $ways = ReckonedCounter::of($slip, $this->house)->refund;
        $cards = [];

        $wanted = Way::among($ways?->wanted() ?? [], TenderKind::Card);

        foreach (Way::among($ways?->asItCame() ?? [], TenderKind::Card) as $card => $amount) {
            $left = isset($wanted[$card]) ? $amount->minus($wanted[$card]) : $amount;
            $left->isPositive() && ($cards[$card] = $left);
        }

        return $cards;
    }

    /** In the transaction that posts the void: a slip as the sale's was, to be mended and posted again. */
    private function copy(Document $invoice, Slip $void): void
    {
        $sold = Slip::query()->with('lines')->where('document_id', $invoice->id)->first();
        $blank = BlankSlip::of(self::key($invoice, 'again'), $void->till, $void->staff_id)->getAttributes();
        $fresh = Slip::query()->create([
            ...$blank,
            'created_at' => now(),
            'updated_at' => now(),
            'title' => $sold->title ?? $invoice->label,
            'total' => $invoice->total,
            'discount_percent' => $invoice->slip_discount_percent,
            'discount_amount' => $invoice->slip_discount_amount,
            'sharing_id' => $sold?->sharing_id,
        ]);
        $fresh->keepCoupons($sold?->couponIds() ?? []);
        $invoice->customer_id === null || $this->put->place($fresh, $void->customer);
        $this->giveCouponsBack($invoice);

        foreach ($sold->lines ?? [] as $line) {
            LineOnSlip::query()->create([
                ...collect($line->getAttributes())->except('id', 'serials')->all(),
                'slip_id' => $fresh->id,
                'serials' => $line->serials,
            ]);
        }
    }

    /** What was used on a sale that never was is not used. */
    private function giveCouponsBack(Document $invoice): void
    {
        $this->useCoupons->giveBack($invoice->id);
    }

    private function fresh(Document $invoice): Slip
    {
        return Slip::query()->where('key', self::key($invoice, 'again'))->firstOrFail();
    }

    private function step(Act $act, string $name, Slip $slip): Act
    {
        return new Act(
            Uuid::uuid5(Uuid::fromString($act->key), $name)->toString(),
            $act->by,
            $act->till,
            $slip->version,
            $act->approval,
        );
    }

    private static function key(Document $invoice, string $name): string
    {
        return Uuid::uuid5(Uuid::fromString($invoice->idempotency_key), $name)->toString();
    }
}
