<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Payments;

use Carbon\CarbonImmutable;
use Elmstone\Books\Books;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\DocumentTender;
use Elmstone\Books\Drafts\DraftTender;
use Elmstone\Books\Drafts\MoneyEntry;
use Elmstone\Books\Drafts\Party;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Posting;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Receivables\ItemKind;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Customers\Customer;
use Elmstone\Customers\RefusedWays;
use Elmstone\MoneyOut\Brought;
use Elmstone\MoneyOut\Way;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Accounts\ManageAccount;
use Elmstone\Receivables\Adjustments\SmallDifferences;
use Elmstone\Receivables\Ledger\AccountItems;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Receivables\Ledger\LedgerEntry;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Receivables\Ledger\PaymentDraft;
use Elmstone\Receivables\Ledger\Setting;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Illuminate\Database\Eloquent\Collection;

/**
 * A cheque bounced, or the bank or the card's issuer took money back: what it paid is owed again, and a fee may be
 * charged. On a receipt or on a sale, also where cash paid part of it. What is still held by it, a deposit, a layaway's
 * payment, a gift card's worth, is not held any more; everything else is owed on the customer's account, or, where they
 * have none, as a claim on one that is opened on stop. The document stays as it is; another takes the payment back.
 */
final class ReturnPayment
{
    public const RETURNABLE = [TenderKind::Cheque, TenderKind::BankTransfer, TenderKind::Card];

    /** @param  iterable<TakesBackHeld>  $others */
    public function __construct(
        private readonly House $house,
        private readonly Books $books,
        private readonly Ledger $ledger,
        private readonly PaymentDraft $drafts,
        private readonly ManageAccount $accounts,
        private readonly SmallDifferences $differences,
        private readonly iterable $others = [],
    ) {
    }

    /**
     * @param  Document  $paid a receipt or a sale's invoice
     * @param  TenderKind|null  $which what came back, where several kinds could; null: the only one
     * @param  Customer|null  $owes who owes it, where the document names nobody
     * @return int the document's id
     *
     * @throws Refused not_a_payment, already_returned, not_returnable, which_missing, customer_missing, bad_amount,
     *     reason_missing, before_payment, day_closed
     */
    public function handle(
        Document $paid,
        Money $fee,
        string $reason,
        CarbonImmutable $day,
        string $key,
        Till $till,
        Staff $by,
        ?TenderKind $which = null,
        ?Customer $owes = null,
    ): int {
        if (! self::isPayment($paid)) {
            throw Refused::because('not_a_payment', "{$paid->label} is not a payment that can come back.");
        }

        $customer = OpenItemRecord::query()->whereKey($paid->id)->value('customer_id') ?? ($paid->customer_id
            ?? $owes?->id);
        is_int($customer)
            || throw Refused::because(
                'customer_missing',
                'Nobody is named on it. Say which customer owes it now: type their number, or make one of the name on '
                    .'the cheque.',
            );
        $person = Customer::query()->findOrFail($customer);

        $lock = function () use ($person, $paid): ?HouseAccount {
            $account = $this->ledger->lockIfAny($person->id);

            foreach ($this->others as $other) {
                $other->lock($paid);
            }

            RefusedWays::lock($person->id);

            return $account;
        };
        $write = function (?HouseAccount $account) use (
            $person, $paid, $fee, $reason, $day, $key, $till, $by, $which,
        ): int {
            $till->location->assertOpenOn($day);
            $this->assertReturnable($paid, $fee, $reason, $day);

            return $this->post(
                $account, $person, $paid, $this->bounced($paid, $which), $fee, $reason, $day, $key, $till, $by,
            );
        };

        return $this->books->post(Posting::under($key)->locking($lock)->writing($write));
    }

    public static function isPayment(Document $paid): bool
    {
        return $paid->purpose === Purpose::Payment
            || ($paid->purpose === Purpose::Sale && $paid->kind === DocumentKind::Invoice);
    }

    private function assertReturnable(Document $paid, Money $fee, string $reason, CarbonImmutable $day): void
    {
        match (true) {
            $fee->isNegative() => throw Refused::because('bad_amount', 'A fee cannot be below zero.'),
            trim($reason) === '' => throw Refused::because(
                'reason_missing',
                'Say why it came back: the reason is kept.',
            ),
            $day->lessThan($paid->business_date) => throw Refused::because(
                'before_payment',
                "It cannot come back before it was paid on {$paid->business_date->format('j M Y')}.",
            ),
            Document::query()
                ->where('refers_to_id', $paid->id)
                ->whereIn('purpose', Purpose::takingPaymentsBack())
                ->exists() => throw Refused::because('already_returned', "{$paid->label} was taken back already."),
            default => null,
        };
    }

    /**
     * @return Collection<int, DocumentTender> of the kind that came back
     *
     * @throws Refused not_returnable, which_missing
     */
    private function bounced(Document $paid, ?TenderKind $which): Collection
    {
        $could = $paid->tenders->filter(
            static fn (DocumentTender $tender): bool => in_array($tender->kind, self::RETURNABLE, true)
                && ($which === null || $tender->kind === $which),
        );
        $kinds = $could->map(static fn (DocumentTender $tender): string => $tender->kind->value)->unique();

        return match (true) {
            $could->isEmpty() => throw Refused::because('not_returnable', 'Cash does not bounce; pay it out instead.'),
            $kinds->count() > 1 => throw Refused::because(
                'which_missing',
                'It was paid by '
                    .$kinds
                        ->map(static fn (string $kind): string => mb_strtolower(TenderKind::from($kind)->label()))
                        ->implode(' and ')
                    .'. Say which came back.',
            ),
            default => $could,
        };
    }

