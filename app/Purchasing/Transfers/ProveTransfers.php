<?php

declare(strict_types=1);

namespace Elmstone\Purchasing\Transfers;

use Elmstone\Books\Accounts;
use Elmstone\Books\Figures\Balances;
use Elmstone\Books\Proof\Proof;
use Elmstone\Books\Proof\Topic;
use Elmstone\Core\Money\Money;
use Elmstone\Shop\House;
use Illuminate\Support\Facades\DB;

/**
 * Proves the transfers: goods on their way are what was sent and is neither counted in nor missing; each line has had
 * what was counted of it; one with nothing on its way is done, and no other.
 */
final readonly class ProveTransfers implements Topic
{
    public function __construct(private House $house, private Balances $balances)
    {
    }

    public function inWords(): string
    {
        return 'Goods on their way are the transfers nobody has counted in';
    }

    public function page(): string
    {
        return 'transfers';
    }

    public function prove(Proof $proof): void
    {
        $sum = $this->house->money(0);

        foreach (Transfer::query()->with('lines')->lazyById(500) as $transfer) {
            $onWay = Money::sum(
                $transfer->lines->map(static fn (TransferLine $line): Money => $line->onItsWay()),
                $this->house->currency(),
            );
            $sum = $sum->plus($onWay);
            $left = $transfer->lines->contains(static fn (TransferLine $line): bool => ! $line->toCome()->isZero());
            $left === $transfer->isOnItsWay()
                || $proof->fault("{$transfer->label} is {$transfer->state->words()}, which its lines are not");
        }

        $proof->same(
            Accounts::GOODS_ON_WAY,
            'the transfers on their way',
            $sum,
            $this->balances->of(Accounts::GOODS_ON_WAY),
        );
        $this->counts($proof);
        $proof->checked('transfers', Transfer::query()->count());
    }

    private function counts(Proof $proof): void
    {
        foreach (
            DB::select(
                'SELECT t.label, l.position FROM transfer_lines l JOIN transfers t ON t.id = l.transfer_id '
                    .'LEFT JOIN (SELECT transfer_id, position, SUM(IF(is_missing, 0, quantity)) AS arrived, '
                    .'SUM(IF(is_missing, quantity, 0)) AS missing FROM transfer_counts GROUP BY transfer_id, position) '
                    .'c ON c.transfer_id = l.transfer_id AND c.position = l.position '
                    .'WHERE l.arrived <> COALESCE(c.arrived, 0) OR l.missing <> COALESCE(c.missing, 0)',
            ) as $row
        ) {
            $proof->fault("{$row->label} line {$row->position} is not what was counted of it");
        }
    }
}
