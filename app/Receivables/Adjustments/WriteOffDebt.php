<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Adjustments;

use Elmstone\Books\Accounts;
use Elmstone\Books\Books;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentApprovals;
use Elmstone\Books\DocumentTax;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\JournalRow;
use Elmstone\Books\Posting;
use Elmstone\Books\Purpose;
use Elmstone\Core\Approvals\ApprovalKind;
use Elmstone\Core\Approvals\Scope;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Receivables\ItemKind;
use Elmstone\MoneyOut\Gate;
use Elmstone\MoneyOut\HandBack;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Receivables\Ledger\Setting;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Approvals\GivenApproval;
use Elmstone\Staff\Approvals\LimitMatter;
use Elmstone\Staff\Approvals\Limits;
use Elmstone\Staff\Approvals\Need;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Show;

/**
 * Writes off what nobody will pay: what is open of an invoice is credited against bad debt, and, where the shop claims
 * the tax back, its part of the tax against each tax. If it is paid after all, it is owed again first, and the payment
 * meets it. What one may write off alone is limited.
 */
final class WriteOffDebt
{
    public function __construct(
        private readonly Books $books,
        private readonly Ledger $ledger,
        private readonly AdjustAccount $adjust,
        private readonly HandBack $back,
        private readonly Limits $limits,
        private readonly Gate $gate,
        private readonly House $house,
    ) {
    }

    /**
     * @param  int  $charge document id
     * @return int the document's id
     *
     * @throws Refused not_open, bad_amount, reason_missing, day_closed, and what needs approval
     */
    public function handle(
        int $customer,
        int $charge,
        Money $amount,
        string $reason,
        string $key,
        Till $till,
        Staff $by,
        ?GivenApproval $given,
    ): int {
        $reason !== '' || throw Refused::because('reason_missing', 'Write why nobody will pay it: that is kept.');
        $amount->isPositive() || throw Refused::because('bad_amount', 'Type how much is written off.');

        return $this->books->post(
            Posting::under($key)
                ->locking(function () use ($customer, $by): HouseAccount {
                    $this->gate->lock($by);

                    return $this->ledger->lock($customer);
                })
                ->writing(function (HouseAccount $account) use (
                    $charge, $amount, $reason, $key, $till, $by, $given,
                ): int {
                    $item = $this->open($account, $charge, $amount);
                    $allowed = $this->back->allow($by, $given, $this->needs($by, $item, $amount));
                    $day = ShopTime::today();
                    $document = $this->adjust->post(
                        $account,
                        Purpose::BadDebt,
                        $amount->negated(),
                        $this->against($charge, $amount),
                        PostedAt::till($till, $by->id, $day),
                        $key,
                        "{$item->label}: {$reason}",
                        $charge,
                    );
                    $this->ledger->allocate(
                        $account, $document, [$charge => $amount], Setting::by($by, $day, $key, $reason),
                    );
                    DocumentApprovals::keep($document, $allowed);

                    return $document;
                }),
        );
    }

    private function open(HouseAccount $account, int $charge, Money $amount): OpenItemRecord
    {
        $item = OpenItemRecord::query()
            ->where('customer_id', $account->customer_id)
            ->where('document_id', $charge)
            ->where('kind', ItemKind::Charge)
            ->lockForUpdate()
            ->first() ?? throw Refused::because('not_open', 'There is no such item on this account.');

        return $amount->exceeds($item->open)
            ? throw Refused::because('bad_amount', 'Only '.Show::money($item->open)." of {$item->label} is open.")
            : $item;
    }

    /** @return list<array{string, Money}> tax in proportion, where it is claimed back, and bad debt for the rest */
    private function against(int $charge, Money $amount): array
    {
        $postings = [];
        $left = $amount;
        $document = Document::query()->with('taxes')->findOrFail($charge);

        if ($this->house->shop()->bad_debt_tax && $document->total->isPositive()) {
            foreach ($document->taxes as $tax) {
                /** @var DocumentTax $tax */
                $part = $tax->amount->apportionBy([$amount, $document->total->minus($amount)->orNothing()])[0];
                $postings[] = [Accounts::tax($tax->component), $part];
                $left = $left->minus($part);
            }
        }

        return [[Accounts::BAD_DEBT, $left], ...$postings];
    }

