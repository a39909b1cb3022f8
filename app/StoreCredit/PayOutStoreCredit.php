<?php

declare(strict_types=1);

namespace Elmstone\StoreCredit;

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

/** Pays store credit out in money. The same key answers with the same refund. */
final class PayOutStoreCredit
{
    public function __construct(private readonly House $house, private readonly Register $register, private readonly StoreCreditLedger $ledger, private readonly PaymentDraft $drafts)
    {
    }

    /**
     * @return int the refund's document id
     *
     * @throws Refused bad_amount, over_store_credit, bad_tender, reference_missing, reason_missing, day_closed
     */
    public function handle(Customer $customer, Money $amount, TenderKind $way, string $reference, string $reason, string $key, Till $till, Staff $by): int
    {
        return DB::transaction(function () use ($customer, $amount, $way, $reference, $reason, $key, $till, $by): int {
            $account = $this->ledger->lock($customer->id);
            $before = Document::query()->where('idempotency_key', $key)->value('id');

            if (is_int($before)) {
                return $before;
            }

            $day = CarbonImmutable::today();
            $till->location->assertOpenOn($day);
            MoneyOut::assertSaid($amount, $way, $reference, $reason);
            [$paid, $rounding] = $this->house->handedOver($amount, $way);
            $refund = $this->register->post($this->drafts->draft(
                DocumentKind::Refund, MoneyEntry::storeCreditPaidOut($amount), PostedAt::till($till, $by->id, $day), new Party($customer->id, $customer->name), $key,
                [new DraftTender(Tender::of($way, $paid), $paid, mb_substr($reference, 0, 60))], $rounding, note: mb_substr("Store credit paid out: {$reason}", 0, 255),
            ));
            $this->ledger->move($account, $refund, -$amount->minor, $day);

            return $refund;
        }, 3);
    }
}
