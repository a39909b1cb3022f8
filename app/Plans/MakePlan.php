<?php

declare(strict_types=1);

namespace Elmstone\Plans;

use Carbon\CarbonImmutable;
use Elmstone\Books\Books;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\DraftTender;
use Elmstone\Books\Drafts\MoneyEntry;
use Elmstone\Books\Drafts\Party;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Posting;
use Elmstone\Books\Purpose;
use Elmstone\Core\Layaway\Schedule;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Receivables\ItemKind;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Ledger\FeeDraft;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Receivables\Ledger\LedgerEntry;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Receivables\Ledger\PaymentDraft;
use Elmstone\Receivables\Ledger\Setting;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;

/**
 * Puts what is open on an invoice on a payment plan: the flat charge is invoiced, one document takes both over, and
 * each part is a charge of its own with its own due date. So payments, ageing and statements meet the parts like
 * anything else that is owed. The same key answers with the same plan.
 */
final class MakePlan
{
    public function __construct(
        private readonly House $house,
        private readonly Books $books,
        private readonly Ledger $ledger,
        private readonly PaymentDraft $payments,
        private readonly FeeDraft $fees,
    ) {
    }

    /** @throws Refused not_open, not_a_sale, first_due_past, bad_count, bad_amount, day_closed */
    public function handle(PlanOrder $order, Till $till, Staff $by, ?CarbonImmutable $on = null): Plan
    {
        $customer = OpenItemRecord::query()->whereKey($order->invoiceId)->value('customer_id');

        if (! is_int($customer)) {
            throw Refused::because(
                'not_open',
                'This invoice is not on an account, so there is nothing to pay in parts.',
            );
        }

        $at = PostedAt::till($till, $by->id, $on ?? ShopTime::today());

        return $this->books->post(
            Posting::under($order->key)
                ->locking(fn (): HouseAccount => $this->ledger->lock($customer))
                ->unless(static fn (): ?Plan => Plan::query()
                    ->where('document_id', Document::query()->where('idempotency_key', $order->key)->select('id'))
                    ->first())
                ->writing(fn (HouseAccount $account): Plan => $this->make($account, $order, $at, $till, $by)),
        );
    }

    private function make(HouseAccount $account, PlanOrder $order, PostedAt $at, Till $till, Staff $by): Plan
    {
        $till->location->loadMissing('taxProfile.components')->assertOpenOn($at->day);
        $item = OpenItemRecord::query()->with('document')->whereKey($order->invoiceId)->firstOrFail();
        $this->assertFine($item, $order, $at->day);
        $principal = $item->open;
        $charge = $order->terms->charge($principal);
        $schedule = Schedule::of(
            $principal->plus($charge),
            $order->terms->count,
            $order->firstDue,
            $order->terms->rhythm,
        );
        $charge->isZero() || $this->books->taking(DocumentKind::Adjustment, DocumentKind::Invoice);
        $fee = $charge->isZero() ? null : $this->invoiceCharge($account, $charge, $item, $order, $at, $till);
        $document = $this->takeOver($account, $principal, $charge, $item, $fee, $order, $at, $by);
        $plan = Plan::query()->create([
            'customer_id' => $account->customer_id,
            'invoice_id' => $item->document_id,
            'charge_id' => $fee,
            'document_id' => $document,
            'staff_id' => $by->id,
            'principal' => $principal,
            'charge' => $charge,
            'rhythm' => $order->terms->rhythm,
            'made_on' => $at->day,
        ]);
        $plan->forceFill(['label' => sprintf('PLN-%06d', $plan->id)])->save();
        $this->owe($account, $plan, $schedule, $item, $order, $at);

        return $plan;
    }

