<?php

declare(strict_types=1);

namespace Elmstone\Deposits;

use Elmstone\Books\Document;
use Elmstone\Books\DocumentApprovals;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\MoneyEntry;
use Elmstone\Books\Drafts\Party;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Register;
use Elmstone\Cards\CardSubject;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Customers\Customer;
use Elmstone\MoneyOut\Gate;
use Elmstone\MoneyOut\HandBack;
use Elmstone\MoneyOut\Plan;
use Elmstone\MoneyOut\Said;
use Elmstone\Paper\HandOver;
use Elmstone\Receivables\Ledger\PaymentDraft;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Approvals\GivenApproval;
use Elmstone\Staff\Approvals\Limits;
use Elmstone\Staff\Approvals\Need;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;

/**
 * Pays a deposit back, or part of it, by the way it came in; by another only where somebody else allows it. The same
 * key answers with the same refund.
 */
final class PayBackDeposit
{
    public function __construct(
        private readonly House $house,
        private readonly Register $register,
        private readonly DepositLedger $ledger,
        private readonly PaymentDraft $drafts,
        private readonly DepositMoney $money,
        private readonly HandBack $back,
        private readonly Gate $gate,
        private readonly Limits $limits,
    ) {
    }

    /**
     * @param  string|null  $from the order it was kept for; null: what is free first
     * @return int the refund's document id
     *
     * @throws Refused bad_amount, over_deposit, bad_tender, not_that_way, reference_missing, reason_missing,
     *     day_closed, card_refused, card_unknown, and what needs approval
     */
    public function handle(
        Customer $customer,
        Money $amount,
        ?string $from,
        TenderKind $way,
        string $reference,
        string $reason,
        string $key,
        Till $till,
        Staff $by,
        ?GivenApproval $given = null,
    ): int {
        $subject = CardSubject::deposits($customer->id);
        $decide = fn (DepositAccount $account): array => $this->decide(
            $account, $amount, $from, $way, $reference, $reason, $till, $by, $given,
        );
        $this->back->toCards(
            $subject,
            function () use ($customer, $key, $decide): ?Plan {
                $account = $this->ledger->lock($customer->id);

                return Document::query()->where('idempotency_key', $key)->exists() ? null : $decide($account)[0];
            },
            $till,
            $by,
        );

        return DB::transaction(function () use (
            $customer, $amount, $from, $reference, $reason, $key, $till, $by, $given, $subject, $decide,
        ): int {
            $this->gate->lock($by);
            $account = $this->ledger->lock($customer->id);
            $before = $this->register->before($key);

            if (is_int($before)) {
                return $before;
            }

            $this->back->lockGiftCards($this->money->of($customer->id));
            [$plan, $needs] = $decide($account);
            $allowed = $this->back->allow($by, $given, $needs);
            [$tenders, , $rounding] = $this->back->tenders($plan, $reference);
            $day = ShopTime::today();
            $refund = $this->register->post(
                $this->drafts->draft(
                    DocumentKind::Refund,
                    MoneyEntry::paidBack($amount, $this->house->money(0)),
                    PostedAt::till($till, $by->id, $day),
                    new Party($customer->id, $customer->name),
                    $key,
                    $tenders,
                    $rounding,
                    note: mb_substr("Deposit paid back: {$reason}", 0, 255),
                ),
            );
            $this->back->posted($subject, $plan, $refund);
            DocumentApprovals::keep($refund, $allowed);
            HandOver::write($refund, $till, $by);
            $this->ledger->take($account, $refund, $amount->minor, $day, $from);

            return $refund;
        }, 3);
    }

    /** @return array{Plan, list<Need>} what goes back by which ways, and who must allow it; the account locked */
    private function decide(
        DepositAccount $account,
        Money $amount,
        ?string $from,
        TenderKind $way,
        string $reference,
        string $reason,
        Till $till,
        Staff $by,
        ?GivenApproval $given,
    ): array {
        $day = ShopTime::today();
        $till->location->assertOpenOn($day);
        Said::assert($amount, $way, $reference, $reason, mayFillCards: true);

        if ($amount->minor > $account->held) {
            throw Refused::because(
                'over_deposit',
                "Only {$this->house->money($account->held)->toString()} is held for them in deposits.",
            );
        }

        $plan = Plan::of(
            [$way->value => $amount->minor],
            $this->money->of($account->customer_id),
            $this->house->currency(),
        );
        $needs = [
            ...$plan->needs($this->limits, 'pay-back'),
            ...$this->gate->needs($by, $day, $plan->going(''), 'pay-back'),
        ];
        $this->back->assertAllowed($by, $given, $needs);

        return [$plan, $needs];
    }
}
