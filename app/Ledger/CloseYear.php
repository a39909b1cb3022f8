<?php

declare(strict_types=1);

namespace Elmstone\Ledger;

use Carbon\CarbonImmutable;
use Elmstone\Books\Account;
use Elmstone\Books\Accounts;
use Elmstone\Books\Books;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Figures\LedgerDays;
use Elmstone\Books\Posting;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Shop\House;
use Elmstone\Shop\Shop;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Show;
use Illuminate\Support\Facades\DB;

/**
 * Closes a year: a document on its last day puts what income, cost and expense came to onto retained earnings. When
 * all its months are closed, one year after the other. Opened again by the document that takes it
 * back, the last one only.
 */
final class CloseYear
{
    public function __construct(
        private readonly Books $books,
        private readonly LedgerDays $days,
        private readonly LedgerDraft $drafts,
        private readonly House $house,
    ) {
    }

    /**
     * @return list<int> the documents, one for each location that had anything
     *
     * @throws Refused not_over, not_next, months_open
     */
    public function handle(CarbonImmutable $end, string $key, Till $till, Staff $by): array
    {
        return $this->books->post(
            Posting::under($key)
                ->locking($this->lock(...))
                ->unless(fn (Shop $shop): ?array => $this->before($end, $key))
                ->writing(fn (Shop $shop): array => $this->write($shop, $end, $key, $till, $by)),
        );
    }

    /** The series first, as everybody who posts takes it before the shop's days. */
    private function lock(): Shop
    {
        $this->books->holding(DocumentKind::Adjustment);

        return Shop::query()->lockForUpdate()->firstOrFail();
    }

    /** @return list<int>|null */
    private function before(CarbonImmutable $end, string $key): ?array
    {
        $found = Document::query()->where('idempotency_key', $key)->value('id');

        return is_int($found) ? [$found] : null;
    }

    /** @return list<int> */
    private function write(Shop $shop, CarbonImmutable $end, string $key, Till $till, Staff $by): array
    {
        $next = Years::next($shop, ShopTime::today());

        $months = $shop->months_closed_through;

        match (true) {
            $next === null => throw Refused::because('not_over', 'No year is over that is not closed.'),
            ! $next->isSameDay($end) => throw Refused::because(
                'not_next', 'The year that is closed next ends on '.Show::date($next).'.',
            ),
            $months === null || $months->lessThan($end) => throw Refused::because(
                'months_open',
                'Close all months of the year first, through '.Show::date($end).'.',
            ),
            default => null,
        };
        $postings = $this->postings($end);
        $document = $this->books->document($this->drafts->of(
            Purpose::YearEnd,
            $postings,
            PostedAt::till($till, $by->id, $end),
            $key,
            "Year that ends on {$end->format('j M Y')}",
        ));
        DB::table('years')->insert(['ends_on' => $end->format('Y-m-d'), 'document_id' => $document]);
        $shop->update(['years_closed_through' => $end]);

        return [$document];
    }

    /** @return list<array{string, Money}> every account of profit against retained earnings */
    private function postings(CarbonImmutable $end): array
    {
        $moved = $this->days->between(null, $end, null);
        $postings = [];

        foreach (Account::query()->orderBy('number')->get() as $account) {
            [$debit, $credit] = $moved[$account->code] ?? [0, 0];
            $balance = $this->house->money($debit - $credit);

            if ($account->kind->isOfProfit() && ! $balance->isZero()) {
                $postings[] = [$account->code, $balance->negated()];
                $postings[] = [Accounts::RETAINED, $balance];
            }
        }

        return $postings === []
            ? throw Refused::because('nothing_moved', 'Nothing was earned or spent in this year: there is nothing to '
                .'close.')
            : $postings;
    }

    /**
     * @throws Refused reason_missing, not_closed
     */
    public function reopen(string $reason, string $key, Till $till, Staff $by): int
    {
        $reason === '' && throw Refused::because('reason_missing', 'Write why it is opened again: that is kept.');

        return $this->books->post(
            Posting::under($key)
                ->locking($this->lock(...))
                ->writing(fn (Shop $shop): int => $this->takeBack($shop, $reason, $key, $till, $by)),
        );
    }

    private function takeBack(Shop $shop, string $reason, string $key, Till $till, Staff $by): int
    {
        $year = DB::table('years')->whereNull('reopened_by_id')->orderByDesc('ends_on')->first()
            ?? throw Refused::because('not_closed', 'No year is closed.');
        $closing = Document::query()->with('journal')->whereKey($year->document_id)->firstOrFail();
        $end = CarbonImmutable::parse((string) $year->ends_on);
        $document = $this->books->document($this->drafts->of(
            Purpose::YearReopened,
            LedgerDraft::mirrored($closing),
            PostedAt::till($till, $by->id, $end),
            $key,
            $reason,
            $closing->id,
        ));
        DB::table('years')->where('id', $year->id)->update([
            'reopened_by_id' => $document,
            'reason' => mb_substr($reason, 0, 255),
        ]);
        $before = DB::table('years')->whereNull('reopened_by_id')->max('ends_on');
        $shop->update(['years_closed_through' => $before]);

        return $document;
    }
}
