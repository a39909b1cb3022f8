<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Payments;

use Elmstone\Books\Accounts;
use Elmstone\Books\Books;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentApprovals;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\JournalRow;
use Elmstone\Books\Posting;
use Elmstone\Books\Purpose;
use Elmstone\Core\Approvals\ApprovalKind;
use Elmstone\Core\Approvals\Scope;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\MoneyOut\Gate;
use Elmstone\MoneyOut\HandBack;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Adjustments\AdjustAccount;
use Elmstone\Receivables\Adjustments\SmallDifferences;
use Elmstone\Receivables\Ledger\AllocationRecord;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Receivables\Ledger\Setting;
use Elmstone\Shop\Till;
use Elmstone\Staff\Approvals\GivenApproval;
use Elmstone\Staff\Approvals\LimitMatter;
use Elmstone\Staff\Approvals\Limits;
use Elmstone\Staff\Approvals\Need;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Show;
use Illuminate\Database\Eloquent\Collection;
use Ramsey\Uuid\Uuid;

/**
 * Undoes, on a later day, a payment on account that was posted and never came: what it met is owed again. No money
 * moves. Its cash or cheques were missing when the drawer was counted, so they are taken off what was over and short;
 * a transfer is taken off the bank. Another person allows it, and sees how the drawer came out. Once per receipt: the
 * document's key follows from it.
 */
final readonly class UndoPayment
{
    /** Where what never came is missed, by the account it was posted to. */
    private const MISSED_ON = [
        'cash' => Accounts::OVER_SHORT,
        'cheques' => Accounts::OVER_SHORT,
        Accounts::BANK => Accounts::BANK,
        Accounts::SETTLEMENT_DISCOUNTS => Accounts::SETTLEMENT_DISCOUNTS,
        Accounts::CASH_ROUNDING => Accounts::CASH_ROUNDING,
    ];

    public function __construct(
        private Books $books,
        private Ledger $ledger,
        private AdjustAccount $adjust,
        private SmallDifferences $differences,
        private HandBack $back,
        private Gate $gate,
        private Limits $limits,
    ) {
    }

    /**
     * @return int the document's id
     *
     * @throws Refused not_a_payment, of_today, reason_missing, already_returned, moved_on, money_came, day_closed, and
     *     what needs approval
     */
    public function handle(Document $receipt, string $reason, Till $till, Staff $by, ?GivenApproval $given): int
    {
        $customer = OpenItemRecord::query()->whereKey($receipt->id)->where('purpose', Purpose::Payment)
            ->value('customer_id');
        is_int($customer)
            || throw Refused::because('not_a_payment', "{$receipt->label} is no payment on an account.");
        $key = Uuid::uuid5(Uuid::fromString($receipt->idempotency_key), 'posted in error')->toString();

        return $this->books->post(
            Posting::under($key)
                ->locking(function () use ($customer, $by): HouseAccount {
                    $this->gate->lock($by);

                    return $this->ledger->lock($customer);
                })
                ->writing(function (HouseAccount $account) use ($receipt, $reason, $key, $till, $by, $given): int {
                    $till->location->assertOpenOn(ShopTime::today());
                    $standing = SpreadCredit::standing($receipt->id);
                    $this->assertCanBeUndone($receipt, $reason, $standing);
                    $missed = $this->missed($receipt->load('journal'));
                    $allowed = $this->back->allow($by, $given, [$this->need($receipt)]);
                    $setting = Setting::by($by, ShopTime::today(), $key, "{$receipt->label} never came: {$reason}");
                    $this->ledger->takeBack($account, $standing, $setting);
                    $item = OpenItemRecord::query()->lockForUpdate()->findOrFail($receipt->id);
                    $at = PostedAt::till($till, $by->id, ShopTime::today());
                    $document = $this->adjust->post(
                        $account, Purpose::PostedInError, $item->amount, $missed, $at, $key, $reason, $receipt->id,
                        ShopTime::today(),
                    );
                    $this->ledger->allocate($account, $receipt->id, [$document => $item->amount], $setting);
                    $this->differences->oweAgain($account, $receipt->id, $at, $setting);
                    DocumentApprovals::keep($document, $allowed);

                    return $document;
                }),
        );
    }

    /** @param  Collection<int, AllocationRecord>  $standing */
    private function assertCanBeUndone(Document $receipt, string $reason, Collection $standing): void
    {
        trim($reason) === '' && throw Refused::because('reason_missing', 'Say what was wrong: the reason is kept.');
        ShopTime::isToday($receipt->business_date) && throw Refused::because(
            'of_today', "{$receipt->label} is of today: take the receipt back instead, and its money with it.",
        );
        self::undone($receipt) === null
            || throw Refused::because('already_returned', "{$receipt->label} was taken back or paid out already.");
        $moved = Document::query()
            ->where('refers_to_id', $receipt->id)
            ->where('purpose', Purpose::MovedOn)
            ->whereIn('id', $standing->pluck('charge_id'))
            ->value('label');
        is_string($moved) && throw Refused::because(
            'moved_on', "Some of it stands on another account by {$moved}. Move that back first.",
        );
    }

    /** What took it back or paid it out before; null: nothing did. */
    public static function undone(Document $receipt): ?Document
    {
        return Document::query()
            ->where('refers_to_id', $receipt->id)
            ->whereIn('purpose', [...Purpose::takingPaymentsBack(), Purpose::CreditPaidOut])
            ->first();
    }

    /**
     * @param  Document  $receipt with its journal
     * @return list<array{string, Money}> accounts, and what is debited on each
     */
    private function missed(Document $receipt): array
    {
        $missed = [];

        foreach ($receipt->journal as $row) {
            /** @var JournalRow $row */
            if ($row->account !== Accounts::RECEIVABLES) {
                $missed[] = [
                    self::MISSED_ON[$row->account] ?? throw Refused::because(
                        'money_came',
                        $row->account === 'card_clearing'
                            ? 'A card was charged for it, so its money came: pay it back to the card.'
                            : "{$receipt->label} brought in more than a payment on account. Pay back what is held "
                                .'of it, and what is unused of the rest.',
                    ),
                    $row->credit->minus($row->debit),
                ];
            }
        }

        return $missed;
    }

    private function need(Document $receipt): Need
    {
        return new Need(
            'undo',
            Scope::of(ApprovalKind::Void)->naming('receipt', $receipt->id)->upTo('money', $receipt->total),
            Refused::because(
                'void',
                'That a payment never came is for two to say. '
                    .$this->limits->whoMayApprove(LimitMatter::Void, $receipt->total),
            ),
            "{$receipt->label} over {$receipt->total->toString()} of ".Show::date($receipt->business_date)
                ." undone: it never came; {$this->drawer($receipt)}",
            LimitMatter::Void,
            $receipt->total,
        );
    }

    /** How the drawer it went through came out, for who allows it. */
    private function drawer(Document $receipt): string
    {
        $off = $receipt->session_id === null ? null : Document::query()
            ->where('session_id', $receipt->session_id)
            ->whereIn('purpose', [Purpose::TillOver, Purpose::TillShort])
            ->first();

        return $off === null
            ? 'no difference was found in its drawer'
            : 'its drawer was '.Show::money($off->total).($off->purpose === Purpose::TillShort ? ' short' : ' over');
    }
}
