<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle;

use Elmstone\Books\GoodsTo;
use Elmstone\Cards\CardRequest;
use Elmstone\Cards\CardState;
use Elmstone\Core\Approvals\ApprovalKind;
use Elmstone\Core\Approvals\Scope;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Pricing\PriceCheck;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Counter\Parts\ReckonedReturn;
use Elmstone\Counter\Slip\LineOnSlip;
use Elmstone\Counter\Slip\ReturnOnSlip;
use Elmstone\Counter\Slip\Slip;
use Elmstone\MoneyOut\Gate;
use Elmstone\Receivables\Accounts\ChargeWords;
use Elmstone\Shop\House;
use Elmstone\Staff\Approvals\Approval;
use Elmstone\Staff\Approvals\LimitMatter;
use Elmstone\Staff\Approvals\Limits;
use Elmstone\Staff\Approvals\Need;
use Elmstone\Staff\Staff;
use Elmstone\Support\Show;
use Illuminate\Database\Eloquent\Collection;

/**
 * What on a slip goes no further until somebody else allows it, figure by figure, and what of it is allowed: worked out
 * of the slip as it stands whenever it is looked at, so that an approval never stretches. Reads the slip's approvals
 * only where there is something to approve.
 */
final class SlipNeeds
{
    /** @var list<Need>|null */
    private ?array $all = null;

    /** @var Collection<int, Approval>|null */
    private ?Collection $given = null;

    /** @var array<string, Need> that came to light under the stock's lock */
    private array $committed = [];

    private readonly Slip $slip;

    private readonly Limits $limits;

    public function __construct(private readonly ReckonedCounter $reckoned, private readonly House $house)
    {
        $this->slip = $reckoned->slip;
        $this->limits = app(Limits::class);
    }

    /** @return list<Need> in the order a clerk would deal with them */
    public function all(): array
    {
        return $this->all ??= $this->slip->isPosted()
            ? []
            : [
                ...$this->ofLines(),
                ...$this->ofHold(),
                ...$this->ofLayaways(),
                ...$this->ofReturns(),
                ...$this->ofCards(),
                ...$this->ofGiftCards(),
                ...$this->ofCharge(),
                ...$this->ofMoneyOut(),
            ];
    }

    /**
     * Those that nobody has allowed as they stand now.
     *
     * @param  string|null  $place only what is to be allowed there
     * @return list<Need>
     */
    public function open(?string $place = null): array
    {
        return array_values(
            array_filter(
                $this->all(),
                fn (Need $need): bool => (
                    $place === null || $need->place === $place
                ) && $this->approval($need) === null,
            ),
        );
    }

    /** Who allowed it; null: nobody, as it stands now. What somebody posts themselves they cannot have allowed. */
    public function approval(Need $need): ?Approval
    {
        return $this->given()->first(
            fn (Approval $one): bool => $one->approved_by !== $this->by()->id && $one->covers($need->scope),
        );
    }

    /** @return list<Approval> what was allowed there and holds */
    public function allowed(string $place): array
    {
        return array_values(
            array_filter(
                array_map(
                    fn (Need $need): ?Approval => $need->place === $place ? $this->approval($need) : null,
                    $this->all(),
                ),
                static fn (?Approval $one): bool => $one !== null,
            ),
        );
    }

    /** In words that an approval was given there which no longer covers what stands there now; empty: none was. */
    public function dropped(string $place): string
    {
        $last = $this->open($place) === []
                ? null
                : $this->given()->last(static fn (Approval $one): bool => $one->place === $place);

        return $last === null ? '' : "What was approved there no longer covers it: {$last->detail}.";
    }

    /**
     * @return list<array{string, Need, Approval}> what the documents must keep: place on the slip, need and approval
     */
    public function kept(): array
    {
        $kept = [];

        foreach ([...$this->all(), ...$this->committed] as $need) {
            $approval = $this->approval($need);
            $approval === null || ($kept[] = [$need->place, $need, $approval]);
        }

        return $kept;
    }

