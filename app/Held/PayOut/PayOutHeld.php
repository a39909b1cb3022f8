<?php

declare(strict_types=1);

namespace Elmstone\Held\PayOut;

use Elmstone\Books\Books;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentApprovals;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\MoneyEntry;
use Elmstone\Books\Drafts\Party;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\HeldKind;
use Elmstone\Books\Posting;
use Elmstone\Cards\CardSubject;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Held\Ledger\HeldAccount;
use Elmstone\Held\Ledger\HeldLedger;
use Elmstone\Held\Ledger\Movement;
use Elmstone\MoneyOut\Gate;
use Elmstone\MoneyOut\HandBack;
use Elmstone\MoneyOut\Plan;
use Elmstone\MoneyOut\Said;
use Elmstone\Paper\HandOver;
use Elmstone\Receivables\Ledger\PaymentDraft;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Approvals\LimitMatter;
use Elmstone\Staff\Approvals\Limits;
use Elmstone\Staff\Approvals\Need;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;

/**
 * Pays out what is held for a customer, or part of it: a deposit by the way it came in, by another only where somebody
 * else allows it; store credit in money, up to what somebody may. The same key answers with the same refund.
 */
final class PayOutHeld
{
    public function __construct(
        private readonly House $house,
        private readonly Books $books,
        private readonly HeldLedger $ledger,
        private readonly PaymentDraft $drafts,
        private readonly DepositMoney $money,
        private readonly HandBack $back,
        private readonly Gate $gate,
        private readonly Limits $limits,
    ) {
    }

    /**
     * @return int the refund's document id
     *
     * @throws Refused bad_amount, over_deposit, over_store_credit, bad_tender, not_that_way, reference_missing,
     *     reason_missing, day_closed, card_refused, card_unknown, and what needs approval
     */
    public function handle(PayOutOrder $order, Till $till, Staff $by): int
    {
        $subject = CardSubject::held($order->kind->value, $order->customer->id);
        $this->back->toCards(
            $subject,
            function () use ($order, $till, $by): ?Plan {
                $account = $this->ledger->lock($order->kind, $order->customer->id);

                return Document::query()->where('idempotency_key', $order->key)->exists()
                    ? null
                    : $this->decide($account, $order, $till, $by)[0];
            },
            $till,
            $by,
        );

        return $this->books->post(
            Posting::under($order->key)
                ->locking(fn (): HeldAccount => $this->lock($order, $by))
                ->writing(fn (HeldAccount $account): int => $this->post($account, $order, $subject, $till, $by)),
        );
    }

    private function lock(PayOutOrder $order, Staff $by): HeldAccount
    {
        $this->gate->lock($by);
        $account = $this->ledger->lock($order->kind, $order->customer->id);
        $this->back->lockGiftCards($this->brought($order));

        return $account;
    }

    private function post(
        HeldAccount $account,
        PayOutOrder $order,
        CardSubject $subject,
        Till $till,
        Staff $by,
    ): int {
        [$plan, $needs] = $this->decide($account, $order, $till, $by);
        $allowed = $this->back->allow($by, $order->given, $needs);
        [$tenders, , $rounding] = $this->back->tenders($plan, $order->reference);
        $day = ShopTime::today();
        $refund = $this->books->document(
            $this->drafts->draft(
                DocumentKind::Refund,
                MoneyEntry::paidBack($order->kind, $order->amount),
                PostedAt::till($till, $by->id, $day),
                new Party($order->customer->id, $order->customer->name),
                $order->key,
                $tenders,
                $rounding,
                note: $order->note(),
            ),
        );
        $this->back->posted($subject, $plan, $refund);
        DocumentApprovals::keep($refund, $allowed);
        HandOver::write($refund, $till, $by);
        $this->ledger->take($account, $refund, $order->amount, $day, Movement::Back, $order->from);

        return $refund;
    }

    /** @return array{Plan, list<Need>} what goes back by which ways, and who must allow it; the account locked */
    private function decide(HeldAccount $account, PayOutOrder $order, Till $till, Staff $by): array
    {
        $till->location->assertOpenOn(ShopTime::today());
        $isDeposit = $order->kind === HeldKind::Deposit;
        Said::assert($order->amount, $order->way, $order->reference, $order->reason, mayFillCards: $isDeposit);
        $isDeposit
            || in_array($order->way, [TenderKind::Cash, TenderKind::Cheque, TenderKind::BankTransfer], true)
            || throw Refused::because(
                'bad_tender',
                'Store credit is paid out in cash, by cheque or by bank transfer.',
            );
        HeldLedger::assertThere($account, $order->amount);
        $plan = Plan::of(
            [$order->way->value => $order->amount],
            $this->brought($order),
            $this->house->currency(),
        );
        $going = $isDeposit
            ? $plan->going('')
            : $plan->going("store credit of {$order->customer->number}", LimitMatter::StoreCreditPaid);
        $needs = [
            ...$plan->needs($this->limits, 'pay-out'),
            ...$this->gate->needs($by, ShopTime::today(), $going, 'pay-out'),
        ];
        $this->back->assertAllowed($by, $order->given, $needs);

        return [$plan, $needs];
    }

    /** @return array<string, Money> by which ways it may go, without asking: store credit came in as goods */
    private function brought(PayOutOrder $order): array
    {
        return $order->kind === HeldKind::Deposit
            ? $this->money->of($order->customer->id)
            : [$order->way->value => $order->amount];
    }
}
