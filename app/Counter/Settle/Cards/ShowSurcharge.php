<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle\Cards;

use Elmstone\Cards\CardRequest;
use Elmstone\Cards\CardState;
use Elmstone\Cards\CardSurcharge;
use Elmstone\Core\Approvals\ApprovalKind;
use Elmstone\Core\Approvals\Scope;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Devices\CardRead;
use Elmstone\Shop\House;
use Elmstone\Staff\Ability;
use Elmstone\Staff\Approvals\Approve;
use Elmstone\Staff\Approvals\LimitMatter;
use Elmstone\Staff\Approvals\Limits;
use Elmstone\Staff\Approvals\Need;
use Elmstone\Support\Show;

/**
 * What a card that was read would cost, put on the slip before it is asked. Only what it pays of a sale costs
 * something: what is taken in besides can be handed back before there is a line that says so.
 */
final readonly class ShowSurcharge
{
    public function __construct(private House $house, private Approve $approve, private Limits $limits)
    {
    }

    /** What was read before and never asked is not asked any more. */
    public function drop(Slip $slip): void
    {
        $slip->cards()->where('state', CardState::Read)->update(['state' => CardState::Dropped]);
        $slip->load('cards');
    }

    /**
     * Puts what it costs on the question, and asks so much more. Within a change of the slip.
     *
     * @param  Money  $pays what the card is to pay without it
     * @param  CardRead|null  $read null: as it was read before
     */
    public function put(Slip $slip, CardRequest $card, Money $pays, ?CardRead $read = null): void
    {
        $type = $read->cardType ?? $card->read_as;
        $rule = $type === '' ? null : CardSurcharge::at($slip->location_id, $type);
        $none = $this->house->money(0);
        $card->forceFill([
            'read_as' => $type,
            'last_four' => $read->lastFour ?? $card->last_four,
            'asked' => $pays,
            'surcharge' => $none,
            'surcharge_total' => $none,
            'surcharge_class' => $slip->location->surcharge_class,
            'surcharge_percent' => $rule?->percent,
        ]);
        $without = $this->due($slip, $card);
        $card->surcharge = $rule?->toValue()->on(Money::min($pays, $this->ofSale($slip))) ?? $none;
        $card->surcharge_total = $this->due($slip, $card)->minus($without);
        $card->asked = $pays->plus($card->surcharge_total);
        $card->save();
    }

    /** What of the sale no goods, no account and no other card pays. */
    private function ofSale(Slip $slip): Money
    {
        $paid = $slip->cards->filter(static fn (CardRequest $card): bool => ! $card->isBack() && $card->state->pays());
        $reckoned = ReckonedCounter::of($slip, $this->house);

        return $reckoned->due()->mostCharged()
            ->minus($slip->charge ?? $this->house->money(0))
            ->minus(Money::sum($paid->pluck('approved'), $this->house->currency()))
            ->orNothing();
    }

    /** What the slip comes to with this question on it. */
    private function due(Slip $slip, CardRequest $card): Money
    {
        $others = $slip->cards->reject(static fn (CardRequest $one): bool => $one->id === $card->id);
        $slip->setRelation('cards', $others->push($card));

        return ReckonedCounter::of($slip, $this->house)->payable();
    }

    /**
     * Who may approve lets it off by themselves; others have it allowed.
     *
     * @throws Refused surcharge_off, and where it was not given as it must
     */
    public function assertMayLetOff(Slip $slip, Act $act, CardRequest $card): void
    {
        if ($act->by->mayDo(Ability::Approve)) {
            return;
        }

        $need = new Need(
            "card.{$card->id}",
            Scope::of(ApprovalKind::Surcharge)->naming('card', $card->id)->upTo('surcharge', $card->surcharge_total),
            Refused::because(
                'surcharge_off',
                'The surcharge of '.Show::money($card->surcharge_total).' is let off. '
                    .$this->limits->whoMayApprove(LimitMatter::OutsidePolicy, $card->surcharge_total),
            ),
            'card surcharge of '.Show::money($card->surcharge_total).' let off',
            LimitMatter::OutsidePolicy,
            $card->surcharge_total,
        );
        $act->approval === null ? throw $need->refused
            : $this->approve->handle($act->approval, $act->by, $need, $slip->id);
    }

    public function letOff(CardRequest $card): void
    {
        $card->forceFill([
            'asked' => $card->asked->minus($card->surcharge_total),
            'surcharge' => $this->house->money(0),
            'surcharge_total' => $this->house->money(0),
        ])->save();
    }
}
