<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\DraftTender;
use Elmstone\Books\MoneyEntry;
use Elmstone\Books\Party;
use Elmstone\Books\Register;
use Elmstone\Catalogue\Commitments;
use Elmstone\Catalogue\Serials;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Deposits\DepositLedger;
use Elmstone\Devices\CardTerminal;
use Elmstone\Devices\TerminalOutcome;
use Elmstone\Foundation\Show;
use Elmstone\Receivables\FeeDraft;
use Elmstone\Receivables\PaymentDraft;
use Elmstone\Receivables\PostedAt;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Approve;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;

/**
 * The customer backs out: the goods are free again, the fee is invoiced, and the rest of what was paid goes back by the ways it came in, or stays as a deposit.
 * All of it in one transaction. A card is asked first, under a key of its own, so that it is never paid twice.
 */
final class CancelLayaway
{
    public function __construct(
        private readonly House $house,
        private readonly Register $register,
        private readonly LayawayLedger $ledger,
        private readonly DepositLedger $deposits,
        private readonly Commitments $commitments,
        private readonly Serials $serials,
        private readonly PaymentDraft $payments,
        private readonly FeeDraft $fees,
        private readonly CardTerminal $terminal,
        private readonly Approve $approve,
        private readonly KeepAsDeposit $keepAsDeposit,
    ) {
    }

    /**
     * @return int|null the document by which money went back; null: none did
     *
     * @throws Refused changed_elsewhere, not_running, reason_missing, reference_missing, approval_missing, not_that_way, does_not_sum, card_refused, day_closed
     */
    public function handle(int $layawayId, CancelOrder $order, Till $till, Staff $by): ?int
    {
        $card = $this->payCardBack($layawayId, $order, $till);

        return DB::transaction(function () use ($layawayId, $order, $till, $by, $card): ?int {
            $layaway = $this->ledger->lock($layawayId);
            $done = Document::query()->where('idempotency_key', $order->key)->value('id');

            if ($layaway->state === LayawayState::Cancelled && (is_int($done) || $this->wasWholeFee($layaway))) {
                return is_int($done) ? $done : null;
            }

            $account = isset($order->back[TenderKind::DepositHeld->value]) ? $this->deposits->lock($layaway->customer_id) : null;
            $layaway->load(['customer', 'location.taxProfile.components', 'entries.document.tenders']);
            $at = PostedAt::till($till, $by->id, CarbonImmutable::today());
            $fee = $this->assertFine($layaway, $order, $till);
            $this->invoiceFee($layaway, $fee, $at, $order);
            $document = $this->payBack($layaway, $order, $at, $card);

            $kept = $order->back[TenderKind::DepositHeld->value] ?? 0;

            if ($account !== null && $kept > 0) {
                $this->keepAsDeposit->handle($layaway, $account, $kept, $at, Uuid::uuid5(Uuid::fromString($order->key), 'deposit')->toString(), "{$layaway->label} cancelled");
            }

            $this->commitments->release($layaway->id);
            $this->serials->setAside($layaway->id, []);
            $this->ledger->end($layaway, LayawayState::Cancelled, $at->day);
            $this->record($layaway, $order, $fee, $by);

            return $document;
        }, 3);
    }

    /** @return Money the fee */
    private function assertFine(Layaway $layaway, CancelOrder $order, Till $till): Money
    {
        $standing = $layaway->standing($this->house->currency());
        $fee = $order->waive ? $this->house->money(0) : $standing->fee;
        $refund = $layaway->held - $fee->minor;
        $till->location->assertOpenOn(CarbonImmutable::today());

        match (true) {
            ! $layaway->state->isOpen() => throw Refused::because('not_running', "{$layaway->label} is {$layaway->state->value} already."),
            $order->version !== null && $order->version !== $layaway->version => throw Refused::because('changed_elsewhere', 'Somebody has changed this layaway meanwhile. Here is how it stands now.'),
            trim($order->reason) === '' => throw Refused::because('reason_missing', 'Say why it is cancelled: the reason is kept.'),
            $order->waive && $order->approval === null => throw Refused::because('approval_missing', 'Letting the fee off needs a supervisor: staff number, PIN and reason.'),
            trim($order->reference) === '' && ($order->back[TenderKind::Cheque->value] ?? 0) + ($order->back[TenderKind::BankTransfer->value] ?? 0) > 0 => throw Refused::because('reference_missing', 'Type the number of the shop’s cheque, or the transfer’s reference.'),
            array_sum($order->back) !== $refund => throw Refused::because('does_not_sum', Show::money($this->house->money($refund)).' goes back, but what is typed comes to '.Show::money($this->house->money(array_sum($order->back))).'.'),
            default => $this->assertWays($layaway, $order),
        };

        return $fee;
    }

