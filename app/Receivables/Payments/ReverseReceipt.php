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
use Elmstone\Core\Approvals\ApprovalKind;
use Elmstone\Core\Approvals\Scope;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\MoneyOut\Brought;
use Elmstone\MoneyOut\Gate;
use Elmstone\MoneyOut\HandBack;
use Elmstone\MoneyOut\Plan;
use Elmstone\MoneyOut\Way;
use Elmstone\Paper\HandOver;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Adjustments\SmallDifferences;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Receivables\Ledger\LedgerEntry;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Receivables\Ledger\PaymentDraft;
use Elmstone\Receivables\Ledger\Setting;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Approvals\GivenApproval;
use Elmstone\Staff\Approvals\LimitMatter;
use Elmstone\Staff\Approvals\Limits;
use Elmstone\Staff\Approvals\Need;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Ramsey\Uuid\Uuid;

/**
 * Takes a wrong receipt of today back, by a document: its money goes back as it came, and the deposit, the payment on
 * layaways, the gift cards and the payment on account are as if it had not been. Only whole, and only while all of it
 * is still there. A receipt is taken back once: the document's key follows from it.
 */
final class ReverseReceipt
{
    /** @param  iterable<TakesBackHeld>  $others */
    public function __construct(
        private readonly House $house,
        private readonly Books $books,
        private readonly Ledger $ledger,
        private readonly PaymentDraft $drafts,
        private readonly HandBack $back,
        private readonly Gate $gate,
        private readonly Limits $limits,
        private readonly SmallDifferences $differences,
        private readonly iterable $others = [],
    ) {
    }

    /**
     * @return int the document's id
     *
     * @throws Refused not_a_receipt, not_today, already_returned, not_there, reason_missing, day_closed, card_refused,
     *     card_unknown, and what needs approval
     */
    public function handle(Document $receipt, string $reason, Till $till, Staff $by, ?GivenApproval $given): int
    {
        $receipt->load('tenders');
        $key = Uuid::uuid5(Uuid::fromString($receipt->idempotency_key), 'reversed')->toString();
        $subject = CardSubject::credit($receipt->id);
        $decide = fn (): array => $this->decide($receipt, $reason, $till, $by, $given);
        $this->back->toCards(
            $subject,
            function () use ($receipt, $key, $decide): ?Plan {
                $this->lock($receipt);

                return Document::query()->where('idempotency_key', $key)->exists() ? null : $decide()[0];
            },
            $till,
            $by,
        );

        $lock = function () use ($receipt, $by): ?HouseAccount {
            $this->gate->lock($by);

            return $this->lock($receipt);
        };
        $write = function (?HouseAccount $account) use (
            $receipt, $reason, $key, $till, $by, $given, $subject, $decide,
        ): int {
            [$plan, $needs] = $decide();
            $allowed = $this->back->allow($by, $given, $needs);

            return $this->post($account, $receipt, $plan, $reason, $key, $till, $by, $subject, $allowed);
        };

        return $this->books->post(Posting::under($key)->locking($lock)->writing($write));
    }

    private function lock(Document $receipt): ?HouseAccount
    {
        $account = $receipt->on_account->isZero() || $receipt->customer_id === null
                ? null
                : $this->ledger->lock($receipt->customer_id);

        foreach ($this->others as $other) {
            ! $other->kind()->isOfAgreement() || $this->back->lockGiftCards(Brought::ways($receipt));
            $other->lock($receipt);
        }

        return $account;
    }

