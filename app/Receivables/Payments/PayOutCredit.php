<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Payments;

use Elmstone\Books\Books;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentApprovals;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\MoneyEntry;
use Elmstone\Books\Drafts\Party;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Posting;
use Elmstone\Books\Purpose;
use Elmstone\Cards\CardSubject;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Receivables\ItemKind;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Customers\Customer;
use Elmstone\MoneyOut\Brought;
use Elmstone\MoneyOut\Gate;
use Elmstone\MoneyOut\HandBack;
use Elmstone\MoneyOut\Plan;
use Elmstone\MoneyOut\Said;
use Elmstone\Paper\HandOver;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Adjustments\WriteOffDebt;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Receivables\Ledger\LedgerEntry;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Receivables\Ledger\PaymentDraft;
use Elmstone\Receivables\Ledger\Setting;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Approvals\GivenApproval;
use Elmstone\Staff\Approvals\Limits;
use Elmstone\Staff\Approvals\Need;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Show;

/**
 * Pays out what of a credit or payment on an account is not used: a payment by the way it came in, by another only
 * where somebody else allows it; a credit by any way the house pays. The same key answers with the same refund.
 */
final class PayOutCredit
{
    public function __construct(
        private readonly House $house,
        private readonly Books $books,
        private readonly Ledger $ledger,
        private readonly PaymentDraft $drafts,
        private readonly HandBack $back,
        private readonly Gate $gate,
        private readonly Limits $limits,
    ) {
    }

    /**
     * @param  int  $credit document id
     * @return int the refund's document id
     *
     * @throws Refused not_an_account, bad_amount, over_credit, no_money_in, written_off, bad_tender,
     *     not_that_way, reference_missing, reason_missing, day_closed, card_refused, card_unknown, and what needs
     *     approval
     */
    public function handle(
        Customer $customer,
        int $credit,
        Money $amount,
        TenderKind $way,
        string $reference,
        string $reason,
        string $key,
        Till $till,
        Staff $by,
        ?GivenApproval $given = null,
    ): int {
        $subject = CardSubject::credit($credit);
        $decide = fn (): array => $this->decide(
            $customer, $credit, $amount, $way, $reference, $reason, $till, $by, $given,
        );
        $this->back->toCards(
            $subject,
            function () use ($customer, $key, $decide): ?Plan {
                $this->ledger->lock($customer->id);

                return Document::query()->where('idempotency_key', $key)->exists() ? null : $decide()[0];
            },
            $till,
            $by,
        );

        $lock = function () use ($customer, $credit, $by): HouseAccount {
            $this->gate->lock($by);
            $account = $this->ledger->lock($customer->id);
            $this->back->lockGiftCards(Brought::ways(Document::query()->with('tenders')->findOrFail($credit)));

            return $account;
        };
        $write = function (HouseAccount $account) use (
            $customer, $credit, $amount, $reference, $reason, $key, $till, $by, $given, $subject, $decide,
        ): int {
            [$plan, $needs] = $decide();
            $allowed = $this->back->allow($by, $given, $needs);
            [$tenders, , $rounding] = $this->back->tenders($plan, $reference);
            $day = ShopTime::today();
            $draft = $this->drafts->draft(
                DocumentKind::Refund,
                MoneyEntry::creditPaidOut($amount),
                PostedAt::till($till, $by->id, $day),
                new Party($customer->id, $customer->name, balanceBefore: $account->balance),
                $key,
                $tenders,
                $rounding,
                note: mb_substr($reason, 0, 255),
                refersTo: $credit,
            );
            $refund = $this->books->document($draft);
            $this->back->posted($subject, $plan, $refund);
            DocumentApprovals::keep($refund, $allowed);
            HandOver::write($refund, $till, $by);
            $this->ledger->enter($account, [new LedgerEntry($refund, $draft)]);
            $this->ledger->allocate(
                $account,
                $credit,
                [$refund => $amount],
                Setting::by($by, $day, $key, $reason),
            );

            return $refund;
        };

        return $this->books->post(Posting::under($key)->locking($lock)->writing($write));
    }

    /** @return array{Plan, list<Need>} what goes out by which ways, and who must allow it; the account locked */
    private function decide(
        Customer $customer,
        int $credit,
        Money $amount,
        TenderKind $way,
        string $reference,
        string $reason,
        Till $till,
        Staff $by,
        ?GivenApproval $given,
    ): array {
        $day = ShopTime::today();
        $till->location->assertOpenOn($day);
        $open = OpenItemRecord::query()
            ->where('customer_id', $customer->id)
            ->where('document_id', $credit)
            ->where('kind', ItemKind::Credit)
            ->value('open') ?? $this->house->money(0);
        Said::assert($amount, $way, $reference, $reason, mayFillCards: true);

        if ($amount->exceeds($open)) {
            throw Refused::because(
                'over_credit',
                'Only '.Show::money($open).' of it is unused.',
            );
        }

        $document = Document::query()->with('tenders')->findOrFail($credit);
        $this->assertPayable($document, $customer);
        $plan = Plan::of(
            [$way->value => $amount],
            $this->cameIn($document, $amount, $way),
            $this->house->currency(),
        );
        $before = Document::query()
            ->where('refers_to_id', $credit)
            ->where('purpose', Purpose::CreditPaidOut)
            ->sum('total');
        $going = $plan->going($document->label, before: $this->house->money((int) $before));
        $needs = [
            ...$plan->needs($this->limits, 'pay-out'),
            ...$this->gate->needs($by, $day, $going, 'pay-out'),
        ];
        $this->back->assertAllowed($by, $given, $needs);

        return [$plan, $needs];
    }

    /** No money goes out for what only takes off an account, nor to one of which debts are written off. */
    private function assertPayable(Document $credit, Customer $customer): void
    {
        in_array($credit->purpose, [Purpose::BadDebt, Purpose::SmallDifference, Purpose::MovedOff], true)
            && throw Refused::because(
                'no_money_in',
                "{$credit->label} brought no money in, so none goes out for it. Use it on what is owed, or move it to "
                    .'the account it came from.',
            );
        $lost = WriteOffDebt::standing($customer->id, $this->house);
        $lost->isPositive() && throw Refused::because(
            'written_off',
            Show::money($lost).' that they owed is written off. Make it owed again first: the credit meets it.',
        );
    }

    /**
     * What a payment brought towards the account, less what of it was paid out. A credit of the house's came in by no
     * way, and is paid by any but a card.
     *
     * @return array<string, Money> by way
     */
    private function cameIn(Document $credit, Money $amount, TenderKind $way): array
    {
        if ($credit->purpose !== Purpose::Payment) {
            return in_array($way, [TenderKind::Card, TenderKind::GiftCard], true) ? [] : [$way->value => $amount];
        }

        $ways = Brought::byPart($credit)['account'];

        foreach (
            Document::query()
                ->with('tenders')
                ->where('refers_to_id', $credit->id)
                ->where('purpose', Purpose::CreditPaidOut)
                ->orderBy('id')
                ->get() as $refund
        ) {
            $ways = Brought::minus($ways, Brought::ways($refund));
        }

        return $ways;
    }
}