    /** By what it is of one document, of one debt and of a day, so that no limit stretches by writing off in parts. */
    private function mayAlone(Staff $by, OpenItemRecord $item, Money $amount): bool
    {
        $limit = $this->limits->of($by->roleHere(), LimitMatter::BadDebt);
        $before = Document::query()->where('purpose', Purpose::BadDebt)->where('staff_id', $by->id);
        $ofIt = (int) (clone $before)->where('refers_to_id', $item->document_id)->sum('total');
        $ofDay = (int) $before->where('business_date', ShopTime::today())->sum('total');

        return $limit->allows($amount)
            && ($limit->perOriginal === null
                || ! $amount->plus($this->house->money($ofIt))->exceeds($limit->perOriginal))
            && ($limit->perDay === null || ! $amount->plus($this->house->money($ofDay))->exceeds($limit->perDay));
    }

    /** @return list<Need> */
    private function needs(Staff $by, OpenItemRecord $item, Money $amount): array
    {
        return $this->mayAlone($by, $item, $amount) ? [] : [new Need(
            'bad-debt',
            Scope::of(ApprovalKind::BadDebt)->naming('item', $item->label)->upTo('amount', $amount),
            Refused::because(
                'over_limit',
                'That is more than you may write off. '
                    .$this->limits->whoMayApprove(LimitMatter::BadDebt, $amount),
            ),
            "Bad debt: {$amount->toString()} of {$item->label}",
            LimitMatter::BadDebt,
            $amount,
        )];
    }

    /** What of an account is written off and not owed again. */
    public static function standing(int $customer, House $house): Money
    {
        return $house->money((int) OpenItemRecord::query()
            ->where('customer_id', $customer)
            ->where('purpose', Purpose::BadDebt)
            ->whereNotIn('document_id', Document::query()
                ->where('purpose', Purpose::DebtRevived)
                ->whereNotNull('refers_to_id')
                ->select('refers_to_id'))
            ->sum('amount'));
    }

    /**
     * It will be paid after all: so much is owed again, so that the payment can meet it.
     *
     * @throws Refused not_written_off, owed_again
     */
    public function owedAgain(Document $writtenOff, string $key, Till $till, Staff $by): int
    {
        $customer = OpenItemRecord::query()->whereKey($writtenOff->id)->where('purpose', Purpose::BadDebt)
            ->value('customer_id');
        is_int($customer)
            || throw Refused::because('not_written_off', "{$writtenOff->label} wrote off no debt.");

        return $this->books->post(
            Posting::under($key)
                ->locking(fn (): HouseAccount => $this->ledger->lock($customer))
                ->writing(function (HouseAccount $account) use ($writtenOff, $key, $till, $by): int {
                    $before = Document::query()->where('refers_to_id', $writtenOff->id)
                        ->where('purpose', Purpose::DebtRevived)->value('label');
                    is_string($before) && throw Refused::because(
                        'owed_again', "It is owed again by {$before} already.",
                    );

                    return $this->adjust->post(
                        $account,
                        Purpose::DebtRevived,
                        $writtenOff->total,
                        array_values($writtenOff->load('journal')->journal
                            ->reject(static fn (JournalRow $row): bool => $row->account === Accounts::RECEIVABLES)
                            ->map(static fn (JournalRow $row): array => [
                                $row->account, $row->credit->minus($row->debit),
                            ])
                            ->all()),
                        PostedAt::till($till, $by->id, ShopTime::today()),
                        $key,
                        "Owed again: {$writtenOff->label}",
                        $writtenOff->id,
                        ShopTime::today(),
                    );
                }),
        );
    }
}
