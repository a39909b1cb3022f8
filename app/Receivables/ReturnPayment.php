<?php

declare(strict_types=1);

namespace Elmstone\Receivables;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\DocumentTender;
use Elmstone\Books\DraftTender;
use Elmstone\Books\MoneyEntry;
use Elmstone\Books\Party;
use Elmstone\Books\Purpose;
use Elmstone\Books\Register;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\DB;

/**
 * A cheque bounced, or the bank took a transfer back: what it paid is open again, and a fee may be charged. The receipt stays as it is; a document takes it back.
 */
final class ReturnPayment
{
    private const RETURNABLE = [TenderKind::Cheque, TenderKind::BankTransfer, TenderKind::Card];

    /** @param  iterable<TakesBackHeld>  $others */
    public function __construct(
        private readonly House $house,
        private readonly Register $register,
        private readonly Ledger $ledger,
        private readonly PaymentDraft $drafts,
        private readonly iterable $others = [],
    ) {
    }

    /**
     * @return int the document's id
     *
     * @throws Refused not_a_payment, already_returned, not_returnable, bad_amount, reason_missing, future_date, day_closed
     */
    public function handle(Document $receipt, Money $fee, string $reason, CarbonImmutable $day, string $key, Till $till, Staff $by): int
    {
        $customer = OpenItemRecord::query()->whereKey($receipt->id)->value('customer_id') ?? $receipt->customer_id;

        if ($receipt->purpose !== Purpose::Payment || ! is_int($customer)) {
            throw Refused::because('not_a_payment', "{$receipt->label} is not a payment that can come back.");
        }

        return DB::transaction(function () use ($customer, $receipt, $fee, $reason, $day, $key, $till, $by): int {
            $account = $receipt->on_account === 0 && $fee->isZero() ? null : $this->ledger->lock($customer);

            foreach ($this->others as $other) {
                $other->lock($receipt);
            }

            $before = Document::query()->where('idempotency_key', $key)->value('id');

            if (is_int($before)) {
                return $before;
            }

            $till->location->assertOpenOn($day);
            $this->assertReturnable($receipt, $fee, $reason, $day);

            return $this->post($account, $receipt, $fee, $reason, $day, $key, $till, $by);
        }, 3);
    }

    private function assertReturnable(Document $receipt, Money $fee, string $reason, CarbonImmutable $day): void
    {
        match (true) {
            $fee->isNegative() => throw Refused::because('bad_amount', 'A fee cannot be below zero.'),
            trim($reason) === '' => throw Refused::because('reason_missing', 'Say why it came back: the reason is kept.'),
            $day->lessThan($receipt->business_date) => throw Refused::because('before_payment', "It cannot come back before it was paid on {$receipt->business_date->format('j M Y')}."),
            Document::query()->where('refers_to_id', $receipt->id)->where('purpose', Purpose::ReturnedPayment)->exists() => throw Refused::because('already_returned', "{$receipt->label} was taken back already."),
            $receipt->tenders->contains(static fn (DocumentTender $tender): bool => ! in_array($tender->kind, self::RETURNABLE, true)) => throw Refused::because('not_returnable', 'Cash does not bounce; pay it out instead.'),
            default => null,
        };
    }

    private function post(?HouseAccount $account, Document $receipt, Money $fee, string $reason, CarbonImmutable $day, string $key, Till $till, Staff $by): int
    {
        $setting = Setting::by($by, $day, $key, "{$receipt->label} came back: {$reason}");
        $account === null || $this->ledger->takeBack($account, SpreadCredit::standing($receipt->id), $setting);
        $entry = MoneyEntry::returned($this->house->money($receipt->total), $this->house->money($receipt->settlement_discount), $fee, $this->house->money($receipt->deposit_change), $this->house->money($receipt->layaway_change));
        $draft = $this->drafts->draft(
            DocumentKind::Adjustment, $entry, PostedAt::till($till, $by->id, $day),
            new Party($account->customer_id ?? $receipt->customer_id, $receipt->customer_name, due: $day, balanceBefore: $account === null ? null : $this->house->money($account->balance)), $key,
            array_values($receipt->tenders->map(fn (DocumentTender $tender): DraftTender => new DraftTender(
                Tender::of($tender->kind, $this->house->money($tender->amount)), $this->house->money($tender->amount), $tender->reference, $tender->card_type, $tender->last_four,
            ))->all()),
            note: mb_substr($reason, 0, 255),
            refersTo: $receipt->id,
        );
        $document = $this->register->post($draft);

        if ($account !== null) {
            $this->ledger->enter($account, [new LedgerEntry($document, $draft)]);
            $receipt->on_account === 0 || $this->ledger->allocate($account, $receipt->id, [$document => -$receipt->on_account], $setting);
        }

        foreach ($this->others as $other) {
            $other->takeBack($receipt, $document, $day);
        }

        return $document;
    }
}
