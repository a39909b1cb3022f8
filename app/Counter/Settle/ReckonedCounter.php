<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle;

use Brick\Math\BigRational;
use Elmstone\Books\Drafts\DraftCoupon;
use Elmstone\Books\Drafts\DraftTender;
use Elmstone\Books\Drafts\Exempted;
use Elmstone\Cards\CardRequest;
use Elmstone\Catalogue\Serials;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Pricing\Margin;
use Elmstone\Core\Pricing\PriceCheck;
use Elmstone\Core\Settlement\LikelyNotes;
use Elmstone\Core\Settlement\Settlement;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Core\Slip\Coupon;
use Elmstone\Core\Slip\ReckonedCoupon;
use Elmstone\Core\Slip\ReckonedLine;
use Elmstone\Core\Slip\ReckonedSlip;
use Elmstone\Core\Slip\Reckoner;
use Elmstone\Core\Slip\Slip as SlipValue;
use Elmstone\Core\Tax\TaxProfile;
use Elmstone\Core\Tax\TaxTerms;
use Elmstone\Counter\Parts\HeldMoney;
use Elmstone\Counter\Parts\HoldDraft;
use Elmstone\Counter\Parts\ReckonedReturn;
use Elmstone\Counter\Slip\LineOnSlip;
use Elmstone\Counter\Slip\PaperWay;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipParty;
use Elmstone\Shop\House;
use Elmstone\Staff\Approvals\Need;
use Elmstone\Support\Show;

