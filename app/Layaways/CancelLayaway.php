<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Elmstone\Agreements\AgreedGoods;
use Elmstone\Agreements\AgreedLines;
use Elmstone\Agreements\AgreementChange;
use Elmstone\Agreements\AgreementMoney;
use Elmstone\Agreements\KeepAsDeposit;
use Elmstone\Books\Books;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentApprovals;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\DraftTender;
use Elmstone\Books\Drafts\MoneyEntry;
use Elmstone\Books\Drafts\Party;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\HeldKind;
use Elmstone\Books\Posting;
use Elmstone\Cards\CardSubject;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Core\Approvals\ApprovalKind;
use Elmstone\Core\Approvals\Scope;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Held\Ledger\HeldAccount;
use Elmstone\Held\Ledger\HeldLedger;
use Elmstone\Held\Ledger\Movement;
use Elmstone\MoneyOut\Gate;
use Elmstone\MoneyOut\HandBack;
use Elmstone\MoneyOut\Plan;
use Elmstone\Paper\HandOver;
use Elmstone\Receivables\Ledger\FeeDraft;
use Elmstone\Receivables\Ledger\PaymentDraft;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Ability;
use Elmstone\Staff\Approvals\LimitMatter;
use Elmstone\Staff\Approvals\Limits;
use Elmstone\Staff\Approvals\Need;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Show;
use Ramsey\Uuid\Uuid;

/**
 * The customer backs out: the goods are free again, the fee is invoiced, and the rest of what was paid goes back by the
 * ways it came in, or stays as a deposit. All of it in one transaction. Cards are paid back first, each under a
 * question of the layaway's own, so that none is paid twice however often and from however many tills it is asked for.
 * A layaway is cancelled once: its documents' keys follow from it.
 */
final class CancelLayaway
{
    public function __construct(
        private readonly House $house,
        private readonly Books $books,
        private readonly LayawayLedger $ledger,
        private readonly HeldLedger $deposits,
        private readonly StockLedger $stock,
        private readonly AgreedLines $lines,
        private readonly PaymentDraft $payments,
        private readonly FeeDraft $fees,
        private readonly KeepAsDeposit $keepAsDeposit,
        private readonly HandBack $back,
        private readonly Gate $gate,
        private readonly Limits $limits,
    ) {
    }

    /**
     * @return int|null the document by which money went back; null: none did
     *
     * @throws Refused changed_elsewhere, not_running, reason_missing, reference_missing, not_that_way, does_not_sum,
     *     card_refused, card_unknown, card_reserved, day_closed, and what needs approval
     */
    public function handle(int $layawayId, CancelOrder $order, Till $till, Staff $by): ?int
    {
        $layaway = Layaway::query()->findOrFail($layawayId);
        $subject = CardSubject::layaway($layaway->id, $layaway->key);

        $this->back->toCards(
            $subject,
            function () use ($layawayId, $order, $till, $by): ?Plan {
                $layaway = $this->ledger->lock($layawayId);

                return $layaway->state === LayawayState::Cancelled
                    ? null
                    : $this->decide($layaway, $order, $till, $by)[0];
            },
            $till,
            $by,
        );

        /** @return array{Layaway, HeldAccount|null} */
        $lock = function () use ($layawayId, $order, $by): array {
            $this->gate->lock($by);
            // Deposits are locked before layaways everywhere.
            $account = isset($order->back[TenderKind::DepositHeld->value])
                ? $this->deposits->lock(HeldKind::Deposit, Layaway::customerOf($layawayId))
                : null;
            $this->back->lockGiftCards(AgreementMoney::of($layawayId, $this->house->currency())->left);

            return [$this->ledger->lock($layawayId), $account];
        };
        /** @param  array{Layaway, HeldAccount|null}  $locked */
        $write = function (array $locked) use ($order, $till, $by, $subject): Cancelled {
            [$layaway, $account] = $locked;
            [$plan, $needs, $fee] = $this->decide($layaway, $order, $till, $by);
            $allowed = $this->back->allow($by, $order->approval, $needs);
            $this->stock->lock(AgreedGoods::moving($layaway));
            $this->lines->release($layaway);
            $this->books->taking(DocumentKind::Adjustment, DocumentKind::Invoice, DocumentKind::Refund);
            $at = PostedAt::till($till, $by->id, ShopTime::today());
            $feeDocument = $this->invoiceFee($layaway, $fee, $at);
            $document = $this->payBack($layaway, $order, $plan, $at);
            $document === null || $this->back->posted($subject, $plan, $document);
            $kept = $order->back[TenderKind::DepositHeld->value] ?? null;
            $moved = $account !== null && $kept?->isPositive() === true
                    ? $this->keepAsDeposit->handle(
                        $layaway,
                        $account,
                        $kept,
                        $at,
                        self::key($layaway, 'deposit'),
                        "{$layaway->label} cancelled",
                    )
                    : null;
            $last = $document ?? ($moved ?? $feeDocument);
            $last === null || DocumentApprovals::keep($last, $allowed);
            $document === null || HandOver::write($document, $till, $by);
            $this->ledger->end($layaway, LayawayState::Cancelled, $at->day);
            $this->record($layaway, $order, $fee, $by);

            return new Cancelled($document);
        };

        return $this->books->post(
            Posting::under(self::key($layaway, 'back'))
                ->locking($lock)
                ->unless(self::cancelled(...))
                ->writing($write),
        )->refund;
    }

    /** @param  array{Layaway, HeldAccount|null}  $locked */
    private static function cancelled(array $locked): ?Cancelled
    {
        return $locked[0]->state === LayawayState::Cancelled
            ? new Cancelled(Document::query()->where('idempotency_key', self::key($locked[0], 'back'))->value('id'))
            : null;
    }

