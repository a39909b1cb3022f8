<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle;

use Elmstone\Books\Drafts\DraftCoupon;
use Elmstone\Books\Drafts\DraftTender;
use Elmstone\Books\Drafts\Exempted;
use Elmstone\Cards\CardRequest;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Pricing\Margin;
use Elmstone\Core\Pricing\PriceCheck;
use Elmstone\Core\Settlement\LikelyNotes;
use Elmstone\Core\Settlement\Settlement;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Core\Slip\ReckonedLine;
use Elmstone\Core\Slip\ReckonedSlip;
use Elmstone\Core\Slip\Reckoner;
use Elmstone\Core\Slip\Slip as SlipValue;
use Elmstone\Core\Tax\TaxProfile;
use Elmstone\Core\Tax\TaxTerms;
use Elmstone\Counter\Lines\LineOnSlip;
use Elmstone\Counter\Parts\HeldMoney;
use Elmstone\Counter\Parts\HoldDraft;
use Elmstone\Counter\Parts\ReckonedReturn;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipParty;
use Elmstone\Shop\House;
use Elmstone\Staff\Approvals\Need;

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

    public TaxProfile $profile;

    /** @var array<int, int> each line's place on the slip, by its id */
    public array $places;

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
                SlipCoupons::values($slip, $house),
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
        return $this->refund === null || ! $this->isRefund()
            ? (new SlipTenders($this->slip, $this->house))->drafts()
            : array_values(
                array_filter(
                    (new RefundTenders($this->refund, $this->slip, $this->house))->all(),
                    static fn (DraftTender $draft): bool => $draft->tender->kind !== TenderKind::Exchange,
                ),
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
    public function in(): Money
    {
        return $this->saleTotal()->plus($this->held->total());
    }

    /** What posting it does, in words. */
    public function postWords(): string
    {
        return (new SlipWords($this, $this->house))->post();
    }

    /** What the sum due is made up of, where it is not the sale alone. */
    public function inWords(): string
    {
        return (new SlipWords($this, $this->house))->due();
    }

    /** What the agreement says; null where the slip is not to be held. */
    public function layaway(): ?HoldDraft
    {
        return HoldDraft::of($this, $this->house);
    }

    /** The most of the deposits held that can still be used. */
    public function usableDeposit(): Money
    {
        return $this->upTo(
            $this->dueBeside(TenderKind::DepositHeld),
            $this->slip->deposits?->free() ?? $this->house->money(0),
        );
    }

    /** The most of their store credit that can still be used. */
    public function usableStoreCredit(): Money
    {
        return $this->upTo($this->dueBeside(TenderKind::StoreCredit), $this->house->money($this->slip->storeCredit));
    }

    /** The most that can still be charged to the account: what is sold and not settled otherwise. */
    public function chargeable(): Money
    {
        return $this->upTo($this->dueBeside(TenderKind::HouseAccount), $this->mostCharged());
    }

    /** What is left when all other ways are counted. */
    private function dueBeside(TenderKind $kind): Money
    {
        $others = array_filter($this->tenders(), static fn (Tender $tender): bool => $tender->kind !== $kind);
        $amounts = array_map(static fn (Tender $tender): Money => $tender->amount, $others);

        return $this->payable()->minus(Money::sum($amounts, $this->house->currency()));
    }

    private function upTo(Money $due, Money $most): Money
    {
        $left = Money::min($due, $most);

        return $left->isNegative() ? $this->house->money(0) : $left;
    }

    /** What is sold here and not paid with goods that come back. */
    public function mostCharged(): Money
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
        return $this->dueBeside(TenderKind::Cash);
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
        return (new LineFigures($this, $this->house))->costOf($line);
    }

    /** Where the line stands against floor price and cost, after every discount. */
    public function check(LineOnSlip $line): PriceCheck
    {
        return (new LineFigures($this, $this->house))->check($line);
    }

    /** By how much check() finds it too low, after every discount; coupons do not count. */
    public function gap(LineOnSlip $line): Money
    {
        return (new LineFigures($this, $this->house))->gap($line);
    }

    public function margin(): Margin
    {
        return (new LineFigures($this, $this->house))->margin();
    }

    /**
     * Why it cannot be posted now, in the order a clerk would deal with it.
     *
     * @return list<Refused>
     */
    public function hindrances(): array
    {
        return (new Hindrances($this, $this->house))->all();
    }

    /** @return list<DraftCoupon> with the places of the lines they are for */
    public function draftCoupons(): array
    {
        return SlipCoupons::drafts($this);
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