/** A slip as the core reckons it, with how far it is settled: what the page shows and what posting posts. */
final readonly class ReckonedCounter
{
    public ReckonedSlip $sums;

    /** Null while more is tendered than is due. */
    public ?Settlement $settlement;

    public ?Refused $overTendered;

    public TaxTerms $terms;

    /** What the customer need not pay; null: nothing. */
    public ?Exempted $exempted;

    /** What is taken in besides the sale. */
    public HeldMoney $held;

    /** What comes back; null: nothing. */
    public ?ReckonedReturn $back;

    /** By which ways what comes back goes out, goods taken along among them. */
    public ?RefundWays $refund;

    /** What takes somebody else's approval. */
    public SlipNeeds $needs;

    private TaxProfile $profile;

    /** @var array<int, int> each line's place on the slip, by its id */
    private array $places;

    private function __construct(public Slip $slip, private House $house)
    {
        $this->terms = $house->taxTerms();
        $this->exempted = SlipParty::exempted($slip);
        $this->profile = $slip->location->taxProfile->toValue();
        $currency = $house->currency();
        $lines = array_values($slip->lines->map(static fn (LineOnSlip $line) => $line->toValue($currency))->all());
        $this->places = array_flip(
            array_values($slip->lines->map(static fn (LineOnSlip $line): int => $line->id)->all()),
        );
        $this->sums = Reckoner::reckon(
            SlipValue::of(
                $currency,
                $this->terms,
                $this->profile,
                $lines,
                $slip->discount($currency),
                $this->exempted?->exemption(),
                $this->couponValues(),
            ),
        );
        $this->held = new HeldMoney($slip, $house);
        $this->back = ReckonedReturn::of(
            $slip,
            $house,
            $this->terms,
            SlipValue::of($currency, $this->terms, $this->profile, [], null, $this->exempted?->exemption()),
        );
        $this->refund = $this->back === null
                ? null
                : new RefundWays($slip, $house, $this->back, Money::min($this->back->free(), $this->in()));
        $this->needs = new SlipNeeds($this, $house);
        [$this->settlement, $this->overTendered] = $this->settle();
    }

    /** @throws Refused when a discount no longer fits its lines, or a sum is too large */
    public static function of(Slip $slip, House $house): self
    {
        return new self($slip, $house);
    }

    public function line(LineOnSlip $line): ReckonedLine
    {
        return $this->sums->lines[$this->places[$line->id]];
    }

    /** @return list<Tender> in the order they apply */
    public function tenders(): array
    {
        return array_map(static fn (DraftTender $draft): Tender => $draft->tender, $this->drafts());
    }

    /**
     * The tenders as they will stand on the documents: money in, or, where more comes back, money out.
     *
     * @return list<DraftTender>
     */
    public function drafts(): array
    {
        if ($this->isRefund()) {
            return array_values(
                array_filter(
                    $this->refund?->tenders() ?? [],
                    static fn (DraftTender $draft): bool => $draft->tender->kind !== TenderKind::Exchange,
                ),
            );
        }

        $slip = $this->slip;
        $drafts = array_map(
            fn (CardRequest $card): DraftTender => $this->draft(
                TenderKind::Card,
                $card->approved,
                '',
                $card->card_type,
                $card->last_four,
                $card->authorisation,
            ),
            $this->paidByCard(),
        );

        if ($slip->cheque !== null) {
            $drafts[] = $this->draft(TenderKind::Cheque, $slip->cheque, $slip->cheque_number);
        }

        foreach ($slip->cardsUsed() as $card) {
            $drafts[] = $this->draft(
                TenderKind::GiftCard,
                $card->amount,
                $card->words(),
                authorisation: (string) ($slip->giftCards[$card->code]->id ?? ''),
            );
        }

        foreach (
            [
                [TenderKind::StoreCredit, $slip->store_credit_used, ''],
                [TenderKind::DepositHeld, $slip->deposit_used, ''],
                [TenderKind::HouseAccount, $slip->charge, $slip->purchase_order],
                [TenderKind::Cash, $slip->cash, ''],
            ] as [$kind, $amount, $reference]
        ) {
            if ($amount !== null) {
                $drafts[] = $this->draft($kind, $amount, $reference);
            }
        }

        return $drafts;
    }

    private function draft(
        TenderKind $kind,
        int $amount,
        string $reference = '',
        string $cardType = '',
        string $lastFour = '',
        string $authorisation = '',
    ): DraftTender {
        $money = $this->house->money($amount);

        return new DraftTender(Tender::of($kind, $money), $money, $reference, $cardType, $lastFour, $authorisation);
    }

    /** @return list<CardRequest> */
    public function paidByCard(): array
    {
        return array_values(
            $this->slip->cards
                ->filter(static fn (CardRequest $card): bool => $card->state->pays() && ! $card->isBack())
                ->all(),
        );
    }

    /** Whether more comes back than goes out, so that money goes out. */
    public function isRefund(): bool
    {
        return $this->payable()->isNegative();
    }

    public function unknownCard(): ?CardRequest
    {
        return $this->slip->cards->first(static fn (CardRequest $card): bool => $card->state->isOpen());
    }

    /** What is paid towards the house account with this slip. */
    public function onAccount(): Money
    {
        return $this->held->onAccount();
    }

    /** What is sold here; nothing where it is to be held as a layaway. */
    public function saleTotal(): Money
    {
        return $this->slip->hold === null ? $this->sums->total : Money::zero($this->house->currency());
    }

    /**
     * All that is settled here: what is sold and taken in besides, less what comes back. What was charged goes back to
     * the account first, and pays for no other goods.
     */
    public function payable(): Money
    {
        $in = $this->in();

        return match (true) {
            $this->back === null => $in,
            $in->exceeds($this->back->free()) => $in->minus($this->back->free()),
            default => $in->minus($this->back->value()),
        };
    }

    /** What is sold, and taken in besides. */
    private function in(): Money
    {
        return $this->saleTotal()->plus($this->held->total());
    }

    /** What posting it does, in words. */
    public function postWords(): string
    {
        $in = $this->held->total()->isPositive();

        return match (true) {
            $this->slip->hold !== null => 'Hold as layaway',
            $this->slip->void_of_id !== null => 'Void the sale',
            $this->back !== null => $this->slip->lines->isEmpty()
                ? ($in
                    ? 'Post return and payment'
                    : 'Post return')
                : 'Post exchange',
            $this->slip->lines->isEmpty()
                && $this->slip->cards_sold !== null
                && $this->held->total()->equals($this->held->onGiftCards()) => 'Sell gift card',
            $this->slip->lines->isEmpty()
                && $this->slip->deposit_in !== null
                && $this->held->total()->equals($this->held->depositIn()) => 'Take deposit',
            $this->slip->lines->isEmpty() && ! $in && $this->slip->layawayParts() !== [] => 'Hand over goods',
            $this->slip->lines->isEmpty() && $in => 'Post payment',
            $in => 'Post sale and payment',
            default => 'Post sale',
        };
    }

    /** What the sum due is made up of, where it is not the sale alone. */
    public function inWords(): string
    {
        $made = $this->house->money($this->slip->hold->deposit ?? 0);
        $parts = array_filter(
            [
                'coming back' => $this->back?->value()->negated() ?? $this->house->money(0),
                'sale' => $this->saleTotal(),
                'gift cards' => $this->held->onGiftCards(),
                'towards the account' => $this->onAccount(),
                'deposit' => $this->held->depositIn(),
                'layaway deposit' => $made,
                'on layaways' => $this->held->onLayaways()->minus($made),
            ],
            static fn (Money $amount): bool => ! $amount->isZero(),
        );

        return match (true) {
            array_keys($parts) === ['sale'] => '',
            array_keys($parts) === ['coming back'] => '',
            count($parts) === 1 => (string) array_key_first($parts),
            default => self::parted($parts),
        };
    }

    /** @param  array<string, Money>  $parts */
    private static function parted(array $parts): string
    {
        return implode(
            ', ',
            array_map(
                static fn (string $words, Money $amount): string => "{$words} ".Show::money($amount),
                array_keys($parts),
                $parts,
            ),
        );
    }

    /** What the agreement says; null where the slip is not to be held. */
    public function layaway(): ?HoldDraft
    {
        return HoldDraft::of($this, $this->house);
    }

    /** The most of the deposits held that can still be used. */
    public function usableDeposit(): Money
    {
        return $this->usable(TenderKind::DepositHeld, $this->slip->deposits?->free() ?? 0);
    }

    /** The most of their store credit that can still be used. */
    public function usableStoreCredit(): Money
    {
        return $this->usable(TenderKind::StoreCredit, $this->slip->storeCredit);
    }

    private function usable(TenderKind $kind, int $held): Money
    {
        $others = Money::sum(
            array_map(
                static fn (Tender $tender): Money => $tender->amount,
                array_filter($this->tenders(), static fn (Tender $tender): bool => $tender->kind !== $kind),
            ),
            $this->house->currency(),
        );
        $left = Money::min($this->payable()->minus($others), $this->house->money($held));

        return $left->isNegative() ? $this->house->money(0) : $left;
    }

    /** The most that can still be charged to the account: what is sold and not settled otherwise. */
    public function chargeable(): Money
    {
        $others = Money::sum(
            array_map(
                static fn (Tender $tender): Money => $tender->amount,
                array_filter(
                    $this->tenders(),
                    static fn (Tender $tender): bool => $tender->kind !== TenderKind::HouseAccount,
                ),
            ),
            $this->house->currency(),
        );
        $left = Money::min($this->payable()->minus($others), $this->mostCharged());

        return $left->isNegative() ? $this->house->money(0) : $left;
    }

    /** What is sold here and not paid with goods that come back. */
    private function mostCharged(): Money
    {
        return $this->refund === null
            ? $this->saleTotal()
            : $this->saleTotal()->minus(Money::min($this->saleTotal(), $this->refund->exchanged));
    }

    public function charge(): ?ChargeCheck
    {
        return $this->slip->charge === null || $this->isRefund()
            ? null
            : ChargeCheck::of($this->slip, $this->house->money($this->slip->charge), $this->refund?->charged());
    }

    /** What is left when all but cash is counted. */
    public function dueInCash(): Money
    {
        $others = Money::sum(
            array_map(
                static fn (Tender $tender): Money => $tender->amount,
                array_filter($this->tenders(), static fn (Tender $tender): bool => ! $tender->isCash()),
            ),
            $this->house->currency(),
        );

        return $this->payable()->minus($others);
    }

    public function outstanding(): Money
    {
        return $this->settlement->outstanding ?? Money::zero($this->house->currency());
    }

    /** @return list<Money> */
    public function likelyNotes(): array
    {
        $due = $this->dueInCash();

        return LikelyNotes::for(
            $due->isPositive() ? $this->house->cashStep()?->nearest($due) ?? $due : $due,
            $this->house->notes(),
        );
    }

    public function costOf(LineOnSlip $line): Money
    {
        return $line->costNow() === null
            ? Money::zero($this->house->currency())
            : UnitPrice::of($line->costNow())->worth(
                Quantity::of($line->quantity),
                $line->price_per,
                $this->house->currency(),
            );
    }

    /** Where the line stands against floor price and cost, after every discount. */
    public function check(LineOnSlip $line): PriceCheck
    {
        $reckoned = $this->line($line);

        // Who gave a coupon out has allowed it.
        return PriceCheck::of(
            $reckoned->line->quantity,
            $reckoned->line->pricePer,
            $reckoned->net->plus($reckoned->coupons),
            $line->floor_price === null ? null : UnitPrice::of($line->floor_price),
            $line->costNow() === null ? null : UnitPrice::of($line->costNow()),
            $this->terms->taxIncluded ? $this->taxFactor($line->tax_class) : null,
        );
    }

    /** By how much check() finds it too low, after every discount; coupons do not count. */
    public function gap(LineOnSlip $line): Money
    {
        $reckoned = $this->line($line);

        return PriceCheck::gap(
            $reckoned->line->quantity,
            $reckoned->line->pricePer,
            $reckoned->net->plus($reckoned->coupons),
            $line->floor_price === null ? null : UnitPrice::of($line->floor_price),
            $line->costNow() === null ? null : UnitPrice::of($line->costNow()),
            $this->terms->taxIncluded ? $this->taxFactor($line->tax_class) : null,
        );
    }

    public function margin(): Margin
    {
        $net = $this->terms->taxIncluded ? $this->sums->net->minus($this->sums->taxTotal) : $this->sums->net;
        $costs = $this->slip->lines->map(fn (LineOnSlip $line): Money => $this->costOf($line));

        return Margin::of($net, Money::sum($costs, $this->house->currency()));
    }

    /**
     * Why it cannot be posted now, in the order a clerk would deal with it.
     *
     * @return list<Refused>
     */
    public function hindrances(): array
    {
        $found = [];
        $slip = $this->slip;
        $offSale = $slip->lines->first(static fn (LineOnSlip $line): bool => $line->isOffSale());

        if (
            $slip->lines->isEmpty()
            && $slip->returns->isEmpty()
            && $this->held->total()->isZero()
            && $slip->layawayParts() === []
        ) {
            $found[] = Refused::because('empty', 'There is nothing on this slip yet.');
        }

        if ($offSale !== null) {
            $found[] = Refused::because(
                'off_sale',
                "“{$offSale->description}” was taken off sale. Remove it to post the rest.",
            );
        }

        array_push($found, ...array_map(static fn (Need $need): Refused => $need->refused, $this->needs->open()));

        if ($this->unknownCard() !== null) {
            $found[] = Refused::because('card_unknown', 'The card’s outcome is not known yet. Ask the terminal again.');
        }

        if ($this->overTendered !== null && ! $this->isRefund()) {
            $found[] = $this->overTendered;
        }

        if ($slip->customer?->isMerged() === true) {
            $found[] = Refused::because(
                'customer_merged',
                "{$slip->customer->name} was merged into another customer meanwhile. Choose that one to go on.",
            );
        }

        array_push(
            $found,
            ...$this->goodsHindrances(),
            ...$this->couponHindrances(),
            ...$this->layaway()?->hindrances() ?? [],
            ...$this->held->hindrances($this->in()->minus($this->held->onGiftCards())),
            ...$this->backHindrances(),
        );

        if (
            $slip->hold === null
            && $slip->charge !== null
            && ! $this->isRefund()
            && $this->house->money($slip->charge)->exceeds($this->mostCharged())
        ) {
            $found[] = Refused::because('charge_too_large', 'Only what is sold can be charged to the account.');
        }

        array_push($found, ...$this->charge()?->refusals() ?? []);

        if ($slip->on_account !== null && $slip->account === null) {
            $found[] = Refused::because('not_an_account', 'Without a house account nothing can be paid towards it.');
        }

        if ($slip->cheque !== null && ! $this->isRefund() && $slip->cheque_number === '') {
            $found[] = Refused::because('cheque_number', 'Type the cheque’s number.');
        }

        if ($this->settlement !== null && ! $this->isRefund() && ! $this->settlement->isMet()) {
            $found[] = Refused::because('outstanding', "{$this->settlement->outstanding->toString()} is left to pay.");
        }

        if ($slip->paper === PaperWay::Mail && $slip->mail_to === '') {
            $found[] = Refused::because('mail_to', 'Type where to mail it.');
        }

        return $found;
    }

    /** @return list<Refused> of what comes back, and of money that went the other way meanwhile */
    private function backHindrances(): array
    {
        $found = [...$this->back?->hindrances() ?? [], ...$this->refund?->hindrances() ?? []];
        $wrong = $this->slip->cards->first(
            fn (CardRequest $card): bool => $card->state->pays() && $card->isBack() !== $this->isRefund(),
        );

        if ($wrong !== null) {
            $found[] = Refused::because(
                'card_wrong_way',
                $wrong->isBack()
                    ? "{$this->house->money(
                        $wrong->approved,
                    )->toString()} went back to a card, but nothing is to go back now. Take it back first."
                    : "A card has paid {$this->house->money(
                        $wrong->approved,
                    )->toString()}, but more comes back now than goes out. Give it back first.",
            );
        }

        return $found;
    }

    /** @return list<Refused> */
    private function couponHindrances(): array
    {
        $found = array_values(
            array_filter(
                array_map(static fn (ReckonedCoupon $coupon): ?Refused => $coupon->refused, $this->sums->coupons),
            ),
        );

        foreach ($this->slip->couponsShown ?? [] as $coupon) {
            $hindrance = $coupon->hindrance($this->slip->day());
            $hindrance === ''
                || ($found[] = Refused::because('coupon_over', "Coupon {$coupon->code} {$hindrance}. Take it off."));
        }

        if ($this->slip->hold !== null && $this->slip->coupons !== null) {
            $found[] = Refused::because(
                'coupon_on_layaway',
                'Coupons are not for layaways. Take it off, or sell instead.',
            );
        }

        return $found;
    }

    /** @return list<Coupon> */
    private function couponValues(): array
    {
        $values = [];

        foreach ($this->slip->coupons ?? [] as $id) {
            $coupon = $this->slip->couponsShown?->get($id);

            if ($coupon !== null) {
                $values[] = $coupon->toValue(
                    $this->house->currency(),
                    $coupon->isForAll()
                        ? null
                        : array_values(
                            $this->slip->lines
                                ->filter(
                                    static fn (LineOnSlip $line): bool => $coupon->isFor(
                                        $line->item_id,
                                        $line->department_id,
                                    ),
                                )
                                ->map(static fn (LineOnSlip $line): string => (string) $line->id)
                                ->all(),
                        ),
                );
            }
        }

        return $values;
    }

    /** @return list<DraftCoupon> with the places of the lines they are for */
    public function draftCoupons(): array
    {
        $drafts = [];

        foreach ($this->sums->coupons as $i => $reckoned) {
            $record = $this->slip->couponsShown?->get(($this->slip->coupons ?? [])[$i]);

            if ($record !== null) {
                $lines = $reckoned->coupon->lines;
                $drafts[] = new DraftCoupon(
                    $reckoned,
                    $record->id,
                    $record->description,
                    $lines === null ? null : array_map(fn (string $id): int => $this->places[(int) $id] + 1, $lines),
                );
            }
        }

        return $drafts;
    }

    /** @return list<Refused> serial numbers that are missing */
    private function goodsHindrances(): array
    {
        $found = [];

        foreach ($this->slip->lines as $line) {
            if ($line->item?->has_serials === true) {
                try {
                    Serials::assertComplete(
                        $line->description,
                        $line->quantity,
                        $line->serials ?? [],
                        $this->slip->hold !== null,
                    );
                } catch (Refused $refused) {
                    $found[] = $refused;
                }
            }
        }

        return $found;
    }

    private function taxFactor(string $taxClass): BigRational
    {
        return BigRational::of(TaxProfile::total($this->profile->effectiveRates($taxClass))->plus(100))->dividedBy(100);
    }

    /** @return array{Settlement|null, Refused|null} */
    private function settle(): array
    {
        try {
            return [Settlement::of($this->payable(), $this->tenders(), $this->house->cashStep()), null];
        } catch (Refused $refused) {
            return [null, $refused];
        }
    }
}
