<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Payments;

use Closure;
use Elmstone\Books\Books;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\DraftTender;
use Elmstone\Books\Drafts\MoneyEntry;
use Elmstone\Books\Drafts\Party;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Posting;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Receivables\ItemKind;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Customers\Customer;
use Elmstone\Customers\RefusedWays;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Adjustments\SmallDifferences;
use Elmstone\Receivables\Ledger\AccountItems;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Receivables\Ledger\LedgerEntry;
use Elmstone\Receivables\Ledger\PaymentDraft;
use Elmstone\Receivables\Ledger\Setting;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Ability;
use Elmstone\Staff\Staff;
use Elmstone\Support\Show;

/**
 * Posts a payment on account that came to the office, and spreads it over what is open. The same key answers with the
 * same receipt.
 */
final class TakePayment
{
    public function __construct(
        private readonly House $house,
        private readonly Books $books,
        private readonly Ledger $ledger,
        private readonly PaymentDraft $drafts,
        private readonly SmallDifferences $differences,
    ) {
    }

    /**
     * @return int the receipt's document id
     *
     * @throws Refused way_refused, bad_amount, reference_missing, not_an_account, posted_before, future_date,
     *     day_closed, not_open, over_item, over_payment
     */
    public function handle(PaymentOrder $order, Till $till, Staff $by): int
    {
        return $this->under(fn (): HouseAccount => $this->ledger->lock($order->customerId), $order, $till, $by);
    }

    /** The same, where the account is locked already. */
    public function on(HouseAccount $locked, PaymentOrder $order, Till $till, Staff $by): int
    {
        return $this->under(static fn (): HouseAccount => $locked, $order, $till, $by);
    }

    /** @param  Closure(): HouseAccount  $lock */
    private function under(Closure $lock, PaymentOrder $order, Till $till, Staff $by): int
    {
        return $this->books->post(
            Posting::under($order->key)
                ->locking($lock)
                ->writing(fn (HouseAccount $account): int => $this->post($account, $order, $till, $by)),
        );
    }

    private function post(HouseAccount $account, PaymentOrder $order, Till $till, Staff $by): int
    {
        $this->assertFine($order, $till);
        $customer = Customer::query()->findOrFail($account->customer_id);
        self::assertTaken($order, $customer, $by);
        $this->differences->ready(DocumentKind::Receipt);
        $items = AccountItems::open($account->customer_id, ItemKind::Charge, $this->house, $order->day);
        $spread = ($order->leavesDiscount ? $items->withoutDiscounts() : $items)->spread(
            $order->amount,
            $order->byHand,
        );
        $draft = $this->drafts->draft(
            DocumentKind::Receipt,
            MoneyEntry::payment($order->amount, $spread->discount()),
            PostedAt::till($till, $by->id, $order->day),
            new Party(
                $account->customer_id,
                $customer->name,
                balanceBefore: $account->balance,
            ),
            $order->key,
            [new DraftTender(Tender::of($order->kind, $order->amount), $order->amount, $order->reference)],
            note: $order->note,
        );
        $receipt = $this->books->document($draft);
        $this->ledger->enter($account, [new LedgerEntry($receipt, $draft)]);
        $parts = $items->parts($spread);
        $setting = Setting::by($by, $order->day, $order->key);
        $this->ledger->allocate($account, $receipt, $parts, $setting, $items->discounts($spread));
        $this->differences->letOff($account, $receipt, array_keys($parts), $draft->at, $setting);

        return $receipt;
    }

    private static function assertTaken(PaymentOrder $order, Customer $customer, Staff $by): void
    {
        $refused = RefusedWays::of($customer);
        $may = $by->mayDo(Ability::ManageAccounts);

        if ($refused->why($order->kind) !== null && ! ($order->takenAllTheSame && $may)) {
            throw Refused::because('way_refused', $refused->words($order->kind).($may
                ? ' You can take it all the same.'
                : ' The office can take it all the same.'));
        }
    }

    private function assertFine(PaymentOrder $order, Till $till): void
    {
        if (! $order->amount->isPositive()) {
            throw Refused::because('bad_amount', 'A payment is more than nothing.');
        }

        if ($order->reference === '' && $order->kind === TenderKind::Cheque) {
            throw Refused::because('reference_missing', 'Type the cheque’s number.');
        }

        if ($order->reference === '' && $order->kind === TenderKind::Card) {
            throw Refused::because(
                'reference_missing',
                'Type the authorisation the terminal or the card’s issuer gave; or take the card at the counter.',
            );
        }

        $till->location->assertOpenOn($order->day);
        $this->assertNew($order);
    }

    /** The same cheque or transfer again is most likely the same piece of paper. */
    private function assertNew(PaymentOrder $order): void
    {
        if ($order->sureItIsAnother || $order->reference === '') {
            return;
        }

        $same = Document::query()
            ->join('document_tenders as t', 't.document_id', '=', 'documents.id')
            ->where('documents.customer_id', $order->customerId)
            ->where('documents.purpose', Purpose::Payment)
            ->where('t.kind', $order->kind)
            ->where('t.reference', $order->reference)
            ->where('t.amount', $order->amount)
            ->select('documents.*')
            ->first();

        if ($same !== null) {
            throw Refused::because(
                'posted_before',
                "{$order->kind->label()} {$order->reference} over "
                    .Show::money($order->amount)
                    ." was posted as {$same->label} on "
                    .Show::date($same->business_date)
                    .'. If this is another one, say so.',
            );
        }
    }
}