    /** Whether anything that was approved stands at the place. */
    public function approvalAt(string $place, ApprovalKind ...$kinds): ?Approval
    {
        foreach ($this->all() as $need) {
            if ($need->place === $place && ($kinds === [] || in_array($need->scope->kind, $kinds, true))) {
                return $this->approval($need);
            }
        }

        return null;
    }

    /** @return Collection<int, Approval> */
    private function given(): Collection
    {
        return $this->given ??= $this->slip->exists
            ? Approval::query()->with('approver')->where('slip_id', $this->slip->id)->orderBy('id')->get()
            : new Collection;
    }

    /** Who stands at the till. */
    private function by(): Staff
    {
        return $this->slip->by ??= Staff::query()->findOrFail($this->slip->staff_id);
    }

    /** @return list<Need> prices below the lowest, one-off lines, goods set aside for others */
    private function ofLines(): array
    {
        $needs = [];
        $oneOffs = $this->slip->lines->filter(static fn (LineOnSlip $line): bool => $line->isOneOff());
        $total = array_sum(
            $oneOffs->map(fn (LineOnSlip $line): int => $this->reckoned->line($line)->gross->minor)->all(),
        );

        foreach ($this->slip->lines as $line) {
            $needs = [
                ...$needs,
                ...array_filter([
                    $line->isOneOff() ? $this->oneOff($line, $total) : $this->belowFloor($line),
                    $line->takesCommitted($this->slip->stock?->get($line->item_id)) ? $this->committed($line) : null,
                ]),
            ];
        }

        return $needs;
    }

