<?php

declare(strict_types=1);

namespace Elmstone\Consignment;

use Elmstone\Books\Accounts;
use Elmstone\Books\Figures\Posted;
use Elmstone\Books\Proof\Proof;
use Elmstone\Books\Proof\Topic;
use Elmstone\Books\Purpose;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\Stock;
use Elmstone\Core\Consignment\OwnerShare;
use Elmstone\Shop\House;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/**
 * Proves goods on consignment: each line that sold some gave its owner their part of the net, what is owed to owners is
 * the sum of lines that are not settled, each settlement is the sum of its lines less its fees, and nothing of theirs
 * is worth anything in inventory.
 */
final readonly class ProveConsignment implements Topic
{
    private const AT_ONCE = 1000;

    public function __construct(private House $house)
    {
    }

    public function inWords(): string
    {
        return 'What is owed to owners is what was sold of theirs';
    }

    public function page(): string
    {
        return 'owners';
    }

    public function prove(Proof $proof): void
    {
        $this->lines($proof);
        $this->settlements($proof);
        $proof->same(
            'owners of goods',
            'what is owed to them',
            (int) Posted::journal()->where('j.account', Accounts::OWNERS)->sum(DB::raw('j.credit - j.debit')),
            array_sum(OwnerAccount::owed()),
        );
        $worth = Stock::query()
            ->whereIn('item_id', Item::query()->whereNotNull('owner_id')->select('id'))
            ->where('value', '<>', 0)
            ->toBase()
            ->pluck('item_id');

        foreach ($worth as $item) {
            $proof->fault("item {$item}: it belongs to its owner and is worth something in inventory");
        }
    }

    /** Of a sale, the share of its net; what comes back is proved by the lines it came from. */
    private function lines(Proof $proof): void
    {
        $checked = 0;
        Posted::consigned()
            ->where('l.direction', 'out')
            ->orderBy('c.document_id')
            ->orderBy('c.position')
            ->select(['d.label', 'd.tax_included', 'c.position', 'c.percent', 'l.net', 'l.cost', Posted::lineTax()])
            ->chunk(self::AT_ONCE, function (Collection $rows) use ($proof, &$checked): void {
                foreach ($rows as $row) {
                    $net = (int) $row->net - ((bool) $row->tax_included ? (int) $row->tax : 0);
                    $proof->same(
                        "{$row->label}, line {$row->position}",
                        'the owner’s share',
                        $this->house->money((int) $row->cost),
                        OwnerShare::percent((string) $row->percent)->of($this->house->money($net)),
                    );
                }

                $checked += $rows->count();
            });
        $proof->checked('lines that gave an owner their share', $checked);
    }

    private function settlements(Proof $proof): void
    {
        $settled = DB::table('owner_settlements')->get();
        $sums = Posted::consigned()
            ->join('settled_lines as s', static fn ($join) => $join
                ->on('s.document_id', '=', 'c.document_id')
                ->on('s.position', '=', 'c.position'))
            ->groupBy('s.settlement_id')
            ->selectRaw("s.settlement_id, CAST(SUM(IF(l.direction = 'out', l.cost, -l.cost)) AS SIGNED) AS shares")
            ->pluck('shares', 'settlement_id');
        $paid = Posted::documents()
            ->whereIn('d.purpose', [Purpose::OwnerPaid->value, Purpose::OwnerCredited->value])
            ->get(['d.id', 'd.total', 'd.fee'])
            ->keyBy('id');

        foreach ($settled as $row) {
            $document = $paid->get($row->document_id);
            $proof->same("settlement {$row->id}", 'its lines', (int) $row->shares, (int) $sums->get($row->id, 0));
            $proof->same("settlement {$row->id}", 'what was paid', (int) $row->amount, (int) ($document->total ?? 0));
            $proof->same("settlement {$row->id}", 'its fees', (int) $row->fees, (int) ($document->fee ?? 0));
        }

        $proof->same('settlements with owners', 'their documents', $settled->count(), $paid->count());
    }
}