    /**
     * What goes back by which ways, and who must allow it. The layaway locked.
     *
     * @return array{Plan, list<Need>, Money} the fee last
     */
    private function decide(Layaway $layaway, CancelOrder $order, Till $till, Staff $by): array
    {
        $layaway->load(['customer', 'location.taxProfile.components']);
        $full = $layaway->standing()->fee;
        $fee = $order->waive ? $this->house->money(0) : $full;
        $this->assertFine($layaway, $order, $till, $fee);
        $plan = Plan::of(
            $order->back,
            AgreementMoney::of($layaway->id, $this->house->currency())->left,
            $this->house->currency(),
            [TenderKind::DepositHeld],
        );
        $needs = $by->mayDo(Ability::EndLayaways)
            ? []
            : [
                new Need(
                    'cancel',
                    Scope::of(ApprovalKind::LayawayEnd)->naming('layaway', $layaway->id),
                    Refused::because(
                        'approval_missing',
                        'Cancelling a layaway needs a supervisor: staff number, PIN and reason.',
                    ),
                    "{$layaway->label} cancelled",
                    LimitMatter::OutsidePolicy,
                    $this->house->money(0),
                ),
            ];
        array_push(
            $needs,
            ...$plan->needs($this->limits, 'cancel'),
            ...$this->gate->needs($by, ShopTime::today(), $plan->going($layaway->label ?? ''), 'cancel'),
        );

        if ($order->waive && $full->isPositive()) {
            $scope = Scope::of(ApprovalKind::LayawayFee)->naming('layaway', $layaway->id)->upTo('fee', $full);
            $needs[] = new Need(
                'cancel',
                $scope,
                Refused::because(
                    'approval_missing',
                    'Letting the fee off needs a supervisor: staff number, PIN and reason.',
                ),
                "{$layaway->label}: cancellation fee of ".Show::money($full).' let off',
                LimitMatter::OutsidePolicy,
                $full,
            );
        }

        $this->back->assertAllowed($by, $order->approval, $needs);

        return [$plan, $needs, $fee];
    }

    private function assertFine(Layaway $layaway, CancelOrder $order, Till $till, Money $fee): void
    {
        $refund = $layaway->held()->minus($fee);
        $typed = Money::sum($order->back, $this->house->currency());
        $till->location->assertOpenOn(ShopTime::today());

        match (true) {
            ! $layaway->state->isOpen() => throw Refused::because(
                'not_running',
                "{$layaway->label} is {$layaway->state->value} already.",
            ),
            $order->version !== null && $order->version !== $layaway->version => throw Refused::because(
                'changed_elsewhere',
                'Somebody has changed this layaway meanwhile. Here is how it stands now.',
            ),
            trim($order->reason) === '' => throw Refused::because(
                'reason_missing',
                'Say why it is cancelled: the reason is kept.',
            ),
            trim($order->reference) === ''
                && $order->needsReference() => throw Refused::because(
                    'reference_missing',
                    'Type the number of the shop’s cheque, or the transfer’s reference.',
                ),
            ! $typed->equals($refund) => throw Refused::because(
                'does_not_sum',
                Show::money($refund)
                    .' goes back, but what is typed comes to '
                    .Show::money($typed)
                    .'.',
            ),
            default => null,
        };
    }

    private function invoiceFee(Layaway $layaway, Money $fee, PostedAt $at): ?int
    {
        if ($fee->isZero()) {
            return null;
        }

        $draft = $this->fees->draft(
            'Layaway cancellation fee',
            $fee,
            $this->house->shop()->fee_tax_class,
            $layaway->location,
            $at,
            new Party($layaway->customer_id, $layaway->customer->name),
            self::key($layaway, 'fee'),
            [new DraftTender(Tender::of(TenderKind::LayawayMoney, $fee), $fee, $layaway->label ?? '')],
            "Layaway {$layaway->label}",
        );
        $document = $this->books->document($draft);
        $this->ledger->leave($layaway, $document, Movement::Fee, $fee, $at->day);

        return $document;
    }

    private function payBack(Layaway $layaway, CancelOrder $order, Plan $plan, PostedAt $at): ?int
    {
        [$tenders, $total, $rounding] = $this->back->tenders($plan, $order->reference, [TenderKind::DepositHeld]);

        if ($tenders === []) {
            return null;
        }

        $document = $this->books->document(
            $this->payments->draft(
                DocumentKind::Refund,
                MoneyEntry::paidBack(HeldKind::Layaway, $total),
                $at,
                new Party($layaway->customer_id, $layaway->customer->name),
                self::key($layaway, 'back'),
                $tenders,
                $rounding,
                note: mb_substr("{$layaway->label} cancelled: {$order->reason}", 0, 255),
            ),
        );
        $this->ledger->leave($layaway, $document, Movement::Back, $total, $at->day);

        return $document;
    }

    private static function key(Layaway $layaway, string $what): string
    {
        return Uuid::uuid5(Uuid::fromString($layaway->key), "cancelled {$what}")->toString();
    }

    private function record(Layaway $layaway, CancelOrder $order, Money $fee, Staff $by): void
    {
        AgreementChange::query()->create([
            'agreement_id' => $layaway->id,
            'staff_id' => $by->id,
            'total_before' => $layaway->total,
            'total_after' => $layaway->total,
            'revision' => $layaway->revision,
            'made_at' => now(),
            'what' => mb_substr(
                "Cancelled: {$order->reason}. Fee ".Show::money($fee).($order->waive ? ', let off' : ''),
                0,
                500,
            ),
        ]);
    }
}
