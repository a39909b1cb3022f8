<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

use Brick\Math\BigDecimal;
use Elmstone\Agreements\AgreedLine;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Lines\LineOnSlip;
use Elmstone\Counter\Settle\ChargeCheck;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Becomes;
use Elmstone\Counter\Slip\SlipPromise;
use Elmstone\Orders\NewOrder;
use Elmstone\Orders\OrderTerms;
use Elmstone\Orders\OrderWay;
use Elmstone\Orders\TakeOrder;
use Elmstone\Shop\House;

/** A slip that is to become an order: what the order says, and what still hinders it. */
final readonly class OrderDraft
{
    private function __construct(
        private ReckonedCounter $reckoned,
        public SlipPromise $promise,
        private House $house,
        private OrderTerms $terms,
    ) {
    }

    /** Null where the slip is not to become an order. */
    public static function of(ReckonedCounter $reckoned, House $house): ?self
    {
        $promise = $reckoned->slip->becomes === Becomes::Order ? $reckoned->slip->promise : null;

        return $promise === null ? null : new self($reckoned, $promise, $house, app(OrderTerms::class));
    }

    public function total(): Money
    {
        return $this->reckoned->sums->total;
    }

    public function deposit(): Money
    {
        return $this->promise->deposit;
    }

    /** What is to be paid at once at the least, by its kind; of an order that is charged nothing. */
    public function leastDeposit(): Money
    {
        return $this->promise->is_charged
            ? $this->house->money(0)
            : $this->total()->percent($this->terms->leastDeposit($this->promise->source));
    }

    public function wayOf(LineOnSlip $line): OrderWay
    {
        return $line->way ?? $this->promise->way;
    }

    /** Whether anything on it is brought to the customer. */
    public function isBrought(): bool
    {
        return $this->reckoned->slip->lines->contains(
            fn (LineOnSlip $line): bool => $line->department_id !== null && $this->wayOf($line)->isBrought(),
        );
    }

    /** Where a line's goods leave. */
    public function fromOf(LineOnSlip $line): int
    {
        return $line->from_id ?? $this->promise->from_id ?? $this->reckoned->slip->location_id;
    }

    /** Whether charging it is allowed as things stand; null: it is not to be charged. */
    public function charge(): ?ChargeCheck
    {
        $slip = $this->reckoned->slip;

        return $this->promise->is_charged
            ? ChargeCheck::of($slip, $this->total()->minus($this->deposit())->orNothing())
            : null;
    }

    public function newOrder(): NewOrder
    {
        $slip = $this->reckoned->slip;
        $lines = AgreedFromSlip::lines($this->reckoned);
        $aside = [];

        foreach ($slip->lines->values() as $i => $line) {
            $isGoods = $line->department_id !== null;
            $lines[$i]->forceFill([
                'way' => $isGoods ? $this->wayOf($line)->value : null,
                'from_id' => $isGoods ? $this->fromOf($line) : null,
                'wanted_on' => null,
            ]);
            $line->aside === null || ($aside[$i] = BigDecimal::of($line->aside)->stripTrailingZeros());
        }

        $isSigned = $this->isSigned();

        return new NewOrder(
            $slip->key,
            $slip->location_id,
            (int) $slip->customer_id,
            $slip->staff_id,
            $slip->day(),
            array_map(static fn (AgreedLine $line): AgreedLine => $line, $lines),
            $aside,
            AgreedFromSlip::tax($this->reckoned, $this->house),
            $slip->discount(),
            $this->total(),
            $this->deposit(),
            $this->promise->source,
            $this->promise->is_charged,
            $this->promise->wanted_on,
            $this->promise->wanted_when,
            $this->leastDeposit(),
            $this->promise->deliver_to,
            $this->promise->note,
            $slip->purchase_order,
            $slip->job,
            $slip->contact->name ?? '',
            '',
            $isSigned ? $this->promise->signature : null,
            $isSigned ? $this->promise->signed_by : '',
            sharing: $slip->sharing_id,
        );
    }

    /** Whether the customer signed what stands there now. */
    public function isSigned(): bool
    {
        return $this->promise->signature !== null && $this->promise->signed_for === $this->digest();
    }

    /** Stands for everything the customer agrees to. */
    public function digest(): string
    {
        return sha1(
            serialize([
                AgreedFromSlip::said($this->reckoned),
                $this->total()->toString(),
                $this->deposit()->toString(),
                $this->promise->wanted_on?->format('Y-m-d'),
                $this->promise->deliver_to,
            ]),
        );
    }

    /** @return list<Refused> */
    public function hindrances(): array
    {
        $slip = $this->reckoned->slip;
        $found = [];

        if ($slip->customer === null) {
            $found[] = Refused::because('no_customer', 'An order needs a named customer. Put them on the slip first.');

            return $found;
        }

        if ($slip->customer->phone === '' && $slip->customer->mail === '' && $slip->customer->street === '') {
            $found[] = Refused::because(
                'unreachable',
                "There is no way to reach {$slip->customer->name}: an order needs a phone number, a mail address or a "
                    .'street. Add one on their page.',
            );
        }

        if ($slip->charge !== null) {
            $found[] = Refused::because(
                'charge_with_hold',
                'An order is charged as its goods leave. Take the charge out, and choose “charge to account” on it.',
            );
        }

        array_push($found, ...$this->charge()?->refusals() ?? []);

        try {
            TakeOrder::assertFine($this->newOrder(), $this->terms);
        } catch (Refused $refused) {
            $found[] = $refused;
        }

        return $found;
    }
}
