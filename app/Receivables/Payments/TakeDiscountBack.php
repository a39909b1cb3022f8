<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Payments;

use Elmstone\Books\Books;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\MoneyEntry;
use Elmstone\Books\Drafts\Party;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Receivables\DiscountBack;
use Elmstone\Customers\Customer;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Ledger\AllocationRecord;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Receivables\Ledger\LedgerEntry;
use Elmstone\Receivables\Ledger\PaymentDraft;
use Elmstone\Receivables\Ledger\Setting;
use Elmstone\Shop\House;
use Ramsey\Uuid\Uuid;

/**
 * Takes a settlement discount back, by a document, when the allocation that earned it is taken off, or the goods come
 * back: so much is owed again, and the credit that gave it pays it. RULES, section 7. Inside a transaction, the account
 * locked.
 */
final class TakeDiscountBack
{
    public function __construct(
        private readonly House $house,
        private readonly Books $books,
        private readonly Ledger $ledger,
        private readonly PaymentDraft $drafts,
    ) {
    }

    /**
     * @param  int  $credit the document whose unused credit pays it
     * @param  int  $of what the discount was given on or with: the payment, or the invoice whose goods come back
     */
    public function handle(
        HouseAccount $account,
        int $credit,
        Money $discount,
        int $of,
        Setting $setting,
        PostedAt $at,
    ): void {
        if (! $discount->isPositive()) {
            return;
        }

        $about = Document::query()->findOrFail($of);
        $draft = $this->drafts->draft(
            DocumentKind::Adjustment,
            MoneyEntry::discountTakenBack($discount),
            $at,
            new Party(
                $account->customer_id,
                Customer::query()->findOrFail($account->customer_id)->name,
                due: $at->day,
                balanceBefore: $account->balance,
            ),
            Uuid::uuid5(Uuid::NAMESPACE_OID, "discount {$setting->act} {$credit} {$of}")->toString(),
            note: "Settlement discount on {$about->label}",
            refersTo: $of,
        );
        $document = $this->books->document($draft);
        $this->ledger->enter($account, [new LedgerEntry($document, $draft)]);
        $this->ledger->allocate($account, $credit, [$document => $discount], $setting);
    }

    /**
     * What of the discount given on an invoice goes with goods that come back: round(D × (R′ + R) ÷ T) − D′.
     *
     * @param  Money  $backBefore R′, what of the invoice came back before
     * @param  Money  $back R, what comes back now
     */
    public function withGoods(Document $invoice, Money $backBefore, Money $back): Money
    {
        $given = (int) AllocationRecord::query()->where('charge_id', $invoice->id)->sum('discount');
        $before = (int) Document::query()
            ->where('refers_to_id', $invoice->id)
            ->where('purpose', Purpose::DiscountTakenBack)
            ->sum('total');

        return DiscountBack::of(
            $this->house->money($given),
            $invoice->total,
            $backBefore,
            $back,
            $this->house->money($before),
        );
    }
}
