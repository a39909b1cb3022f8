<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Pricing\PriceRule;
use Elmstone\Counter\Lines\LineOnSlip;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Becomes;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Counter\Slip\SlipHold;
use Elmstone\Layaways\HouseTerms;
use Elmstone\Receivables\Ledger\FeeDraft;
use Elmstone\Shop\House;
use Elmstone\Staff\Ability;
use Elmstone\Support\Signature;

/** Makes the slip one that is held as a layaway: deposit, terms, signature. It becomes one when it is posted. */
final class HoldSlip
{
    /** So long may a signature's path be. */
    public function __construct(private readonly SlipDesk $desk, private readonly House $house)
    {
    }

    /**
     * @param  Money|null  $deposit null: the least
     *
     * @throws Refused no_customer, empty, bad_amount
     */
    public function begin(string $slipKey, Act $act, ?Money $deposit): Slip
    {
        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($act, $deposit): void {
            $this->desk->redraw($slip, $act);

            match (true) {
                $slip->customer === null => throw Refused::because(
                    'no_customer',
                    'A layaway needs a named customer. Put them on the slip first.',
                ),
                $slip->lines->isEmpty() => throw Refused::because(
                    'empty',
                    'There is nothing on this slip to set aside.',
                ),
                $deposit?->isNegative() === true => throw Refused::because(
                    'bad_amount',
                    'A deposit cannot be below zero.',
                ),
                default => null,
            };
            $hold = $slip->hold ?? $this->proposed($slip);
            $slip->turnInto(Becomes::Layaway);
            $slip->setRelation('hold', $hold);
            $slip->forceFill(['charge' => null]);
            $draft = HoldDraft::of(ReckonedCounter::of($slip->load('lines.item'), $this->house), $this->house);
            $hold->fill(['deposit' => $deposit ?? $draft?->standing()->minDeposit ?? $this->house->money(0)])->save();
            $slip->save();
        });
    }

    public function drop(string $slipKey, Act $act): Slip
    {
        return $this->desk->change($slipKey, $act, static function (Slip $slip): void {
            $slip->turnInto(Becomes::Sale);
            $slip->lines()->whereNull('department_id')->delete();
        });
    }

    /**
     * @param  array<string, string>  $typed as on the page; only the right role changes more than the payments
     *
     * @throws Refused bad_count, bad_date, bad_percent, bad_amount, may_not, not_held
     */
    public function terms(string $slipKey, Act $act, array $typed): Slip
    {
        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($act, $typed): void {
            $hold = $this->hold($slip);
            $columns = HoldTerms::columns($typed, $hold, $this->house);

            if (array_diff_key($columns, HoldTerms::ANYBODYS) !== [] && ! $act->by->mayDo(Ability::SetLayawayTerms)) {
                throw Refused::because('may_not', 'Only a supervisor or the office changes these terms.');
            }

            $hold->fill($columns);
            isset($typed['count']) && $this->assertNotTooMany($slip, $hold, $act);
            $hold->save();
        });
    }

    /** @throws Refused below_least */
    private function assertNotTooMany(Slip $slip, SlipHold $hold, Act $act): void
    {
        $this->desk->redraw($slip, $act);
        $slip->setRelation('hold', $hold);
        $draft = HoldDraft::of(ReckonedCounter::of($slip, $this->house), $this->house);

        if ($draft !== null && $draft->count() < $hold->count) {
            throw Refused::because(
                'below_least',
                "With {$hold->count} payments each would be below the least payment agreed. Take "
                    .($draft->count() === 1 ? 'one.' : "{$draft->count()} at most."),
            );
        }
    }

    /** @throws Refused bad_signature, name_missing, not_held */
    public function sign(string $slipKey, Act $act, string $path, string $by): Slip
    {
        Signature::assertPath($path);

        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($act, $path, $by): void {
            $this->desk->redraw($slip, $act);
            $hold = $this->hold($slip);
            $digest = HoldDraft::of(ReckonedCounter::of($slip, $this->house), $this->house)?->digest() ?? '';
            $name = trim($by) !== '' ? trim($by) : $slip->customer_name;
            $hold
                ->fill(
                    $path === ''
                        ? ['signature' => null, 'signed_by' => '', 'signed_for' => '']
                        : ['signature' => $path, 'signed_by' => mb_substr($name, 0, 120), 'signed_for' => $digest],
                )
                ->save();
        });
    }

    private function hold(Slip $slip): SlipHold
    {
        return SlipHold::query()->find($slip->id)
            ?? throw Refused::because('not_held', 'This slip is not to be held as a layaway any more.');
    }

    /** The shop's terms; its service fee, where it has one, comes on the slip as a line. */
    private function proposed(Slip $slip): SlipHold
    {
        $terms = HouseTerms::of($this->house);
        $day = $slip->day();
        $first = $terms->firstDue($day);

        if ($terms->serviceFee->isPositive()) {
            LineOnSlip::query()->create([
                'slip_id' => $slip->id,
                'position' => (int) $slip->lines->max('position') + 1,
                'item_id' => null,
                'code' => 'FEE',
                'description' => 'Layaway service fee',
                'department_id' => null,
                'quantity' => '1',
                'unit' => 'each',
                'unit_price' => $terms->serviceFee->toString(),
                'price_per' => 1,
                'price_rule' => PriceRule::Typed,
                'list_price' => $terms->serviceFee->toString(),
                'tax_class' => $this->house->shop()->fee_tax_class ?? FeeDraft::UNTAXED,
                'may_discount' => false,
            ]);
        }

        return new SlipHold([
            'slip_id' => $slip->id,
            'deposit' => $this->house->money(0),
            'rhythm' => $terms->rhythm,
            'first_due' => $first,
            'expires_on' => $day->addDays($terms->days),
            'grace_days' => $terms->graceDays,
            'count' => HouseTerms::countUntil($terms->rhythm, $first, $day->addDays($terms->days)),
            'terms' => $terms->terms->toJson(),
            'signature' => null,
            'signed_by' => '',
            'signed_for' => '',
        ]);
    }
}
