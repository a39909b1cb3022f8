<?php

declare(strict_types=1);

namespace Elmstone\Tills\Safe;

use Elmstone\Books\Accounts;
use Elmstone\Books\Document;
use Elmstone\Books\Figures\Balances;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Shop\Location;
use Elmstone\Tills\SessionState;
use Elmstone\Tills\TillSession;
use Illuminate\Database\Eloquent\Collection as Models;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/** What lies in a safe, and what of it and of the cards is on its way to the bank. */
final class Safe
{
    public function __construct(private readonly Balances $balances)
    {
    }

    /**
     * So that two who empty it, or meet the bank's credit, follow each other. In a transaction, before the series.
     *
     * @param  int|null  $location null: all of them
     */
    public function hold(?int $location = null): void
    {
        $held = static fn (): Collection => DB::table('safes')
            ->when($location !== null, static fn ($safes) => $safes->where('location_id', $location))
            ->orderBy('location_id')
            ->lockForUpdate()
            ->pluck('location_id');

        if ($held()->isEmpty() || $location === null) {
            $missing = $location === null ? Location::query()->pluck('id') : collect([$location]);
            DB::table('safes')->insertOrIgnore(
                $missing->map(static fn (mixed $id): array => ['location_id' => $id])->all(),
            );
            $held();
        }
    }

    /** Cash by the books: what drawers brought, less what they fetched and what was paid in. */
    public function cash(int $location): Money
    {
        return $this->balances->of(Accounts::SAFE, $location);
    }

    /** @return Models<int, SafeCheque> those not paid in, nor handed back to who gave them */
    public function cheques(int $location): Models
    {
        return SafeCheque::query()
            ->where('location_id', $location)
            ->whereNull('lodgement_id')
            ->whereNotExists(Document::query()
                ->whereColumn('refers_to_id', 'safe_cheques.document_id')
                ->whereIn('purpose', Purpose::handingBack()))
            ->orderBy('id')
            ->get();
    }

    /** @return Models<int, Lodgement> those the bank has not credited whole, oldest first */
    public function onTheWay(): Models
    {
        return Lodgement::query()
            ->with(['document', 'location', 'credits'])
            ->whereRaw(
                'amount <> (SELECT COALESCE(SUM(c.amount), 0) FROM lodgement_credits c '
                    .'WHERE c.lodgement_id = lodgements.id)',
            )
            ->orderBy('made_on')
            ->orderBy('id')
            ->get();
    }

    /**
     * Closed sessions whose cards the acquirer has not paid out, oldest first.
     *
     * @return list<CardBatch>
     */
    public function batches(): array
    {
        $sessions = TillSession::query()
            ->with(['till.location', 'counts.ways'])
            ->where('state', SessionState::Closed)
            ->whereNotExists(static fn ($paid) => $paid
                ->selectRaw('1')
                ->from('lodgement_batches')
                ->whereColumn('session_id', 'till_sessions.id'))
            ->whereExists(static fn ($cards) => $cards
                ->selectRaw('1')
                ->from('till_counts as n')
                ->join('till_count_ways as w', 'w.count_id', '=', 'n.id')
                ->whereColumn('n.session_id', 'till_sessions.id')
                ->where('w.way', TenderKind::Card->value)
                ->where('w.counted', '<>', 0))
            ->orderBy('closed_at')
            ->get();
        $batches = $sessions->map(static fn (TillSession $session): CardBatch => CardBatch::of($session));

        return array_values($batches->reject(static fn (CardBatch $batch): bool => $batch->amount->isZero())->all());
    }
}
