<?php

declare(strict_types=1);

namespace Elmstone\Tills\Safe;

use Carbon\CarbonImmutable;
use Elmstone\Books\Books;
use Elmstone\Books\Drafts\DraftTender;
use Elmstone\Books\Drafts\MoneyEntry;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Posting;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Tills\DrawerPosting;
use Illuminate\Support\Facades\DB;

/**
 * The acquirer pays out what the terminals took in some sessions, less its fee. From then on it is on its way to the
 * bank.
 */
final class PayOutCards
{
    public function __construct(
        private readonly Books $books,
        private readonly DrawerPosting $posting,
        private readonly Safe $safe,
        private readonly House $house,
    ) {
    }

    /**
     * @param  list<int>  $sessions whose batches it covers
     * @param  Money  $fee what the acquirer keeps
     * @param  string  $reference of the acquirer
     * @param  string  $key the same key posts once
     *
     * @throws Refused nothing_paid_out, batch_gone, fee_too_large, bad_amount, day_closed, future_date,
     *     before_it_was_made
     */
    public function handle(
        Till $till,
        array $sessions,
        Money $fee,
        string $reference,
        CarbonImmutable $day,
        Staff $by,
        string $key,
    ): Lodgement {
        $id = $this->books->post(
            Posting::under($key)
                ->locking(fn () => $this->safe->hold())
                ->writing(fn (): int => $this->write($till, $sessions, $fee, $reference, $day, $by, $key)),
        );

        return Lodgement::query()->where('document_id', $id)->firstOrFail();
    }

    /** @param  list<int>  $sessions */
    private function write(
        Till $till,
        array $sessions,
        Money $fee,
        string $reference,
        CarbonImmutable $day,
        Staff $by,
        string $key,
    ): int {
        $till->location->assertOpenOn($day);
        $sessions = array_values(array_unique($sessions));
        $batches = array_values(array_filter(
            $this->safe->batches(),
            static fn (CardBatch $batch): bool => in_array($batch->session, $sessions, true),
        ));

        if (count($batches) !== count($sessions)) {
            throw Refused::because('batch_gone', 'One of these batches has been paid out already. Look again.');
        }

        foreach ($batches as $batch) {
            $day->lessThan($batch->closedOn)
                && throw Refused::because(
                    'before_it_was_made',
                    "{$batch->label} was closed on {$batch->closedOn->format('j M Y')}: it was not paid out before.",
                );
        }

        $taken = Money::sum(array_column($batches, 'amount'), $this->house->currency());
        $taken->isPositive() || throw Refused::because('nothing_paid_out', 'Tick the batches that were paid out.');
        $fee->isNegative() && throw Refused::because('bad_amount', 'A fee cannot be below zero.');
        $taken->exceeds($fee)
            || throw Refused::because('fee_too_large', "The fee is as much as what was taken, {$taken->toString()}.");
        $document = $this->books->document($this->posting->moving(
            PostedAt::till($till, $by->id, $day),
            MoneyEntry::cardPayout($taken, $fee),
            [new DraftTender(Tender::of(TenderKind::Card, $taken), $taken)],
            $key,
            $reference,
        ));
        $lodgement = DB::table('lodgements')->insertGetId([
            'document_id' => $document,
            'location_id' => $till->location_id,
            'kind' => Lodgement::CARD_PAYOUT,
            'made_on' => $day->format('Y-m-d'),
            'cards' => $taken,
            'fee' => $fee,
            'amount' => $taken->minus($fee),
            'reference' => mb_substr($reference, 0, 60),
        ]);
        DB::table('lodgement_batches')->insert(array_map(
            static fn (int $session): array => ['session_id' => $session, 'lodgement_id' => $lodgement],
            $sessions,
        ));

        return $document;
    }
}
