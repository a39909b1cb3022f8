<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle\Needs;

use Elmstone\Core\Approvals\ApprovalKind;
use Elmstone\Core\Approvals\Scope;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Pricing\PriceCheck;
use Elmstone\Counter\Lines\LineOnSlip;
use Elmstone\Counter\Slip\Becomes;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Staff\Approvals\LimitMatter;
use Elmstone\Staff\Approvals\Need;
use Elmstone\Support\Show;

/** Prices below the lowest, one-off lines, goods set aside for others. */
final class LineNeeds extends NeedsOf
{
    public function all(): array
    {
        $needs = [];
        $oneOffs = $this->slip->lines->filter(static fn (LineOnSlip $line): bool => $line->isOneOff());
        $total = Money::sum(
            $oneOffs->map(fn (LineOnSlip $line): Money => $this->reckoned->line($line)->gross),
            $this->house->currency(),
        );

        foreach ($this->slip->lines as $line) {
            $needs[] = $line->isOneOff() ? $this->oneOff($line, $total) : $this->belowFloor($line);
            $needs[] = $this->takesCommitted($line) ? $this->committed($line) : null;
        }

        return array_values(array_filter($needs));
    }

    private function belowFloor(LineOnSlip $line): ?Need
    {
        $check = $this->reckoned->figures()->check($line);

        if ($check === PriceCheck::Fine) {
            return null;
        }

        $net = $this->reckoned->line($line)->net;
        $gap = $this->reckoned->figures()->gap($line);
        $scope = Scope::of(ApprovalKind::BelowFloor)
            ->naming('line', $line->id)
            ->naming('item', $line->item_id)
            ->pieces($line->quantity, $net);
        $words = $check === PriceCheck::BelowCost
                ? "“{$line->description}” is below what it cost."
                : "“{$line->description}” is below the lowest price the house accepts.";

        return new Need(
            "line.{$line->id}",
            $scope,
            Refused::because(
                'needs_approval',
                "{$words} {$this->limits->whoMayApprove(LimitMatter::BelowFloor, $gap)}",
            ),
            Show::decimal($line->quantity)." × {$line->code} {$line->description} for ".Show::money($net),
            LimitMatter::BelowFloor,
            $gap,
        );
    }

    /** @param  Money  $total of all one-off lines of the slip */
    private function oneOff(LineOnSlip $line, Money $total): ?Need
    {
        $reckoned = $this->reckoned->line($line);
        $most = $this->limits->of($this->by()->roleHere(), LimitMatter::OneOff)->perDocument;
        $why = match (true) {
            $reckoned->net->isZero() => 'is given away.',
            $reckoned->gross->exceeds($reckoned->net->plus($reckoned->net)) => 'goes for less than half of its price.',
            $most !== null && $total->exceeds($most) => 'is in no list, and one-off lines come to more than '
                .Show::money($most)
                .' here.',
            default => '',
        };

        if ($why === '') {
            return null;
        }

        $scope = Scope::of(ApprovalKind::OneOff)
            ->naming('line', $line->id)
            ->naming('description', $line->description)
            ->upTo('price', $line->unit_price)
            ->upTo('gross', $reckoned->gross)
            ->pieces($line->quantity, $reckoned->net);

        return new Need(
            "line.{$line->id}",
            $scope,
            Refused::because(
                'one_off',
                "“{$line->description}” {$why} {$this->limits->whoMayApprove(LimitMatter::OneOff, $total)}",
            ),
            Show::decimal($line->quantity)
                ." × {$line->description} for "
                .Show::money($reckoned->net)
                .', in no list',
            LimitMatter::OneOff,
            $total,
        );
    }

    /** What is set aside for others goes with the line. */
    /** An order takes only what is nobody's, and a quote nothing. */
    private function takesCommitted(LineOnSlip $line): bool
    {
        return in_array($this->slip->becomes, [Becomes::Sale, Becomes::Layaway], true)
            && $line->takesCommitted($this->slip->stock?->get($line->item_id));
    }

    public function committed(LineOnSlip $line): Need
    {
        $scope = Scope::of(ApprovalKind::Committed)
            ->naming('line', $line->id)
            ->naming('item', $line->item_id)
            ->naming('location', $this->slip->location_id)
            ->upTo('quantity', $line->quantity);

        return new Need(
            "line.{$line->id}.committed",
            $scope,
            Refused::because('committed', "“{$line->description}” is set aside for others. A supervisor can approve."),
            Show::decimal($line->quantity)." × {$line->code} {$line->description}, set aside for others",
            LimitMatter::OutsidePolicy,
            $this->house->money(0),
        );
    }
}
