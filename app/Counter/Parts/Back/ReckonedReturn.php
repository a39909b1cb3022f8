<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts\Back;

use Brick\Math\BigDecimal;
use Elmstone\Books\GoodsTo;
use Elmstone\Books\Origin;
use Elmstone\Books\Origins;
use Elmstone\Catalogue\Serials;
use Elmstone\Core\Consignment\Consigned;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Returns\CreditNote;
use Elmstone\Core\Returns\OriginalLine;
use Elmstone\Core\Returns\Returnable;
use Elmstone\Core\Returns\Taken;
use Elmstone\Core\Slip\Direction;
use Elmstone\Core\Slip\ReckonedLine;
use Elmstone\Core\Slip\ReckonedSlip;
use Elmstone\Core\Slip\Slip as SlipValue;
use Elmstone\Core\Slip\SlipLine;
use Elmstone\Core\Tax\TaxTerms;
use Elmstone\Counter\Slip\ReturnOnSlip;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Receivables\Ledger\FeeDraft;
use Elmstone\Returns\CreditSources;
use Elmstone\Returns\OriginMoney;
use Elmstone\Shop\House;

/**
 * What comes back on a slip, as the core works it out: what each line gives back, the restocking fee, and what hinders
 * it.
 */
final class ReckonedReturn
{
    public const FEE = 'fee';

    public readonly ReckonedSlip $sums;

    public readonly Origins $origins;

    /** @var array<int, Taken> by line */
    private array $taken = [];

    /** @var array<int, Refused> by line */
    private array $refused = [];

    public readonly ReturnFees $fees;

    public readonly ReturnTerms $under;

    /** What comes back of card surcharges. */
    public readonly SurchargesBack $surcharges;

    private readonly PaidBy $paidBy;

    private function __construct(
        private readonly Slip $slip,
        private readonly House $house,
        private readonly TaxTerms $terms,
        SlipValue $today,
    ) {
        $this->surcharges = new SurchargesBack($slip);
        $this->origins = Origins::of(
            $house->currency(),
            [
                ...$slip->returns
                    ->pluck('origin_document_id')
                    ->filter()
                    ->map(static fn (mixed $id): int => is_int($id) ? $id : 0)
                    ->all(),
                ...$this->surcharges->documents(),
            ],
        );
        $this->under = new ReturnTerms($slip);
        $this->paidBy = new PaidBy($slip, $house);
        $lines = [...$this->lines(), ...$this->surcharges->lines($this->origins, $terms, $this->asOf())];
        $this->fees = new ReturnFees($slip, $this->under, $lines, $house->currency());

        if ($this->fees->total->isPositive()) {
            $lines[] = SlipLine::of(
                self::FEE,
                Direction::Out,
                Quantity::of('1'),
                UnitPrice::of($this->fees->total->toString()),
                1,
                $house->shop()->fee_tax_class ?? FeeDraft::UNTAXED,
                null,
                false,
            );
        }

        $this->sums = CreditNote::reckon($house->currency(), $terms, $lines, $today);
    }

    /** @param  SlipValue  $today terms, taxes and exemption of the day, for goods without an original */
    public static function of(Slip $slip, House $house, TaxTerms $terms, SlipValue $today): ?self
    {
        return $slip->returns->isEmpty() ? null : new self($slip, $house, $terms, $today);
    }

    /** What the credit note comes to. */
    public function value(): Money
    {
        return $this->sums->total->negated();
    }

    /** What of it is free to pay for other goods or to leave: what was charged goes back to the account first. */
    public function free(): Money
    {
        $zero = $this->house->money(0);

        return $this->value()->minus($this->sources($zero)->charged($zero));
    }

    public function line(ReturnOnSlip $line): ReckonedLine
    {
        $place = $this->slip->returns->search(static fn (ReturnOnSlip $one): bool => $one->id === $line->id);

        return $this->sums->lines[(int) $place];
    }

    /** @return list<ReckonedLine> */
    public function surchargeLines(): array
    {
        return array_slice($this->sums->lines, $this->slip->returns->count(), $this->surcharges->count());
    }

    public function feeLine(): ?ReckonedLine
    {
        return $this->fees->total->isPositive() ? $this->sums->lines[count($this->sums->lines) - 1] : null;
    }

    public function refused(ReturnOnSlip $line): ?Refused
    {
        return $this->refused[$line->id] ?? null;
    }

    /** @return list<string> serial numbers that did not leave the house, or not with the invoice the line is of */
    public function strangeSerials(ReturnOnSlip $line): array
    {
        return $line->item?->has_serials !== true || $line->goods_to === GoodsTo::None || $line->serials === null
            ? []
            : Serials::notOut($line->item->id, $line->serials, $line->origin_document_id);
    }

    /** Whose it was when it was sold; null: the house's. */
    public function consigned(ReturnOnSlip $line): ?Consigned
    {
        $origin = $line->origin();

        return $origin === null ? null : $this->origins->consigned($origin);
    }

    /** What goes back into inventory with it: of what belongs to somebody else, nothing. */
    public function worthOf(ReturnOnSlip $line): Money
    {
        return $this->consigned($line) === null ? $this->costOf($line) : $this->house->money(0);
    }

    public function costOf(ReturnOnSlip $line): Money
    {
        if ($line->goods_to === GoodsTo::None) {
            return $this->house->money(0);
        }

        return $this->taken[$line->id]->cost
            ?? ($line->cost === null
                ? $this->house->money(0)
                : $line->cost->worth(
                    $line->quantity,
                    $line->price_per,
                    $this->house->currency(),
                ));
    }

    /** How the originals were paid. */
    public function money(): OriginMoney
    {
        return $this->paidBy->money;
    }

    /** What goes back, by where it comes from, when fee and goods taken along are paid with it. */
    public function sources(Money $exchanged): CreditSources
    {
        return $this->paidBy->sources($this, $exchanged);
    }

    /** @return list<Refused> */
    public function hindrances(): array
    {
        return [...array_values($this->refused), ...ReturnHindrances::of($this->slip, $this->under)];
    }

    /** @return list<OriginalLine|SlipLine> */
    private function lines(): array
    {
        $so = [];
        $lines = [];

        foreach ($this->slip->returns as $line) {
            $origin = $line->origin();

            if ($origin === null) {
                $lines[] = $line->toValue();

                continue;
            }

            $before = $so[$origin->key()] ?? $this->origins->returnable($origin, $this->asOf());
            $this->taken[$line->id] = $this->takenOf($line, $before);
            $so[$origin->key()] = $before->after($this->taken[$line->id]);
            $lines[] = $this->origins->original($origin, $line->toValue(), $this->taken[$line->id]);
        }

        return $lines;
    }

    /** Where more would come back than there is, nothing does, and the line says so. */
    private function takenOf(ReturnOnSlip $line, Returnable $before): Taken
    {
        try {
            return $line->goods_to === GoodsTo::None
                ? $before->giving(
                    Money::round($line->unit_price->value, $this->house->currency()),
                    $this->terms->taxIncluded,
                )
                : $before->returning($line->quantity);
        } catch (Refused $refused) {
            $this->refused[$line->id] = Refused::because(
                $refused->rule,
                "“{$line->description}”: {$refused->getMessage()}",
            );
            $zero = $this->house->money(0);

            return Taken::of(BigDecimal::zero(), $zero, array_map(static fn (): Money => $zero, $before->taxLeft()));
        }
    }

    /** A slip that is posted stands as it stood then: what it took back itself does not count. */
    private function asOf(): ?Origin
    {
        return $this->slip->credit_note_id === null ? null : new Origin($this->slip->credit_note_id, 0);
    }
}