    /** @throws Refused not_that_way */
    private function assertWays(Layaway $layaway, CancelOrder $order): void
    {
        $ways = WaysBack::of($layaway, $this->house);

        foreach ($order->back as $kind => $amount) {
            $most = $kind === TenderKind::DepositHeld->value ? $layaway->held : $ways->most[$kind] ?? 0;

            if ($amount < 0 || $amount > $most) {
                throw Refused::because('not_that_way', 'By '.mb_strtolower(TenderKind::from($kind)->label()).' at most '.Show::money($this->house->money($most)).' can go back: that is what came in by it.');
            }
        }
    }

    /** @return array{type: string, last_four: string, authorisation: string}|null what the terminal said */
    private function payCardBack(int $layawayId, CancelOrder $order, Till $till): ?array
    {
        $amount = $order->back[TenderKind::Card->value] ?? 0;

        if ($amount === 0) {
            return null;
        }

        $layaway = Layaway::query()->with(['entries.document.tenders', 'customer', 'location'])->findOrFail($layawayId);

        if ($layaway->state->isOpen()) {
            $this->assertFine($layaway, $order, $till);
        }

        $cards = WaysBack::of($layaway, $this->house)->cards;
        $answer = $this->terminal->refund($till, Uuid::uuid5(Uuid::fromString($order->key), 'card')->toString(), $this->house->money($amount), (string) array_key_first($cards));

        return match ($answer->outcome) {
            TerminalOutcome::Approved => ['type' => $answer->cardType, 'last_four' => $answer->lastFour, 'authorisation' => $answer->authorisation],
            TerminalOutcome::Declined => throw Refused::because('card_refused', "The terminal refused to pay the card back: {$answer->reason} Nothing was cancelled."),
            TerminalOutcome::OffLine => throw Refused::because('card_refused', 'The terminal is off line, so the card cannot be paid back now. Nothing was cancelled.'),
            TerminalOutcome::Unknown => throw Refused::because('card_unknown', 'The terminal gave no answer. Nothing was cancelled yet; press the same again, and it will be asked what became of it. The card is not paid twice.'),
        };
    }

    private function invoiceFee(Layaway $layaway, Money $fee, PostedAt $at, CancelOrder $order): void
    {
        if ($fee->isZero()) {
            return;
        }

        $draft = $this->fees->draft(
            'Layaway cancellation fee', $fee, $this->house->shop()->fee_tax_class, $layaway->location, $at, new Party($layaway->customer_id, $layaway->customer->name),
            Uuid::uuid5(Uuid::fromString($order->key), 'fee')->toString(), [new DraftTender(Tender::of(TenderKind::LayawayMoney, $fee), $fee, $layaway->label)], "Layaway {$layaway->label}",
        );
        $this->ledger->leave($layaway, $this->register->post($draft), EntryKind::Fee, $fee->minor, $at->day);
    }

    /** @param  array{type: string, last_four: string, authorisation: string}|null  $card */
    private function payBack(Layaway $layaway, CancelOrder $order, PostedAt $at, ?array $card): ?int
    {
        $tenders = [];
        $total = $this->house->money(0);
        $rounding = $this->house->money(0);

        foreach ($order->back as $name => $amount) {
            $kind = TenderKind::from($name);
            [$money, $rounded] = $this->house->handedOver($this->house->money($amount), $kind);

            if ($kind !== TenderKind::DepositHeld && $amount > 0) {
                $total = $total->plus($this->house->money($amount));
                $rounding = $rounding->plus($rounded);
                $tenders[] = $kind === TenderKind::Card && $card !== null
                    ? new DraftTender(Tender::of($kind, $money), $money, '', $card['type'], $card['last_four'], $card['authorisation'])
                    : new DraftTender(Tender::of($kind, $money), $money, $kind === TenderKind::Cash ? '' : mb_substr($order->reference, 0, 60));
            }
        }

        if ($tenders === []) {
            return null;
        }

        $document = $this->register->post($this->payments->draft(
            DocumentKind::Refund, MoneyEntry::paidBack($this->house->money(0), $total), $at, new Party($layaway->customer_id, $layaway->customer->name), $order->key, $tenders, $rounding,
            note: mb_substr("{$layaway->label} cancelled: {$order->reason}", 0, 255),
        ));
        $this->ledger->leave($layaway, $document, EntryKind::Back, $total->minor, $at->day);

        return $document;
    }

    private function wasWholeFee(Layaway $layaway): bool
    {
        return $layaway->entries()->where('kind', EntryKind::Fee)->exists();
    }

    private function record(Layaway $layaway, CancelOrder $order, Money $fee, Staff $by): void
    {
        if ($order->waive && $order->approval !== null) {
            $this->approve->handle($order->approval, $by, 'layaway_fee', "{$layaway->label}: cancellation fee let off", null);
        }

        LayawayChange::query()->create([
            'layaway_id' => $layaway->id, 'staff_id' => $by->id, 'total_before' => $layaway->total, 'total_after' => $layaway->total, 'revision' => $layaway->revision, 'made_at' => now(),
            'what' => mb_substr("Cancelled: {$order->reason}. Fee ".Show::money($fee).($order->waive ? ', let off' : ''), 0, 500),
        ]);
    }
}
