<?php

declare(strict_types=1);

namespace Elmstone\Plans;

use Elmstone\Books\Books;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\MoneyEntry;
use Elmstone\Books\Drafts\Party;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Receivables\DiscountBack;
use Elmstone\Core\Returns\AsItCame;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Receivables\Ledger\LedgerEntry;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Receivables\Ledger\PaymentDraft;
use Elmstone\Receivables\Ledger\Setting;
use Elmstone\Shop\House;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;

/**
 * Goods come back of an invoice that is paid in parts: the plan is worked anew. The flat charge is let off by a
 * document as far as the goods come back, and the credit lowers the parts that are open, each by its share; when
 * nothing is open any more the plan has ended. What was paid over it stays as unused credit. Inside a transaction, the
 * account locked.
 */
final class PlanGoesBack
{
    public function __construct(
        private readonly House $house,
        private readonly Books $books,
        private readonly Ledger $ledger,
        private readonly PaymentDraft $drafts,
    ) {
    }

    /**
     * @param  int  $credit the credit note's document id
     * @param  Money  $unused what of the credit is not set against anything yet
     * @param  Money  $before what came back of the invoice before, tax in it
     * @param  Money  $back what comes back now
     * @return Money what of the credit the plan took
     */
    public function handle(
        HouseAccount $account,
        int $credit,
        Document $invoice,
        Money $unused,
        Money $before,
        Money $back,
        Setting $setting,
        PostedAt $at,
    ): Money {
        $plan = Plan::query()->where('invoice_id', $invoice->id)->latest('id')->first();

        if ($plan === null) {
            return $this->house->money(0);
        }

        $this->letOff($account, $plan, $invoice, $before, $back, $setting, $at);

        return $this->lower($account, $credit, $plan, $unused, $setting);
    }

    private function letOff(
        HouseAccount $account,
        Plan $plan,
        Document $invoice,
        Money $before,
        Money $back,
        Setting $setting,
        PostedAt $at,
    ): void {
        $gone = (int) Document::query()
            ->where('refers_to_id', $plan->document_id)
            ->where('purpose', Purpose::PlanLetOff)
            ->sum('total');
        $due = DiscountBack::of(
            $plan->charge,
            $invoice->total,
            $before,
            $back,
            $this->house->money($gone),
        );
        $charge = Money::min($due, Money::sum($this->open($plan), $due->currency));

        if (! $charge->isPositive()) {
            return;
        }

        $draft = $this->drafts->draft(
            DocumentKind::Adjustment,
            MoneyEntry::planLetOff($charge),
            $at,
            new Party(
                $account->customer_id,
                $invoice->customer_name,
                balanceBefore: $account->balance,
            ),
            Uuid::uuid5(Uuid::NAMESPACE_OID, "plan {$plan->id} {$setting->act}")->toString(),
            note: "{$plan->label}: charge let off, goods of {$invoice->label} came back",
            refersTo: $plan->document_id,
        );
        $document = $this->books->document($draft);
        $this->ledger->enter($account, [new LedgerEntry($document, $draft)]);
        $this->lower($account, $document, $plan, $charge, $setting);
    }

    private function lower(HouseAccount $account, int $credit, Plan $plan, Money $amount, Setting $setting): Money
    {
        $shares = AsItCame::share($amount, $this->open($plan));
        $parts = [];

        foreach ($shares as $document => $share) {
            $parts[(int) $document] = $share;
        }

        $this->ledger->allocate($account, $credit, $parts, $setting);

        return Money::sum($shares, $amount->currency);
    }

    /** @return array<int, Money> what is open of each part, by its document id */
    private function open(Plan $plan): array
    {
        $rows = OpenItemRecord::query()
            ->whereIn('document_id', DB::table('plan_parts')->where('plan_id', $plan->id)->select('document_id'))
            ->where('open', '>', 0)
            ->orderBy('due_date')
            ->get();

        return $rows
            ->mapWithKeys(static fn (OpenItemRecord $item): array => [$item->document_id => $item->open])
            ->all();
    }
}
