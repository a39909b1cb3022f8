<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle;

use Elmstone\Books\Drafts\DraftTender;
use Elmstone\Books\Drafts\Exempted;
use Elmstone\Cards\CardRequest;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
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
use Elmstone\Counter\Parts\Back\ReckonedReturn;
use Elmstone\Counter\Parts\MoneyIn;
use Elmstone\Counter\Settle\Cards\SlipSurcharges;
use Elmstone\Counter\Slip\Becomes;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipParty;
use Elmstone\Shop\House;
use Elmstone\Staff\Approvals\Need;

/** A slip as the core reckons it, with how far it is settled: what the page shows and what posting posts. */
final readonly class ReckonedCounter
{
    use SaysMore;

    public ReckonedSlip $sums;

    /** Null while more is tendered than is due. */
    public ?Settlement $settlement;

    public ?Refused $overTendered;

    public TaxTerms $terms;

    /** What the customer need not pay; null: nothing. */
    public ?Exempted $exempted;

    /** What is taken in besides the sale. */
    public MoneyIn $moneyIn;

    /** What comes back; null: nothing. */
    public ?ReckonedReturn $back;

    /** By which ways what comes back goes out, goods taken along among them. */
    public ?RefundWays $refund;

    /** What takes somebody else's approval. */
    public SlipNeeds $needs;

    public TaxProfile $profile;

    /** What paying it by card costs. */
    public SlipSurcharges $surcharges;

    /** @var array<int, int> each line's place on the slip, by its id */
    public array $places;

    private function __construct(public Slip $slip, private House $house)
    {
        $this->terms = $house->taxTerms();
        $this->exempted = SlipParty::exempted($slip);
        $this->profile = $slip->taxPlace()->toValue($slip->day());
        $currency = $house->currency();
        $lines = array_values($slip->lines->map(static fn (LineOnSlip $line) => $line->toValue($currency))->all());
        $this->places = array_flip(
            array_values($slip->lines->map(static fn (LineOnSlip $line): int => $line->id)->all()),
        );
        $this->surcharges = new SlipSurcharges($slip);
        $this->sums = Reckoner::reckon(
            SlipValue::of(
                $currency,
                $this->terms,
                $this->profile,
                [...$lines, ...$this->surcharges->lines()],
                $slip->discount(),
                $this->exempted?->exemption(),
                SlipCoupons::values($slip),
            ),
        );
        $this->moneyIn = app(MoneyIn::class);
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

    /** @return list<ReckonedLine> what paying by card costs, in the order of its cards */
    public function surchargeLines(): array
    {
        return array_slice($this->sums->lines, count($this->places));
    }

    /** What the goods on it come to before what is off all of it, without what paying by card costs. */
    public function goods(): Money
    {
        return array_reduce(
            $this->surchargeLines(),
            static fn (Money $goods, ReckonedLine $line): Money => $goods->minus($line->net),
            $this->sums->subtotal,
        );
    }

    /** Whether anything of it is a sale. */
    public function sells(): bool
    {
        return $this->slip->becomesSale() && $this->sums->lines !== [];
    }

    /** Whether nobody has anything to pay on it: a quote, with nothing else on it. */
    public function takesNoMoney(): bool
    {
        return $this->slip->becomes === Becomes::Quote
            && $this->payable()->isZero()
            && $this->slip->cards->isEmpty()
            && $this->tenders() === [];
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
            ? (new SlipTenders($this->slip))->drafts()
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

    /** What is sold here; nothing where it is to become something else. */
    public function saleTotal(): Money
    {
        return $this->slip->becomesSale() ? $this->sums->total : Money::zero($this->house->currency());
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
        return $this->saleTotal()->plus($this->taken());
    }

    /** What is taken in besides what is sold. */
    public function taken(): Money
    {
        return $this->moneyIn->total($this->slip);
    }

    public function outstanding(): Money
    {
        return $this->settlement->outstanding ?? Money::zero($this->house->currency());
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
