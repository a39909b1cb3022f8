<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

use Elmstone\Agreements\AgreedLine;
use Elmstone\Agreements\TaxAsAgreed;
use Elmstone\Books\Drafts\Exempted;
use Elmstone\Core\Layaway\Ladder;
use Elmstone\Core\Layaway\LayawayStanding;
use Elmstone\Core\Layaway\Schedule;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Tax\TaxComponent;
use Elmstone\Counter\Lines\LineOnSlip;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\SlipHold;
use Elmstone\Layaways\HoldLayaway;
use Elmstone\Layaways\HoldOrder;
use Elmstone\Shop\House;
use Elmstone\Shop\TaxComponentRecord;

/** A slip that is to be held as a layaway: what the agreement says, and what still hinders it. */
final readonly class HoldDraft
{
    private function __construct(private ReckonedCounter $reckoned, public SlipHold $hold, private House $house)
    {
    }

    /** Null where the slip is not to be held. */
    public static function of(ReckonedCounter $reckoned, House $house): ?self
    {
        return $reckoned->slip->hold === null ? null : new self($reckoned, $reckoned->slip->hold, $house);
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
            array_values($slip->lines->map($this->line(...))->all()),
            $this->tax(),
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
        $lines = $this->reckoned->slip->lines
            ->map(
                static fn (LineOnSlip $line): array => [
                    $line->code,
                    $line->description,
                    $line->quantity->toString(),
                    $line->unit_price->toString(),
                    $line->discount_percent?->toString(),
                    $line->discount_amount?->toString(),
                ],
            )
            ->all();

        return sha1(
            serialize([
                $lines,
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

    private function tax(): TaxAsAgreed
    {
        $components = $this->reckoned->slip->taxPlace()->components;
        $exempted = $this->reckoned->exempted;

        return new TaxAsAgreed(
            $this->house->taxTerms(),
            $exempted
                ?? new Exempted(
                    '',
                    '',
                    [],
                    array_values(
                        $components
                            ->map(static fn (TaxComponentRecord $component): TaxComponent => $component->toValue())
                            ->all(),
                    ),
                ),
            $exempted !== null,
            array_map(
                static fn (mixed $name): string => is_string($name) ? $name : '',
                $components->pluck('name', 'code')->all(),
            ),
        );
    }

    private function line(LineOnSlip $line): AgreedLine
    {
        return new AgreedLine([
            'item_id' => $line->item_id,
            'code' => $line->code,
            'description' => $line->description,
            'department_id' => $line->department_id,
            'quantity' => $line->quantity,
            'unit' => $line->unit,
            'unit_price' => $line->unit_price,
            'price_per' => $line->price_per,
            'price_rule' => $line->price_rule,
            'list_price' => $line->list_price,
            'discount_percent' => $line->discount_percent,
            'discount_amount' => $line->discount_amount,
            'may_discount' => $line->may_discount,
            'tax_class' => $line->tax_class,
            'cost' => $line->cost,
            'note' => $line->note,
            'approval_id' => $this->reckoned->needs->approvalAt("line.{$line->id}")?->id,
            'serials' => $line->serials,
        ]);
    }
}
