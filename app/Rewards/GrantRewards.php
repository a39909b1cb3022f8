<?php

declare(strict_types=1);

namespace Elmstone\Rewards;

use Elmstone\Books\Books;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\DocumentDraft;
use Elmstone\Books\Drafts\MoneyEntry;
use Elmstone\Books\Drafts\Party;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\HeldKind;
use Elmstone\Books\Posting;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Rewards\Programme;
use Elmstone\Core\Slip\Reckoner;
use Elmstone\Core\Slip\Slip;
use Elmstone\Core\Tax\TaxProfile;
use Elmstone\Customers\Customer;
use Elmstone\Held\Ledger\HeldAccount;
use Elmstone\Held\Ledger\HeldLedger;
use Elmstone\Paper\Outbox;
use Elmstone\Paper\Outgoing;
use Elmstone\Paper\Sends;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Ramsey\Uuid\Uuid;

/**
 * Each full threshold of points becomes store credit, by a document of its own: written down with the sale that filled
 * it, and posted at once after it, before its paper is printed. Once for each such sale, whatever breaks.
 */
final class GrantRewards implements Sends
{
    private const WHAT = 'reward';

    public function __construct(
        private readonly RewardTerms $terms,
        private readonly House $house,
        private readonly Books $books,
        private readonly HeldLedger $held,
    ) {
    }

    /** In the posting of the sale. */
    public static function whereFull(Programme $programme, int $customer, int $document, PostedAt $at): void
    {
        $programme->rewards(Points::of($customer))->times === 0 || app(Outbox::class)->write(
            self::WHAT,
            self::WHAT." {$document}",
            $document,
            Till::query()->findOrFail($at->tillId),
            Staff::query()->findOrFail($at->staffId),
            ['customer' => $customer],
        );
    }

    public function sends(): array
    {
        return [self::WHAT];
    }

    public function mayWait(string $what): bool
    {
        return false;
    }

    public function send(Outgoing $outgoing): void
    {
        $programme = $this->terms->programme();
        $customer = $outgoing->data['customer'] ?? 0;
        $programme === null || $outgoing->document_id === null || $this->handle(
            $programme,
            is_int($customer) ? $customer : 0,
            $outgoing->document_id,
            PostedAt::till($outgoing->till, $outgoing->staff_id, ShopTime::today()),
        );
    }

    private function handle(Programme $programme, int $customer, int $sale, PostedAt $at): void
    {
        $is = Customer::query()->findOrFail($customer);
        $is = $is->mergedInto ?? $is;
        $key = Uuid::uuid5(Uuid::NAMESPACE_OID, "reward {$sale}")->toString();

        $this->books->post(
            Posting::under($key)
                ->locking(fn (): HeldAccount => $this->held->lock(HeldKind::StoreCredit, $is->id))
                ->writing(fn (HeldAccount $credit): int => $this->post($programme, $is, $credit, $sale, $at, $key)),
        );
    }

    /** @return int the document's id; 0: no threshold was full any more */
    private function post(
        Programme $programme,
        Customer $customer,
        HeldAccount $credit,
        int $sale,
        PostedAt $at,
        string $key,
    ): int {
        $earned = $programme->rewards(Points::of($customer->id));

        if ($earned->times === 0) {
            return 0;
        }

        $document = $this->books->document($this->draft($customer, $earned->rewards, $sale, $at, $key));
        $this->held->put($credit, $document, $earned->rewards, $at->day);
        Points::write(
            $customer->id,
            'turned',
            -$earned->times * $programme->threshold,
            $at->day,
            ['document_id' => $document],
        );

        return $document;
    }

    private function draft(Customer $customer, Money $reward, int $sale, PostedAt $at, string $key): DocumentDraft
    {
        $terms = $this->house->taxTerms();
        $nothing = Reckoner::reckon(Slip::of($this->house->currency(), $terms, TaxProfile::of(), []));

        return DocumentDraft::of(DocumentKind::Adjustment, $at, $key, $terms, $nothing)
            ->moving(MoneyEntry::reward($reward))
            ->to(new Party($customer->id, $customer->name))
            ->referringTo($sale);
    }
}
