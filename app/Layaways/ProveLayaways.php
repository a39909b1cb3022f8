<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Elmstone\Books\HeldKind;
use Elmstone\Books\Proof\Check;
use Elmstone\Books\Proof\Proof;
use Elmstone\Held\Ledger\HeldAccount;
use Elmstone\Shop\House;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;

/**
 * Proves the layaways: layaway money held is what was paid on the open ones; each one's total is its lines reckoned
 * again at the agreed prices and taxes; its schedule sums to the cent; what is committed is what open ones set aside;
 * no piece is out or aside twice.
 */
final class ProveLayaways implements Check
{
    public function __construct(private readonly House $house)
    {
    }

    public function prove(Proof $proof): void
    {
        $this->money($proof);
        $this->goods($proof);

        foreach (
            Layaway::query()
                ->with(['allLines', 'allInstalments'])
                ->lazyById(500) as $layaway
        ) {
            $this->one($proof, $layaway);
        }
    }

    private function money(Proof $proof): void
    {
        $held = HeldAccount::query()->where('kind', HeldKind::Layaway);
        $proof->same(
            'layaway money held',
            'what was paid on the open ones',
            (int) (clone $held)
                ->whereIn(
                    'id',
                    Layaway::query()
                        ->whereIn('state', [LayawayState::Running, LayawayState::Ready])
                        ->select('account_id'),
                )
                ->sum('balance'),
            (int) $held->sum('balance'),
        );
    }

    private function goods(Proof $proof): void
    {
        $wanted = 'SELECT l.item_id, w.location_id, l.layaway_id, SUM(l.quantity) AS quantity FROM layaway_lines l '
            .'JOIN '
            .'layaways w ON w.id = l.layaway_id AND w.revision = l.revision WHERE l.item_id IS NOT NULL AND '
            ."w.state IN ('running', 'ready') GROUP BY l.layaway_id, l.item_id, w.location_id";
        $off = DB::select(
            'SELECT s.item_id, s.location_id, s.committed, COALESCE(SUM(x.quantity), 0) AS wanted FROM stock s LEFT '
                ."JOIN ({$wanted}) x ON x.item_id = s.item_id AND x.location_id = s.location_id GROUP BY s.item_id, "
                .'s.location_id, s.committed HAVING s.committed <> wanted',
        );

        foreach ($off as $row) {
            $proof->fault(
                "item {$row->item_id} at location {$row->location_id}: {$row->committed} is committed, open layaways "
                    ."set {$row->wanted} aside",
            );
        }

        $off = DB::select(
            "SELECT x.layaway_id, x.item_id FROM ({$wanted}) x LEFT JOIN commitments c ON c.layaway_id = x.layaway_id "
                .'AND c.item_id = x.item_id WHERE c.quantity IS NULL OR c.quantity <> x.quantity OR c.location_id <> '
                .'x.location_id',
        );

        foreach ($off as $row) {
            $proof->fault(
                "layaway {$row->layaway_id}: its commitment of item {$row->item_id} is not what its lines say",
            );
        }

        $proof->same('commitments', 'their count', DB::table('commitments')->count(), count(DB::select($wanted)));
        $proof->same(
            'serial numbers',
            'those aside for a layaway that is not open',
            DB::table('item_serials as s')
                ->leftJoin('layaways as l', 'l.id', '=', 's.layaway_id')
                ->where('s.state', 'aside')
                ->where(static fn ($query) => $query->whereNull('l.id')->orWhereNotIn('l.state', ['running', 'ready']))
                ->count(),
            0,
        );
    }

    private function one(Proof $proof, Layaway $layaway): void
    {
        $currency = $this->house->currency();
        $where = $layaway->label;
        $proof->same($where, 'whose its money is', $layaway->account->customer_id, $layaway->customer_id);
        $proof->same(
            $where,
            'the total',
            $layaway->total,
            AgreedSlip::reckon($layaway, $layaway->lines(), $currency)->total->minor,
        );

        if ($layaway->state->isOpen()) {
            $scheduled = (int) $layaway->allInstalments
                ->where('revision', $layaway->allInstalments->max('revision'))
                ->sum('amount');
            $proof->same(
                $where,
                'whether it is paid in full',
                $layaway->state === LayawayState::Ready ? 'yes' : 'no',
                $layaway->held === $layaway->total ? 'yes' : 'no',
            );
            $layaway->state === LayawayState::Ready
                || $proof->same($where, 'the sum of its schedule', $layaway->paid_before + $scheduled, $layaway->total);
            $next = $layaway->ladder($currency, ShopTime::today())->firstUnmet();
            $layaway->state === LayawayState::Ready
                || $proof->same(
                    $where,
                    'what is due next',
                    "{$layaway->next_due?->format('Y-m-d')} {$layaway->next_open}",
                    "{$next?->due->format('Y-m-d')} {$next?->open()->minor}",
                );
        } else {
            $proof->same($where, 'what is held after its end', $layaway->held, 0);
        }

        $proof->checked('layaways reckoned again');
    }
}
