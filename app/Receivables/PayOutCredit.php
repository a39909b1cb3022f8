<?php

declare(strict_types=1);

namespace Elmstone\Receivables;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\DraftTender;
use Elmstone\Books\MoneyEntry;
use Elmstone\Books\Party;
use Elmstone\Books\Register;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Receivables\ItemKind;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Customers\Customer;
use Elmstone\Foundation\Show;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\DB;

/** Pays out what of a credit or payment on an account is not used. The same key answers with the same refund. */
final class PayOutCredit
{
    public function __construct(private readonly House $house, private readonly Register $register, private readonly Ledger $ledger, private readonly PaymentDraft $drafts)
    {
    }

    /**
     * @param  int  $credit document id
     * @return int the refund's document id
     *
     * @throws Refused not_an_account, bad_amount, over_credit, bad_tender, reference_missing, reason_missing, day_closed
     */
    public function handle(Customer $customer, int $credit, Money $amount, TenderKind $way, string $reference, string $reason, string $key, Till $till, Staff $by): int
    {
        return DB::transaction(function () use ($customer, $credit, $amount, $way, $reference, $reason, $key, $till, $by): int {
            $account = $this->ledger->lock($customer->id);
            $before = Document::query()->where('idempotency_key', $key)->value('id');

            if (is_int($before)) {
                return $before;
            }

            $day = CarbonImmutable::today();
            $till->location->assertOpenOn($day);
            $this->assertFine($customer, $credit, $amount, $way, $reference, $reason);
            [$paid, $rounding] = $this->house->handedOver($amount, $way);
            $draft = $this->drafts->draft(
                DocumentKind::Refund, MoneyEntry::creditPaidOut($amount), PostedAt::till($till, $by->id, $day), new Party($customer->id, $customer->name, balanceBefore: $this->house->money($account->balance)), $key,
                [new DraftTender(Tender::of($way, $paid), $paid, mb_substr($reference, 0, 60))], $rounding, note: mb_substr($reason, 0, 255), refersTo: $credit,
            );
            $refund = $this->register->post($draft);
            $this->ledger->enter($account, [new LedgerEntry($refund, $draft)]);
            $this->ledger->allocate($account, $credit, [$refund => $amount->minor], Setting::by($by, $day, $key, $reason));

            return $refund;
        }, 3);
    }

    private function assertFine(Customer $customer, int $credit, Money $amount, TenderKind $way, string $reference, string $reason): void
    {
        $open = (int) OpenItemRecord::query()->where('customer_id', $customer->id)->where('document_id', $credit)->where('kind', ItemKind::Credit)->value('open');

        MoneyOut::assertSaid($amount, $way, $reference, $reason);

        if ($amount->minor > $open) {
            throw Refused::because('over_credit', 'Only '.Show::money($this->house->money($open)).' of it is unused.');
        }
    }
}
