<?php

declare(strict_types=1);

namespace Elmstone\Consignment;

use Carbon\CarbonImmutable;
use Elmstone\Books\Books;
use Elmstone\Books\DocumentApprovals;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\DocumentDraft;
use Elmstone\Books\Drafts\DraftTender;
use Elmstone\Books\Drafts\MoneyEntry;
use Elmstone\Books\Drafts\Party;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\HeldKind;
use Elmstone\Books\Posting;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Core\Slip\Reckoner;
use Elmstone\Core\Slip\Slip;
use Elmstone\Core\Tax\TaxProfile;
use Elmstone\Customers\Customer;
use Elmstone\Held\Ledger\HeldAccount;
use Elmstone\Held\Ledger\HeldLedger;
use Elmstone\MoneyOut\Gate;
use Elmstone\MoneyOut\GoingOut;
use Elmstone\MoneyOut\HandBack;
use Elmstone\Purchasing\Suppliers\Supplier;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Approvals\GivenApproval;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;

/**
 * What an owner has of what was sold up to a day is paid, less the card costs that are passed on: by the one gate of
 * money out, or kept as their store credit. All lines up to the day, each once; what comes back later goes off the
 * next.
 */
final readonly class SettleOwner
{
    public const WAYS = [TenderKind::BankTransfer, TenderKind::Cheque, TenderKind::Cash, TenderKind::StoreCredit];

    public function __construct(
        private Books $books,
        private Gate $gate,
        private HandBack $back,
        private HeldLedger $held,
        private House $house,
    ) {
    }

    /**
     * @param  Money  $seen what the page said is payable
     * @return int the document's id
     *
     * @throws Refused not_over_yet, no_such_way, no_customer, changed_elsewhere, nothing_payable, and what needs
     *     approval
     */
    public function handle(
        Supplier $owner,
        CarbonImmutable $until,
        Money $seen,
        TenderKind $way,
        string $key,
        Till $till,
        Staff $by,
        ?GivenApproval $given = null,
    ): int {
        match (true) {
            $until->greaterThan(ShopTime::today()) => throw Refused::because(
                'not_over_yet',
                'Nothing was sold after today.',
            ),
            ! in_array($way, self::WAYS, true) => throw Refused::because('no_such_way', 'Choose how it is paid.'),
            $way === TenderKind::StoreCredit && $owner->customer_id === null => throw Refused::because(
                'no_customer',
                'Say on this page who they are as a customer: the store credit is theirs then.',
            ),
            default => null,
        };

        return $this->books->post(
            Posting::under($key)
                ->locking(fn (): ?HeldAccount => $this->lock($owner, $way, $by))
                ->writing(fn (?HeldAccount $credit): int => $this->write(
                    $owner, $until, $seen, $way, $key, $till, $by, $given, $credit,
                )),
        );
    }

    private function lock(Supplier $owner, TenderKind $way, Staff $by): ?HeldAccount
    {
        $this->gate->lock($by);
        $credit = $way === TenderKind::StoreCredit
            ? $this->held->lock(HeldKind::StoreCredit, (int) $owner->customer_id)
            : null;
        OwnerAccount::lock($owner->id);

        return $credit;
    }

    private function write(
        Supplier $owner,
        CarbonImmutable $until,
        Money $seen,
        TenderKind $way,
        string $key,
        Till $till,
        Staff $by,
        ?GivenApproval $given,
        ?HeldAccount $credit,
    ): int {
        $account = OwnerAccount::until($owner, $until, $this->house);
        $amount = $account->payable();

        match (true) {
            ! $amount->isPositive() => throw Refused::because(
                'nothing_payable',
                "Nothing is to be paid to {$owner->name} yet; it is carried on.",
            ),
            ! $amount->equals($seen) => throw Refused::because(
                'changed_elsewhere',
                'Something of theirs was sold, came back or was settled meanwhile. Here is how it stands now.',
            ),
            default => null,
        };
        $allowed = $credit !== null ? [] : $this->back->allow($by, $given, $this->gate->needs(
            $by, ShopTime::today(), [new GoingOut($way, $amount, "settlement {$owner->code}")], 'settlement',
        ));
        $document = $this->books->document($this->draft($account, $amount, $way, $key, $till, $by, $until));
        $credit === null || $this->held->put($credit, $document, $amount, ShopTime::today());
        $settlement = (int) DB::table('owner_settlements')->insertGetId([
            'owner_id' => $owner->id,
            'document_id' => $document,
            'until' => $until->format('Y-m-d'),
            'shares' => $account->shares,
            'fees' => $account->fees,
            'amount' => $amount,
        ]);
        OwnerAccount::settle($account->rows($settlement));
        DocumentApprovals::keep($document, $allowed);

        return $document;
    }

    private function draft(
        OwnerAccount $account,
        Money $amount,
        TenderKind $way,
        string $key,
        Till $till,
        Staff $by,
        CarbonImmutable $until,
    ): DocumentDraft {
        $terms = $this->house->taxTerms();
        $nothing = Reckoner::reckon(Slip::of($this->house->currency(), $terms, TaxProfile::of(), []));
        $draft = DocumentDraft::of(
            DocumentKind::Adjustment, PostedAt::till($till, $by->id), $key, $terms, $nothing,
        )->noting("Goods of {$account->owner->name} sold up to {$until->format('j M Y')}");

        if ($way === TenderKind::StoreCredit) {
            $is = Customer::query()->whereKey($account->owner->customer_id)->firstOrFail();

            return $draft
                ->moving(MoneyEntry::ownerCredited($amount, $account->fees))
                ->to(new Party($is->id, $is->name));
        }

        return $draft
            ->moving(MoneyEntry::ownerPaid($amount, $account->fees))
            ->settledBy([new DraftTender(Tender::of($way, $amount), $amount)]);
    }
}
