<?php

declare(strict_types=1);

namespace Elmstone\Plans;

use Elmstone\Books\Books;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\DraftTender;
use Elmstone\Books\Drafts\MoneyEntry;
use Elmstone\Books\Drafts\Party;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Posting;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Paper\HandOver;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Receivables\Ledger\LedgerEntry;
use Elmstone\Receivables\Ledger\PaymentDraft;
use Elmstone\Receivables\Ledger\Setting;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Show;

/**
 * Settles a plan before its time: all that is open of it in one payment, less what the shop lets off of the charge that
 * lies in parts not due yet.
 */
final class SettlePlan
{
    public const WAYS = [TenderKind::Cash, TenderKind::Cheque, TenderKind::BankTransfer];

    public function __construct(
        private readonly House $house,
        private readonly Books $books,
        private readonly Ledger $ledger,
        private readonly PaymentDraft $drafts,
    ) {
    }

    /**
     * @return int the receipt's document id
     *
     * @throws Refused settled, let_off_too_large, reference_missing, bad_tender, day_closed
     */
    public function handle(
        Plan $plan,
        Money $letOff,
        TenderKind $way,
        string $reference,
        string $key,
        Till $till,
        Staff $by,
    ): int {
        $write = function (HouseAccount $account) use ($plan, $letOff, $way, $reference, $key, $till, $by): int {
            $day = ShopTime::today();
            $till->location->assertOpenOn($day);
            $plan->load(['parts.item', 'customer']);
            $standing = PlanStanding::of($plan, $this->house, $day);
            $this->assertFine($standing, $letOff, $way, $reference);
            $amount = $standing->open->minus($letOff);
            [$paid, $rounding] = $this->house->handedOver($amount, $way);
            $draft = $this->drafts->draft(
                DocumentKind::Receipt,
                MoneyEntry::payment($amount, $letOff),
                PostedAt::till($till, $by->id, $day),
                new Party(
                    $plan->customer_id,
                    $plan->customer->name,
                    balanceBefore: $account->balance,
                ),
                $key,
                [new DraftTender(Tender::of($way, $paid), $paid, $reference)],
                $rounding,
                note: "{$plan->label} settled early",
            );
            $receipt = $this->books->document($draft);
            HandOver::write($receipt, $till, $by);
            $this->ledger->enter($account, [new LedgerEntry($receipt, $draft)]);
            $parts = $plan->parts
                ->mapWithKeys(static fn (PlanPart $part): array => [$part->document_id => $part->item->open])
                ->all();
            $this->ledger->allocate(
                $account,
                $receipt,
                $parts,
                Setting::by($by, $day, $key, "{$plan->label} settled early"),
            );

            return $receipt;
        };

        return $this->books->post(
            Posting::under($key)
                ->locking(fn (): HouseAccount => $this->ledger->lock($plan->customer_id))
                ->writing($write),
        );
    }

    private function assertFine(PlanStanding $standing, Money $letOff, TenderKind $way, string $reference): void
    {
        match (true) {
            $standing->open->isZero() => throw Refused::because('settled', 'Nothing is open on this plan any more.'),
            $letOff->isNegative(), $letOff->exceeds($standing->chargeNotDue) => throw Refused::because(
                'let_off_too_large',
                'At most '
                    .Show::money($standing->chargeNotDue)
                    .' can be let off: the charge that lies in parts not due yet.',
            ),
            ! in_array($way, self::WAYS, true) => throw Refused::because(
                'bad_tender',
                'A plan is settled in cash, by cheque or by bank transfer here; by card at the counter.',
            ),
            $way !== TenderKind::Cash && $reference === '' => throw Refused::because(
                'reference_missing',
                'Type the cheque’s number, or what the bank says.',
            ),
            default => null,
        };
    }
}
