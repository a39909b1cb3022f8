<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Adjustments;

use Elmstone\Books\Accounts;
use Elmstone\Books\Books;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Receivables\ItemKind;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Receivables\Ledger\Setting;
use Elmstone\Receivables\Payments\SpreadCredit;
use Elmstone\Shop\House;
use Ramsey\Uuid\Uuid;

/**
 * What a payment leaves open of the charges it met is let off where it is small: by a document of its own, no more than
 * the shop's tolerance for one payment. When the payment is taken back, it is owed again. Inside a posting, the account
 * locked.
 */
final readonly class SmallDifferences
{
    public function __construct(
        private Books $books,
        private Ledger $ledger,
        private AdjustAccount $adjust,
        private House $house,
    ) {
    }

    /** Takes the series both are written in, before the payment's own is. */
    public function ready(DocumentKind $with): void
    {
        $this->house->shop()->small_difference->isPositive()
            && $this->books->taking($with, DocumentKind::Adjustment);
    }

    /** @param  list<int>  $charges documents the payment met */
    public function letOff(HouseAccount $account, int $payment, array $charges, PostedAt $at, Setting $setting): void
    {
        $parts = $this->within($this->house->shop()->small_difference, $account, $charges);

        if ($parts === []) {
            return;
        }

        $all = Money::sum($parts, $this->house->currency());
        $document = $this->adjust->post(
            $account,
            Purpose::SmallDifference,
            $all->negated(),
            [[Accounts::SMALL_DIFFERENCES, $all]],
            $at,
            Uuid::uuid5($setting->act, 'difference')->toString(),
            'Let off',
            $payment,
        );
        $this->ledger->allocate($account, $document, $parts, $setting);
    }

    /**
     * @param  list<int>  $charges
     * @return array<int, Money> what is let off of each, the oldest first, all within the tolerance
     */
    private function within(Money $tolerance, HouseAccount $account, array $charges): array
    {
        $parts = [];

        foreach (
            OpenItemRecord::query()
                ->where('customer_id', $account->customer_id)
                ->whereIn('document_id', $tolerance->isPositive() ? $charges : [])
                ->where('kind', ItemKind::Charge)
                ->where('open', '>', 0)
                ->orderBy('due_date')
                ->orderBy('document_id')
                ->get() as $item
        ) {
            if (! $item->open->exceeds($tolerance)) {
                $parts[$item->document_id] = $item->open;
                $tolerance = $tolerance->minus($item->open);
            }
        }

        return $parts;
    }

    /** So that taking the payment back leaves the account as if there had been none. */
    public function oweAgain(HouseAccount $account, int $payment, PostedAt $at, Setting $setting): void
    {
        $letOff = Document::query()
            ->where('refers_to_id', $payment)
            ->where('purpose', Purpose::SmallDifference)
            ->first();

        if ($letOff === null) {
            return;
        }

        $this->ledger->takeBack($account, SpreadCredit::standing($letOff->id), $setting);
        $document = $this->adjust->post(
            $account,
            Purpose::DebtRevived,
            $letOff->total,
            [[Accounts::SMALL_DIFFERENCES, $letOff->total->negated()]],
            $at,
            Uuid::uuid5(Uuid::NAMESPACE_OID, "owed again {$letOff->idempotency_key}")->toString(),
            "Owed again: {$letOff->label}",
            $letOff->id,
            $at->day,
        );
        $this->ledger->allocate($account, $letOff->id, [$document => $letOff->total], $setting);
    }
}
