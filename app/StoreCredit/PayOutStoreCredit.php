<?php

declare(strict_types=1);

namespace Elmstone\StoreCredit;

use Elmstone\Books\Document;
use Elmstone\Books\DocumentApprovals;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\DraftTender;
use Elmstone\Books\Drafts\MoneyEntry;
use Elmstone\Books\Drafts\Party;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Register;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Customers\Customer;
use Elmstone\MoneyOut\Gate;
use Elmstone\MoneyOut\GoingOut;
use Elmstone\MoneyOut\HandBack;
use Elmstone\MoneyOut\Said;
use Elmstone\Paper\HandOver;
use Elmstone\Receivables\Ledger\PaymentDraft;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Approvals\GivenApproval;
use Elmstone\Staff\Approvals\LimitMatter;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;

/**
 * Pays store credit out in money, up to what somebody may; beyond that another has to allow it. The same key answers
 * with the same refund.
 */
final class PayOutStoreCredit
{
    public function __construct(
        private readonly House $house,
        private readonly Register $register,
        private readonly StoreCreditLedger $ledger,
        private readonly PaymentDraft $drafts,
        private readonly HandBack $back,
        private readonly Gate $gate,
    ) {
    }

    /**
     * @return int the refund's document id
     *
     * @throws Refused bad_amount, over_store_credit, bad_tender, reference_missing, reason_missing, day_closed, and
     *     what needs approval
     */
    public function handle(
        Customer $customer,
        Money $amount,
        TenderKind $way,
        string $reference,
        string $reason,
        string $key,
        Till $till,
        Staff $by,
        ?GivenApproval $given = null,
    ): int {
        return DB::transaction(function () use (
            $customer, $amount, $way, $reference, $reason, $key, $till, $by, $given,
        ): int {
            $this->gate->lock($by);
            $account = $this->ledger->lock($customer->id);
            $before = $this->register->before($key);

            if (is_int($before)) {
                return $before;
            }

            $day = ShopTime::today();
            $till->location->assertOpenOn($day);
            Said::assert($amount, $way, $reference, $reason);
            in_array($way, [TenderKind::Cash, TenderKind::Cheque, TenderKind::BankTransfer], true)
                || throw Refused::because(
                    'bad_tender',
                    'Store credit is paid out in cash, by cheque or by bank transfer.',
                );
            $needs = $this->gate->needs(
                $by,
                $day,
                [
                    new GoingOut(
                        $way,
                        $amount->minor,
                        "store credit of {$customer->number}",
                        0,
                        LimitMatter::StoreCreditPaid,
                    ),
                ],
                'pay-out',
            );
            $allowed = $this->back->allow($by, $given, $needs);
            [$paid, $rounding] = $this->house->handedOver($amount, $way);
            $refund = $this->register->post(
                $this->drafts->draft(
                    DocumentKind::Refund,
                    MoneyEntry::storeCreditPaidOut($amount),
                    PostedAt::till($till, $by->id, $day),
                    new Party($customer->id, $customer->name),
                    $key,
                    [
                        new DraftTender(
                            Tender::of($way, $paid),
                            $paid,
                            $way === TenderKind::Cash ? '' : mb_substr($reference, 0, 60),
                        ),
                    ],
                    $rounding,
                    note: mb_substr("Store credit paid out: {$reason}", 0, 255),
                ),
            );
            DocumentApprovals::keep($refund, $allowed);
            HandOver::write($refund, $till, $by);
            $this->ledger->move($account, $refund, -$amount->minor, $day);

            return $refund;
        }, 3);
    }
}
