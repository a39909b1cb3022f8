<?php

declare(strict_types=1);

namespace Elmstone\Ledger;

use Carbon\CarbonImmutable;
use Elmstone\Books\Account;
use Elmstone\Books\Books;
use Elmstone\Books\Chart;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentApprovals;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Posting;
use Elmstone\Books\Purpose;
use Elmstone\Core\Approvals\ApprovalKind;
use Elmstone\Core\Approvals\Scope;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Slip\RefusedOnLine;
use Elmstone\MoneyOut\Gate;
use Elmstone\MoneyOut\HandBack;
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
 * An entry by hand: account by account, balanced, always by two people. What the house keeps by customer, card, item,
 * drawer or supplier is not entered so: it would no longer be the sum of what it is made of.
 */
final class PostEntry
{
    public function __construct(
        private readonly Books $books,
        private readonly HandBack $back,
        private readonly Gate $gate,
        private readonly Limits $limits,
        private readonly LedgerDraft $drafts,
        private readonly House $house,
    ) {
    }

    /**
     * @param  list<EntryRow>  $rows
     * @return int the document's id
     *
     * @throws Refused no_rows, no_such_account, kept_by_itself, one_side, not_balanced, reason_missing, future_date,
     *     day_closed, and what needs approval
     */
    public function handle(
        array $rows,
        CarbonImmutable $day,
        string $reason,
        string $key,
        Till $till,
        Staff $by,
        ?GivenApproval $given,
    ): int {
        $reason === '' && throw Refused::because('reason_missing', 'Write what the entry is for: that is kept.');
        $postings = $this->postings($rows);

        return $this->post($postings, $day, $reason, $key, $till, $by, $given, null);
    }

    /**
     * Takes an entry back by another that is its mirror.
     *
     * @throws Refused not_an_entry, taken_back, reason_missing, and what needs approval
     */
    public function takeBack(
        Document $entry,
        string $reason,
        string $key,
        Till $till,
        Staff $by,
        ?GivenApproval $given,
    ): int {
        $entry->purpose === Purpose::ByHand
            || throw Refused::because('not_an_entry', "{$entry->label} is no entry by hand.");
        $reason === '' && throw Refused::because('reason_missing', 'Write why it is taken back: that is kept.');

        return $this->post(
            LedgerDraft::mirrored($entry->loadMissing('journal')),
            ShopTime::today(),
            "Takes back {$entry->label}: {$reason}",
            $key, $till, $by, $given, $entry,
        );
    }

    /** @param  list<array{string, Money}>  $postings */
    private function post(
        array $postings,
        CarbonImmutable $day,
        string $reason,
        string $key,
        Till $till,
        Staff $by,
        ?GivenApproval $given,
        ?Document $takesBack,
    ): int {
        $day->startOfDay()->greaterThan(ShopTime::today())
            && throw Refused::because('future_date', Show::date($day).' is still to come.');

        return $this->books->post(
            Posting::under($key)
                ->locking(fn () => $this->lock($by, $takesBack))
                ->writing(function () use ($postings, $day, $reason, $key, $till, $by, $given, $takesBack): int {
                    $takesBack === null || $this->assertStands($takesBack);
                    $draft = $this->drafts->of(
                        Purpose::ByHand, $postings, PostedAt::till($till, $by->id, $day), $key, $reason,
                        $takesBack?->id,
                    );
                    $allowed = $this->back->allow($by, $given, [$this->need($draft->total(), $reason)]);
                    $document = $this->books->document($draft);
                    DocumentApprovals::keep($document, $allowed);

                    return $document;
                }),
        );
    }

    private function lock(Staff $by, ?Document $entry): void
    {
        $this->gate->lock($by);
        $entry === null || Document::query()->whereKey($entry->id)->lockForUpdate()->firstOrFail();
    }

    private function assertStands(Document $entry): void
    {
        $by = Document::query()->where('refers_to_id', $entry->id)->where('purpose', Purpose::ByHand)->value('label');
        is_string($by) && throw Refused::because('taken_back', "{$entry->label} is taken back by {$by} already.");
    }

    /**
     * @param  list<EntryRow>  $rows
     * @return list<array{string, Money}>
     */
    private function postings(array $rows): array
    {
        count($rows) >= 2 || throw Refused::because('no_rows', 'An entry has at least two rows.');
        $postings = [];
        $sum = $this->house->money(0);

        foreach ($rows as $i => $row) {
            $postings[] = [$this->account($row, $i), $row->debit->minus($row->credit)];
            $sum = $sum->plus($row->debit)->minus($row->credit);
        }

        return $sum->isZero()
            ? $postings
            : throw Refused::because(
                'not_balanced',
                Show::money($sum->abs()).' is missing on the '.($sum->isPositive() ? 'credit' : 'debit').' side.',
            );
    }

    private function account(EntryRow $row, int $place): string
    {
        $account = Account::query()->where('number', $row->account)->orWhere('code', $row->account)->first();

        return match (true) {
            $account === null => throw RefusedOnLine::at(
                $place, Refused::because('no_such_account', "There is no account “{$row->account}”."),
            ),
            Chart::isKept($account->code) => throw RefusedOnLine::at($place, Refused::because(
                'kept_by_itself',
                "“{$account->name}” is the sum of what is kept one by one, and is not entered by hand.",
            )),
            $row->debit->isZero() === $row->credit->isZero() => throw RefusedOnLine::at(
                $place, Refused::because('one_side', 'Type an amount on one side.'),
            ),
            default => $account->code,
        };
    }

    private function need(Money $amount, string $reason): Need
    {
        return new Need(
            'entry',
            Scope::of(ApprovalKind::Journal)->naming('entry', $reason)->upTo('amount', $amount),
            Refused::because(
                'needs_two',
                'An entry by hand takes two people: another one allows it below. '
                    .$this->limits->whoMayApprove(LimitMatter::Journal, $amount),
            ),
            "Journal entry of {$amount->toString()}: {$reason}",
            LimitMatter::Journal,
            $amount,
        );
    }
}