    /** @throws Refused not_open, not_a_sale, first_due_past */
    private function assertFine(OpenItemRecord $item, PlanOrder $order, CarbonImmutable $day): void
    {
        match (true) {
            $item->kind !== ItemKind::Charge || $item->open->isZero() => throw Refused::because(
                'not_open',
                "{$item->label} is settled; nothing is left to pay in parts.",
            ),
            $item->purpose !== Purpose::Sale => throw Refused::because(
                'not_a_sale',
                "{$item->label} is not an invoice for goods. Only such an invoice is paid in parts.",
            ),
            $order->firstDue->lessThanOrEqualTo($day) => throw Refused::because(
                'first_due_past',
                'The first part falls due after the day the plan is made.',
            ),
            default => null,
        };
    }

    private function invoiceCharge(
        HouseAccount $account,
        Money $charge,
        OpenItemRecord $item,
        PlanOrder $order,
        PostedAt $at,
        Till $till,
    ): int {
        $draft = $this->fees->draft(
            'Payment plan, flat charge',
            $charge,
            $this->house->shop()->plan_tax_class,
            $till->location,
            $at,
            $this->party($account, $item, $at->day),
            Uuid::uuid5(Uuid::fromString($order->key), 'charge')->toString(),
            [new DraftTender(Tender::of(TenderKind::HouseAccount, $charge), $charge)],
            "For {$item->label} in parts",
            $item->document_id,
        );
        $document = $this->books->document($draft);
        $this->ledger->enter($account, [new LedgerEntry($document, $draft)]);

        return $document;
    }

    private function takeOver(
        HouseAccount $account,
        Money $principal,
        Money $charge,
        OpenItemRecord $item,
        ?int $fee,
        PlanOrder $order,
        PostedAt $at,
        Staff $by,
    ): int {
        $draft = $this->payments->draft(
            DocumentKind::Adjustment,
            MoneyEntry::plan($principal->plus($charge)),
            $at,
            $this->party($account, $item, null),
            $order->key,
            note: "{$item->label} is paid in {$order->terms->count} parts",
            refersTo: $item->document_id,
        );
        $document = $this->books->document($draft);
        $this->ledger->enter($account, [new LedgerEntry($document, $draft)]);
        $parts = [$item->document_id => $principal] + ($fee === null ? [] : [$fee => $charge]);
        $this->ledger->allocate($account, $document, $parts, Setting::by($by, $at->day, $order->key, 'Payment plan'));

        return $document;
    }

    private function owe(
        HouseAccount $account,
        Plan $plan,
        Schedule $schedule,
        OpenItemRecord $item,
        PlanOrder $order,
        PostedAt $at,
    ): void {
        $drafts = [];
        $count = count($schedule->instalments);

        foreach ($schedule->instalments as $i => $part) {
            $drafts[] = $this->payments->draft(
                DocumentKind::Adjustment,
                MoneyEntry::planPart($part->amount),
                $at,
                $this->party($account, $item, $at->day->setDateFrom($part->due), false),
                Uuid::uuid5(Uuid::fromString($order->key), 'part '.($i + 1))->toString(),
                note: "{$plan->label}, part ".($i + 1)." of {$count}",
                refersTo: $plan->document_id,
            );
        }

        $ids = $this->books->documents($drafts);
        $this->ledger->enter(
            $account,
            array_map(static fn (int $id, $draft): LedgerEntry => new LedgerEntry($id, $draft), $ids, $drafts),
        );
        DB::table('plan_parts')->insert(
            array_map(
                static fn (int $id, int $i, $part): array => [
                    'plan_id' => $plan->id,
                    'position' => $i + 1,
                    'document_id' => $id,
                    'due' => $part->due->format('Y-m-d'),
                    'amount' => $part->amount,
                ],
                $ids,
                array_keys($schedule->instalments),
                $schedule->instalments,
            ),
        );
    }

    private function party(
        HouseAccount $account,
        OpenItemRecord $item,
        ?CarbonImmutable $due,
        bool $isOwn = true,
    ): Party {
        return new Party(
            $account->customer_id,
            $item->document->customer_name,
            $item->document->purchase_order,
            $item->document->job,
            due: $due,
            terms: $due === null ? '' : 'payment plan',
            balanceBefore: $isOwn ? $account->balance : null,
        );
    }
}