    /** @param  Collection<int, DocumentTender>  $bounced */
    private function post(
        ?HouseAccount $account,
        Customer $person,
        Document $paid,
        Collection $bounced,
        Money $fee,
        string $reason,
        CarbonImmutable $day,
        string $key,
        Till $till,
        Staff $by,
    ): int {
        $setting = Setting::by($by, $day, $key, "{$paid->label} came back: {$reason}");
        $parts = $this->parts($paid, $bounced);
        $held = $this->held($paid, $parts);
        $isOnAccount = $account !== null && $paid->purpose === Purpose::Payment && $parts['account']->isPositive();
        $standing = $isOnAccount ? SpreadCredit::standing($paid->id) : new Collection;
        $discount = Money::sum($standing->pluck('discount'), $this->house->currency());
        $amount = Money::sum($bounced->pluck('amount'), $this->house->currency());
        $entry = MoneyEntry::returned($amount, $discount, $fee, $held);
        $account ??= $entry->onAccount()->isPositive()
            ? $this->accounts->claim($person, "{$paid->label} came back", $by)
            : null;
        $isOnAccount && $account !== null && $this->ledger->takeBack($account, $standing, $setting);
        $draft = $this->drafts->draft(
            DocumentKind::Adjustment,
            $entry,
            PostedAt::till($till, $by->id, $day),
            new Party(
                $person->id,
                $person->name,
                due: $day,
                balanceBefore: $account === null || $entry->onAccount()->isZero()
                    ? null
                    : $account->balance,
            ),
            $key,
            array_values(
                $bounced
                    ->map(
                        static fn (DocumentTender $tender): DraftTender => new DraftTender(
                            Tender::of($tender->kind, $tender->amount),
                            $tender->amount,
                            $tender->reference,
                            $tender->card_type,
                            $tender->last_four,
                            $tender->authorisation,
                        ),
                    )
                    ->all(),
            ),
            note: mb_substr($reason, 0, 255),
            refersTo: $paid->id,
        );
        $document = $this->books->document($draft);
        $this->refuseMore($person, $bounced, $day, $by);

        if ($account !== null) {
            $this->ledger->enter($account, [new LedgerEntry($document, $draft)]);
            $this->differences->oweAgain($account, $paid->id, $draft->at, $setting);
            $isOnAccount
                && $this->spreadAgain($account, $paid, $document, $parts['account']->plus($discount), $setting);
        }

        foreach ($this->others as $other) {
            $other->takeBack($paid, $document, $held[$other->kind()->value] ?? $this->house->money(0), $day);
        }

        return $document;
    }

    /** @param  Collection<int, DocumentTender>  $bounced */
    private function refuseMore(Customer $person, Collection $bounced, CarbonImmutable $day, Staff $by): void
    {
        $cheque = $bounced->firstWhere('kind', TenderKind::Cheque);

        if ($cheque !== null && $this->house->shop()->refuse_after_bounce) {
            RefusedWays::add(
                $person->id,
                TenderKind::Cheque,
                "number {$cheque->reference} of {$cheque->amount->toString()} came back on {$day->format('j M Y')}",
                $by,
            );
        }
    }

    /** What bounced of the payment meets what is owed again for it; what did not bounce pays the oldest. */
    private function spreadAgain(
        HouseAccount $account,
        Document $paid,
        int $return,
        Money $bounced,
        Setting $setting,
    ): void {
        $this->ledger->allocate($account, $paid->id, [$return => $bounced], $setting);
        $left = OpenItemRecord::query()->findOrFail($paid->id)->open;

        if ($left->isPositive()) {
            $items = AccountItems::open(
                $account->customer_id,
                ItemKind::Charge,
                $this->house,
                $setting->day,
            )->withoutDiscounts();
            $this->ledger->allocate($account, $paid->id, $items->parts($items->spread($left)), $setting);
        }
    }

    /**
     * What of each part the bounced tenders had paid.
     *
     * @param  Collection<int, DocumentTender>  $bounced
     * @return array<string, Money> by 'account' and kinds of held money
     */
    private function parts(Document $paid, Collection $bounced): array
    {
        $ways = array_unique(
            array_map(
                static fn (DocumentTender $tender): string => Way::of($tender->kind, $tender->authorisation)->key(),
                $bounced->all(),
            ),
        );
        $byPart = $paid->purpose === Purpose::Payment ? Brought::byPart($paid) : ['account' => Brought::ways($paid)];

        return array_map(
            fn (array $part): Money => Money::sum(
                array_intersect_key($part, array_flip($ways)),
                $this->house->currency(),
            ),
            $byPart,
        );
    }

    /**
     * @param  array<string, Money>  $parts
     * @return array<string, Money> what of each kind is still held
     */
    private function held(Document $paid, array $parts): array
    {
        $held = [];

        foreach ($paid->purpose === Purpose::Payment ? $this->others : [] as $other) {
            $part = $parts[$other->kind()->value] ?? $this->house->money(0);
            $held[$other->kind()->value] = Money::min($part, $other->room($paid));
        }

        return $held;
    }
}
