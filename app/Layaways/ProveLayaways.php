<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Elmstone\Agreements\AgreedSlip;
use Elmstone\Books\HeldKind;
use Elmstone\Books\Proof\Check;
use Elmstone\Books\Proof\Proof;
use Elmstone\Core\Layaway\Instalment;
use Elmstone\Core\Money\Money;
use Elmstone\Held\Ledger\HeldAccount;
use Elmstone\Shop\House;
use Elmstone\Support\ShopTime;

/**
 * Proves the layaways: layaway money held is what was paid on the open ones; each one's total is its lines reckoned
 * again at the agreed prices and taxes; its schedule sums to the cent.
 */
final class ProveLayaways implements Check
{
    public function __construct(private readonly House $house)
    {
    }

    public function prove(Proof $proof): void
    {
        $this->money($proof);

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

    private function one(Proof $proof, Layaway $layaway): void
    {
        $currency = $this->house->currency();
        $where = $layaway->label;
        $proof->same($where, 'whose its money is', $layaway->account->customer_id, $layaway->customer_id);
        $proof->same(
            $where,
            'the total',
            $layaway->total,
            AgreedSlip::reckon($layaway, $layaway->lines(), $currency)->total,
        );

        if ($layaway->state->isOpen()) {
            $scheduled = Money::sum(
                array_map(static fn (Instalment $part): Money => $part->amount, $layaway->instalments()),
                $currency,
            );
            $proof->same(
                $where,
                'whether it is paid in full',
                $layaway->state === LayawayState::Ready ? 'yes' : 'no',
                $layaway->held()->equals($layaway->total) ? 'yes' : 'no',
            );
            $layaway->state === LayawayState::Ready
                || $proof->same(
                    $where,
                    'the sum of its schedule',
                    $layaway->paid_before->plus($scheduled),
                    $layaway->total,
                );
            $next = $layaway->ladder(ShopTime::today())->firstUnmet();
            $layaway->state === LayawayState::Ready
                || $proof->same(
                    $where,
                    'what is due next',
                    "{$layaway->next_due?->format('Y-m-d')} {$layaway->next_open->toString()}",
                    "{$next?->due->format('Y-m-d')} {$next?->open()->toString()}",
                );
        } else {
            $proof->same($where, 'what is held after its end', $layaway->held(), $this->house->money(0));
        }

        $proof->checked('layaways reckoned again');
    }
}
