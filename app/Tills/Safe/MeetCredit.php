<?php

declare(strict_types=1);

namespace Elmstone\Tills\Safe;

use Carbon\CarbonImmutable;
use Elmstone\Books\Books;
use Elmstone\Books\Drafts\DraftTender;
use Elmstone\Books\Drafts\MoneyEntry;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Posting;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Tills\DrawerPosting;
use Illuminate\Support\Facades\DB;

/**
 * The bank has credited what was on its way. What it credited less or more stays on its way, in sight, until somebody
 * settles the difference with a reason, or the bank corrects it by another credit.
 */
final class MeetCredit
{
    public function __construct(
        private readonly Books $books,
        private readonly DrawerPosting $posting,
        private readonly Safe $safe,
    ) {
    }

    /**
     * @param  Money  $amount what the bank credited
     * @param  CarbonImmutable  $day on which it did
     * @param  int|null  $entry of a bank's file
     * @param  string  $key the same key posts once
     * @return int the document
     *
     * @throws Refused no_amount, met_already, day_closed, future_date, before_it_was_made
     */
    public function handle(
        Lodgement $lodgement,
        Money $amount,
        CarbonImmutable $day,
        Till $till,
        Staff $by,
        string $key,
        ?int $entry = null,
    ): int {
        $amount->isPositive() || throw Refused::because('no_amount', 'Type what the bank credited.');

        return $this->books->post(
            Posting::under($key)
                ->locking(fn () => $this->safe->hold($lodgement->location_id))
                ->writing(fn (): int => $this->credited($lodgement, $amount, $day, $till, $by, $key, $entry)),
        );
    }

    /**
     * What the bank credited less or more than was on its way is settled.
     *
     * @param  Money  $left what was seen to be on its way, and is settled
     * @return int the document
     *
     * @throws Refused reason_missing, not_credited_yet, met_already, other_figures
     */
    public function settle(Lodgement $lodgement, Money $left, string $reason, Till $till, Staff $by, string $key): int
    {
        $reason === '' && throw Refused::because('reason_missing', 'Write what explains the difference.');

        return $this->books->post(
            Posting::under($key)
                ->locking(fn () => $this->safe->hold($lodgement->location_id))
                ->writing(fn (): int => $this->settled($lodgement, $left, $reason, $till, $by, $key)),
        );
    }

    private function credited(
        Lodgement $lodgement,
        Money $amount,
        CarbonImmutable $day,
        Till $till,
        Staff $by,
        string $key,
        ?int $entry,
    ): int {
        $till->location->assertOpenOn($day);
        $lodgement->load('credits')->onTheWay()->isPositive()
            || throw Refused::because('met_already', "All of {$lodgement->document->label} has been credited.");
        $day->lessThan($lodgement->made_on)
            && throw Refused::because(
                'before_it_was_made',
                "{$lodgement->document->label} was made on {$lodgement->made_on->format('j M Y')}.",
            );
        $document = $this->books->document($this->posting->moving(
            PostedAt::till($till, $by->id, $day)->of($lodgement->location_id),
            MoneyEntry::drawer(Purpose::BankCredited, $amount),
            [new DraftTender(Tender::of(TenderKind::BankTransfer, $amount), $amount)],
            $key,
            '',
            $lodgement->document_id,
        ));
        $this->note($lodgement, $document, $amount, $entry);

        return $document;
    }

    private function settled(
        Lodgement $lodgement,
        Money $left,
        string $reason,
        Till $till,
        Staff $by,
        string $key,
    ): int {
        $lodgement->load('credits');
        $lodgement->credits->isEmpty()
            && throw Refused::because('not_credited_yet', 'The bank has credited nothing of it yet.');
        $now = $lodgement->onTheWay();
        $now->isZero() && throw Refused::because('met_already', 'There is no difference.');
        $now->equals($left)
            || throw Refused::because('met_already', "{$now->toString()} is on its way now. Look at it again.");
        $document = $this->books->document($this->posting->moving(
            PostedAt::till($till, $by->id)->of($lodgement->location_id),
            MoneyEntry::drawer($now->isPositive() ? Purpose::BankShort : Purpose::BankOver, $now->abs()),
            [],
            $key,
            $reason,
            $lodgement->document_id,
        ));
        $this->note($lodgement, $document, $now, null);

        return $document;
    }

    private function note(Lodgement $lodgement, int $document, Money $amount, ?int $entry): void
    {
        DB::table('lodgement_credits')->insert([
            'document_id' => $document,
            'lodgement_id' => $lodgement->id,
            'amount' => $amount,
            'bank_entry_id' => $entry,
        ]);
    }
}
