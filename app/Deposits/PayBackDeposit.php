<?php

declare(strict_types=1);

namespace Elmstone\Deposits;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\DraftTender;
use Elmstone\Books\MoneyEntry;
use Elmstone\Books\Party;
use Elmstone\Books\Register;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Customers\Customer;
use Elmstone\Receivables\MoneyOut;
use Elmstone\Receivables\PaymentDraft;
use Elmstone\Receivables\PostedAt;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\DB;

/** Pays a deposit back, or part of it. The same key answers with the same refund. */
final class PayBackDeposit
{
    public function __construct(
        private readonly House $house,
        private readonly Register $register,
        private readonly DepositLedger $ledger,
        private readonly PaymentDraft $drafts,
    ) {
    }

    /**
     * @param  string|null  $from the order it was kept for; null: what is free first
     * @return int the refund's document id
     *
     * @throws Refused bad_amount, over_deposit, bad_tender, reference_missing, reason_missing, day_closed
     */
    public function handle(Customer $customer, Money $amount, ?string $from, TenderKind $way, string $reference, string $reason, string $key, Till $till, Staff $by): int
    {
        return DB::transaction(function () use ($customer, $amount, $from, $way, $reference, $reason, $key, $till, $by): int {
            $account = $this->ledger->lock($customer->id);
            $before = Document::query()->where('idempotency_key', $key)->value('id');

            if (is_int($before)) {
                return $before;
            }

            $day = CarbonImmutable::today();
            $till->location->assertOpenOn($day);
            $this->assertFine($account, $amount, $way, $reference, $reason);
            [$paid, $rounding] = $this->house->handedOver($amount, $way);
            $refund = $this->register->post($this->drafts->draft(
                DocumentKind::Refund, MoneyEntry::paidBack($amount, $this->house->money(0)), PostedAt::till($till, $by->id, $day), new Party($customer->id, $customer->name), $key,
                [new DraftTender(Tender::of($way, $paid), $paid, $reference)], $rounding, note: mb_substr("Deposit paid back: {$reason}", 0, 255),
            ));
            $this->ledger->take($account, $refund, $amount->minor, $day, $from);

            return $refund;
        }, 3);
    }

    private function assertFine(DepositAccount $account, Money $amount, TenderKind $way, string $reference, string $reason): void
    {
        MoneyOut::assertSaid($amount, $way, $reference, $reason);

        if ($amount->minor > $account->held) {
            throw Refused::because('over_deposit', "Only {$this->house->money($account->held)->toString()} is held for them in deposits.");
        }
    }
}