    /** @return array{Plan, list<Need>} */
    private function decide(Document $receipt, string $reason, Till $till, Staff $by, ?GivenApproval $given): array
    {
        $till->location->assertOpenOn(ShopTime::today());
        $parts = Brought::byPart($receipt);

        match (true) {
            $receipt->purpose !== Purpose::Payment => throw Refused::because(
                'not_a_receipt',
                "{$receipt->label} is not a receipt for money taken in.",
            ),
            ! ShopTime::isToday($receipt->business_date) => throw Refused::because(
                'not_today',
                "{$receipt->label} is not of today. Pay back what is held instead.",
            ),
            trim($reason) === '' => throw Refused::because('reason_missing', 'Say what was wrong: the reason is kept.'),
            Document::query()
                ->where('refers_to_id', $receipt->id)
                ->whereIn('purpose', [...Purpose::takingPaymentsBack(), Purpose::CreditPaidOut])
                ->exists() => throw Refused::because(
                    'already_returned',
                    "{$receipt->label} was taken back or paid ".'out already.',
                ),
            array_filter(
                Brought::ways($receipt),
                static fn (Money $one, string $way): bool => Way::read($way)?->isMoney() !== true
                    && Way::read($way)?->kind !== TenderKind::GiftCard,
                ARRAY_FILTER_USE_BOTH,
            ) !== [] => throw Refused::because(
                'not_there',
                "{$receipt->label} was paid with goods or credit. It cannot be taken back whole.",
            ),
            default => null,
        };

        foreach ($this->others as $other) {
            $wanted = Money::sum($parts[$other->kind()->value] ?? [], $this->house->currency());

            if ($wanted->exceeds($other->room($receipt))) {
                throw Refused::because(
                    'not_there',
                    "Something of {$receipt->label} was used already, so it cannot be taken back whole. Pay back what "
                        .'is left instead.',
                );
            }
        }

        $wanted = [];

        foreach (Brought::ways($receipt) as $way => $amount) {
            $kind = Way::read($way)->kind->value ?? TenderKind::Cash->value;
            $wanted = Brought::plus($wanted, [$kind => $amount]);
        }

        $plan = Plan::of($wanted, Brought::ways($receipt), $this->house->currency());
        $scope = Scope::of(ApprovalKind::Void)->naming('receipt', $receipt->id)->upTo('money', $receipt->total);
        $needs = [
            new Need(
                'reverse',
                $scope,
                Refused::because(
                    'void',
                    "A receipt is taken back whole. {$this->limits->whoMayApprove(LimitMatter::Void, $receipt->total)}",
                ),
                "{$receipt->label} over {$receipt->total->toString()} taken back, posted by mistake",
                LimitMatter::Void,
                $receipt->total,
            ),
        ];
        $this->back->assertAllowed($by, $given, $needs);

        return [$plan, $needs];
    }

    /** @param  list<array{string, Need, \Elmstone\Staff\Approvals\Approval}>  $allowed */
    private function post(
        ?HouseAccount $account,
        Document $receipt,
        Plan $plan,
        string $reason,
        string $key,
        Till $till,
        Staff $by,
        CardSubject $subject,
        array $allowed,
    ): int {
        $this->differences->ready(DocumentKind::Refund);
        $day = ShopTime::today();
        $setting = Setting::by($by, $day, $key, "{$receipt->label} taken back: {$reason}");
        $parts = array_map(
            fn (array $ways): Money => Money::sum($ways, $this->house->currency()),
            Brought::byPart($receipt),
        );
        $standing = $account === null ? null : SpreadCredit::standing($receipt->id);
        $discount = Money::sum($standing?->pluck('discount') ?? [], $this->house->currency());
        $account === null || $standing === null || $this->ledger->takeBack($account, $standing, $setting);
        [$tenders, , $rounding] = $this->back->tenders($plan, 'taken back');
        $draft = $this->drafts->draft(
            DocumentKind::Refund,
            MoneyEntry::receiptReversed(
                $receipt->total,
                $discount,
                array_diff_key($parts, ['account' => 0]),
            ),
            PostedAt::till($till, $by->id, $day),
            new Party(
                $receipt->customer_id,
                $receipt->customer_name,
                due: $account === null ? null : $day,
                balanceBefore: $account?->balance,
            ),
            $key,
            $tenders,
            $rounding,
            note: mb_substr($reason, 0, 255),
            refersTo: $receipt->id,
        );
        $document = $this->books->document($draft);
        $this->back->posted($subject, $plan, $document);
        DocumentApprovals::keep($document, $allowed);
        HandOver::write($document, $till, $by);

        if ($account !== null) {
            $this->ledger->enter($account, [new LedgerEntry($document, $draft)]);
            $this->ledger->allocate(
                $account,
                $receipt->id,
                [$document => OpenItemRecord::query()->findOrFail($receipt->id)->open],
                $setting,
            );
            $this->differences->oweAgain($account, $receipt->id, $draft->at, $setting);
        }

        foreach ($this->others as $other) {
            $other->takeBack($receipt, $document, $parts[$other->kind()->value] ?? $this->house->money(0), $day);
        }

        return $document;
    }
}
