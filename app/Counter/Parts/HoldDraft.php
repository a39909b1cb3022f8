<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

use Elmstone\Core\Layaway\Ladder;
use Elmstone\Core\Layaway\LayawayStanding;
use Elmstone\Core\Layaway\Schedule;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Becomes;
use Elmstone\Counter\Slip\SlipHold;
use Elmstone\Layaways\HoldLayaway;
use Elmstone\Layaways\HoldOrder;
use Elmstone\Shop\House;

/** A slip that is to be held as a layaway: what the agreement says, and what still hinders it. */
final readonly class HoldDraft
{
    private function __construct(private ReckonedCounter $reckoned, public SlipHold $hold, private House $house)
    {
    }

    /** Null where the slip is not to be held. */
    public static function of(ReckonedCounter $reckoned, House $house): ?self
    {
        $hold = $reckoned->slip->becomes === Becomes::Layaway ? $reckoned->slip->hold : null;

        return $hold === null ? null : new self($reckoned, $hold, $house);
    }

    public function total(): Money
    {
        return $this->reckoned->sums->total;
    }

    public function deposit(): Money
    {
        return $this->hold->deposit;
    }

    /** Where it would stand before anything is paid. */
    public function standing(): LayawayStanding
    {
        return LayawayStanding::of($this->total(), $this->hold->agreedTerms()->toValue(), []);
    }

    /** Payments as typed or proposed, but no more than leave each at the least agreed. */
    public function count(): int
    {
        $rest = $this->total()->minus($this->deposit());
        $most = $rest->isPositive()
            ? $this->hold->agreedTerms()->toValue()->mostPayments($rest)
            : null;

        return min($this->hold->count, $most ?? $this->hold->count);
    }

    /** The payments as they would fall due; null while the deposit is more than everything. */
    public function ladder(): ?Ladder
    {
        $rest = $this->total()->minus($this->deposit());

        return $rest->isNegative()
            ? null
            : Ladder::of(
                Schedule::of($rest, $this->count(), $this->hold->first_due, $this->hold->rhythm)->instalments,
                $this->house->money(0),
                $this->reckoned->slip->day(),
            );
    }

    public function order(): HoldOrder
    {
        $slip = $this->reckoned->slip;
        $isSigned = $this->isSigned();

        return new HoldOrder(
            $slip->key,
            $slip->location_id,
            (int) $slip->customer_id,
            $slip->staff_id,
            $slip->day(),
            AgreedFromSlip::lines($this->reckoned),
            AgreedFromSlip::tax($this->reckoned, $this->house),
            $slip->discount(),
            $this->total(),
            $this->deposit(),
            $this->hold->agreedTerms(),
            $this->hold->rhythm,
            $this->count(),
            $this->hold->first_due,
            $this->hold->expires_on,
            $this->hold->grace_days,
            $slip->purchase_order,
            $slip->job,
            $slip->contact->name ?? '',
            $isSigned ? $this->hold->signature : null,
            $isSigned ? $this->hold->signed_by : '',
            $slip->sharing_id,
        );
    }

    /** Whether the customer signed what stands there now. */
    public function isSigned(): bool
    {
        return $this->hold->signature !== null && $this->hold->signed_for === $this->digest();
    }

    /** Stands for everything the customer agrees to. */
    public function digest(): string
    {
        return sha1(
            serialize([
                AgreedFromSlip::said($this->reckoned),
                $this->total()->toString(),
                $this->deposit()->toString(),
                $this->count(),
                $this->hold->rhythm->value,
                $this->hold->first_due->format('Y-m-d'),
                $this->hold->expires_on->format('Y-m-d'),
                $this->hold->grace_days,
                $this->hold->terms,
            ]),
        );
    }

    /** @return list<Refused> */
    public function hindrances(): array
    {
        $slip = $this->reckoned->slip;
        $found = [];

        if (
            $slip->customer !== null
            && $slip->customer->phone === ''
            && $slip->customer->mail === ''
            && $slip->customer->street === ''
        ) {
            $found[] = Refused::because(
                'unreachable',
                "There is no way to reach {$slip->customer->name}: a layaway needs a phone number, a mail address or "
                    .'a street. Add one on their page.',
            );
        }

        if ($slip->charge !== null) {
            $found[] = Refused::because(
                'charge_with_hold',
                'What is set aside is not charged to the account. Take the charge out.',
            );
        }

        if (! $this->hold->deposit->isPositive()) {
            $found[] = Refused::because('no_deposit', 'A layaway begins with a deposit.');
        }

        try {
            HoldLayaway::assertDates($this->order());
        } catch (Refused $refused) {
            $found[] = $refused;
        }

        return $found;
    }
}
