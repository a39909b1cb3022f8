<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle\Needs;

use Elmstone\Books\GoodsTo;
use Elmstone\Core\Approvals\ApprovalKind;
use Elmstone\Core\Approvals\Scope;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Parts\Back\ReckonedReturn;
use Elmstone\Counter\Slip\ReturnOnSlip;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Staff\Approvals\LimitMatter;
use Elmstone\Staff\Approvals\Need;
use Elmstone\Support\Show;

/** What comes back outside the policy, without a receipt, in no list, or with the fee let off. */
final class ReturnNeeds extends NeedsOf
{
    public function all(): array
    {
        $back = $this->reckoned->back;

        if ($back === null || $this->slip->void_of_id !== null) {
            return [];
        }

        $needs = [];

        foreach ($this->slip->returns as $line) {
            $needs = [
                ...$needs,
                ...array_filter([
                    $this->outside($back, $line),
                    $this->waived($back, $line),
                    $this->serials($back, $line),
                ]),
            ];
        }

        return $needs;
    }

    /** Measured by all of its kind on the slip, so that nothing is gained by many small lines. */
    private function outside(ReckonedReturn $back, ReturnOnSlip $line): ?Need
    {
        $why = $back->under->outside($line);

        if ($why === '') {
            return null;
        }

        $worth = $back->line($line)->total;
        $like = $this->slip->returns->filter(
            static fn (ReturnOnSlip $other): bool => [$other->goods_to === GoodsTo::None, $other->isBlind()] === [
                $line->goods_to === GoodsTo::None,
                $line->isBlind(),
            ],
        );
        $measured = Money::sum(
            $like
                ->filter(static fn (ReturnOnSlip $other): bool => $back->under->outside($other) !== '')
                ->map(static fn (ReturnOnSlip $other): Money => $back->line($other)->total),
            $this->house->currency(),
        );
        [$kind, $matter] = match (true) {
            $line->goods_to === GoodsTo::None => [ApprovalKind::Credit, LimitMatter::Goodwill],
            $line->isBlind() => [ApprovalKind::WithoutOriginal, LimitMatter::WithoutOriginal],
            default => [ApprovalKind::OutsidePolicy, LimitMatter::OutsidePolicy],
        };
        $scope = Scope::of($kind)
            ->naming('line', $line->id)
            ->naming('item', $line->item_id ?? $line->description)
            ->naming('origin', $line->origin()?->key())
            ->naming('goods', $line->goods_to === GoodsTo::Stock ? 'kept' : 'gone')
            ->upTo('quantity', $line->quantity)
            ->upTo('money', $worth);

        return new Need(
            "back.{$line->id}",
            $scope,
            Refused::because(
                'outside_policy',
                "“{$line->description}”: {$why}. {$this->limits->whoMayApprove($matter, $measured)}",
            ),
            "{$why}: "
                .Show::decimal($line->quantity)
                ." × {$line->code} {$line->description} back for "
                .Show::money($worth),
            $matter,
            $measured,
        );
    }

    private function waived(ReckonedReturn $back, ReturnOnSlip $line): ?Need
    {
        $fee = $line->fee_waived ? $back->fees->of($line) : null;

        if ($fee === null || ! $fee->isPositive()) {
            return null;
        }

        $scope = Scope::of(ApprovalKind::RestockingFee)->naming('line', $line->id)->upTo('fee', $fee);

        return new Need(
            "back.{$line->id}.fee",
            $scope,
            Refused::because(
                'restocking_fee',
                "“{$line->description}”: the restocking fee of "
                    .Show::money($fee)
                    ." is let off. {$this->limits->whoMayApprove(LimitMatter::OutsidePolicy, $fee)}",
            ),
            'restocking fee of '.Show::money($fee)." let off on {$line->code} {$line->description}",
            LimitMatter::OutsidePolicy,
            $fee,
        );
    }

    /** Pieces come back that never left, or not with that invoice. */
    private function serials(ReckonedReturn $back, ReturnOnSlip $line): ?Need
    {
        $strange = $back->strangeSerials($line);

        if ($strange === []) {
            return null;
        }

        $list = implode(', ', $strange);
        $scope = Scope::of(ApprovalKind::UnknownSerial)->naming('line', $line->id)->naming('serials', $list);

        return new Need(
            "back.{$line->id}.serials",
            $scope,
            Refused::because(
                'serial_not_out',
                "“{$line->description}”: serial number {$list} did not leave the house "
                    .($line->isBlind() ? 'as ours' : 'with that invoice')
                    .'. Look at the plate again; a supervisor can approve.',
            ),
            "{$line->code} {$line->description}: serial number {$list} is not one that left",
            LimitMatter::OutsidePolicy,
            $back->line($line)->total,
        );
    }
}