    private function belowFloor(LineOnSlip $line): ?Need
    {
        $check = $this->reckoned->check($line);

        if ($check === PriceCheck::Fine) {
            return null;
        }

        $net = $this->reckoned->line($line)->net;
        $gap = $this->reckoned->gap($line);
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
                "{$words} {$this->limits->whoMayApprove(LimitMatter::BelowFloor, $gap->minor)}",
            ),
            Show::decimal($line->quantity)." × {$line->code} {$line->description} for ".Show::money($net),
            LimitMatter::BelowFloor,
            $gap->minor,
        );
    }

    /** @param  int  $total minor units of all one-off lines of the slip */
    private function oneOff(LineOnSlip $line, int $total): ?Need
    {
        $reckoned = $this->reckoned->line($line);
        $most = $this->limits->of($this->by()->role, LimitMatter::OneOff)->perDocument;
        $why = match (true) {
            $reckoned->net->isZero() => 'is given away.',
            $reckoned->net->minor * 2 < $reckoned->gross->minor => 'goes for less than half of its price.',
            $most !== null && $total > $most => 'is in no list, and one-off lines come to more than '
                .Show::money($this->house->money($most))
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

    /**
     * Where the stock's lock shows that what is set aside for others would go with the line.
     *
     * @throws Refused committed
     */
    public function assertMayTakeCommitted(LineOnSlip $line): void
    {
        $need = $this->committed($line);
        $this->approval($need) === null ? throw $need->refused : ($this->committed["line.{$line->id}"] = $need);
    }

    private function committed(LineOnSlip $line): Need
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
            0,
        );
    }

    /** @return list<Need> a deposit below the least */
    private function ofHold(): array
    {
        $draft = $this->reckoned->layaway();
        $short = $draft === null ? null : $draft->standing()->minDeposit->minus($draft->deposit());

        if ($draft === null || $short === null || ! $short->isPositive() || ! $draft->deposit()->isPositive()) {
            return [];
        }

        $scope = Scope::of(ApprovalKind::LayawayDeposit)
            ->naming('customer', $this->slip->customer_id)
            ->upTo('total', $draft->total())
            ->upTo('short', $short);

        return [
            new Need(
                'hold',
                $scope,
                Refused::because(
                    'below_least_deposit',
                    "The deposit is at least {$draft->standing()->minDeposit->toString()}. "
                        .$this->limits->whoMayApprove(LimitMatter::Charge, $short->minor),
                ),
                "{$this->slip->customer_name}: a layaway of "
                    .Show::money($draft->total())
                    .' with a deposit of '
                    .Show::money($draft->deposit()),
                LimitMatter::Charge,
                $short->minor,
            ),
        ];
    }

    /** @return list<Need> payments on layaways below the least */
    private function ofLayaways(): array
    {
        $needs = [];

        foreach ($this->slip->layawayParts() as $part) {
            $layaway = $this->slip->layaway($part->layawayId);
            $least = $layaway?->state->isOpen() === true && $part->amount > 0
                    ? $layaway->standing($this->house->currency())->minPayment
                    : null;

            if ($layaway !== null && $least !== null && $part->amount < $least->minor) {
                $short = $least->minor - $part->amount;
                $scope = Scope::of(ApprovalKind::LayawayPayment)
                    ->naming('layaway', $layaway->id)
                    ->upTo('total', $layaway->total)
                    ->upTo('short', $short);
                $needs[] = new Need(
                    "layaway.{$layaway->id}",
                    $scope,
                    Refused::because(
                        'below_least_payment',
                        "The payment on {$layaway->label} is at least {$least->toString()}. "
                            .$this->limits->whoMayApprove(LimitMatter::Charge, $short),
                    ),
                    "{$layaway->label}: "
                        .Show::money($this->house->money($part->amount))
                        .', less than the least payment',
                    LimitMatter::Charge,
                    $short,
                );
            }
        }

        return $needs;
    }

    /** @return list<Need> what comes back outside the policy, without a receipt, in no list, or with the fee let off */
    private function ofReturns(): array
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
        $why = $back->outside($line);

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
        $measured = array_sum(
            $like
                ->map(
                    static fn (ReturnOnSlip $other): int => $back->outside($other) === ''
                        ? 0
                        : $back->line($other)->total->minor,
                )
                ->all(),
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
        $fee = $line->fee_waived ? $back->feeOf($line) : null;

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
                    ." is let off. {$this->limits->whoMayApprove(LimitMatter::OutsidePolicy, $fee->minor)}",
            ),
            'restocking fee of '.Show::money($fee)." let off on {$line->code} {$line->description}",
            LimitMatter::OutsidePolicy,
            $fee->minor,
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
            $back->line($line)->total->minor,
        );
    }

    /** @return list<Need> payments keyed in off line beyond what somebody may */
    private function ofCards(): array
    {
        $needs = [];
        $keyed = $this->slip->cards->filter(
            static fn (CardRequest $card): bool => $card->state === CardState::Keyed && $card->document_id === null,
        );
        $most = $keyed->isEmpty() ? null : $this->limits->of($this->by()->role, LimitMatter::CardOffLine)->perDocument;
        $sum = (int) $keyed->sum('approved');

        if ($most === null || $sum <= $most) {
            return [];
        }

        foreach ($keyed as $card) {
            $scope = Scope::of(ApprovalKind::CardOffLine)
                ->naming('last_four', $card->last_four)
                ->naming('code', $card->authorisation)
                ->upTo('amount', $card->approved);
            $needs[] = new Need(
                "card.{$card->id}",
                $scope,
                Refused::because(
                    'card_off_line',
                    'More than '
                        .Show::money($this->house->money($most))
                        .' is keyed in off line. '
                        .$this->limits->whoMayApprove(LimitMatter::CardOffLine, $sum),
                ),
                Show::money($this->house->money($card->approved))
                    ." keyed off line, card ending {$card->last_four}, voice code {$card->authorisation}",
                LimitMatter::CardOffLine,
                $sum,
            );
        }

        return $needs;
    }

    /** @return list<Need> gift cards worth more than somebody may sell */
    private function ofGiftCards(): array
    {
        $needs = [];
        $most = $this->slip->cards_sold === null
                ? null
                : $this->limits->of($this->by()->role, LimitMatter::GiftCardWorth)->perDocument;

        if ($most === null) {
            return [];
        }

        foreach ($this->slip->cardsSold() as $place => $card) {
            $worth = $card->amount + ($card->isNew ? 0 : $this->slip->giftCards[$card->code]->balance ?? 0);

            if ($worth > $most) {
                $scope = Scope::of(ApprovalKind::GiftCardWorth)
                    ->naming('card', $card->code === '' ? "new {$place}" : $card->code)
                    ->upTo('worth', $worth);
                $needs[] = new Need(
                    "gift-card.{$place}",
                    $scope,
                    Refused::because(
                        'gift_card_worth',
                        'A gift card is worth '
                            .Show::money($this->house->money($most))
                            .' at most. '
                            .$this->limits->whoMayApprove(LimitMatter::GiftCardWorth, $worth),
                    ),
                    'gift card worth '.Show::money($this->house->money($worth)),
                    LimitMatter::GiftCardWorth,
                    $worth,
                );
            }
        }

        return $needs;
    }

    /** @return list<Need> a charge beyond what the account allows */
    private function ofCharge(): array
    {
        $check = $this->reckoned->charge();

        if ($check === null || $check->decision->isAllowed() || $check->decision->isRefused()) {
            return [];
        }

        $over = $check->decision->overBy->minor ?? 0;
        $words = implode(
            ', ',
            array_map(
                fn ($reason): string => ChargeWords::short($reason, $check->decision, $this->slip->account),
                $check->decision->reasons,
            ),
        );

        return [
            new Need(
                'charge',
                $check->scope(),
                $check->refused()[0],
                "{$this->slip->customer_name}, ".Show::money($check->amount)." charged: {$words}",
                LimitMatter::Charge,
                max($over, $check->amount->minor),
            ),
        ];
    }

    /** @return list<Need> what is handed out beyond what somebody may, and cash for goods without a receipt */
    private function ofMoneyOut(): array
    {
        $ways = $this->reckoned->refund;

        if ($ways === null || (! $this->reckoned->isRefund() && $this->slip->void_of_id === null)) {
            return [];
        }

        $needs = $this->slip->void_of_id === null
                ? app(Gate::class)->needs($this->by(), $this->slip->day(), $ways->going(), 'refund')
                : [$this->void()];
        $blind = $ways->blindCash();

        if ($blind->isPositive()) {
            $scope = Scope::of(ApprovalKind::BlindCash)->naming('way', TenderKind::Cash->value)->upTo('amount', $blind);
            $needs[] = new Need(
                'refund',
                $scope,
                Refused::because(
                    'blind_cash',
                    'Cash for goods without a receipt. '
                        .$this->limits->whoMayApprove(LimitMatter::WithoutOriginal, $blind->minor),
                ),
                Show::money($blind).' in cash for goods without a receipt',
                LimitMatter::WithoutOriginal,
                $blind->minor,
            );
        }

        foreach ($ways->otherWays() as $way => $amount) {
            $scope = Scope::of(ApprovalKind::OtherWay)->naming('way', $way)->upTo('amount', $amount);
            $needs[] = new Need(
                'refund',
                $scope,
                Refused::because(
                    'other_way',
                    Show::money($amount)
                        ." goes back {$ways->words($way)}, though it did not come in that way. "
                        .$this->limits->whoMayApprove(LimitMatter::OutsidePolicy, $amount->minor),
                ),
                Show::money($amount)." {$ways->words($way)}, though it did not come in that way",
                LimitMatter::OutsidePolicy,
                $amount->minor,
            );
        }

        return $needs;
    }

    public function void(): Need
    {
        $value = $this->reckoned->back?->value() ?? $this->house->money(0);
        $scope = Scope::of(ApprovalKind::Void)->naming('invoice', $this->slip->void_of_id)->upTo('money', $value);

        return new Need(
            'refund',
            $scope,
            Refused::because(
                'void',
                "A sale is taken back whole. {$this->limits->whoMayApprove(LimitMatter::Void, $value->minor)}",
            ),
            Show::money($value).' taken back whole, posted by mistake',
            LimitMatter::Void,
            $value->minor,
        );
    }
}
