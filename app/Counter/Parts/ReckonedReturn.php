<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

use Brick\Math\BigDecimal;
use Carbon\CarbonImmutable;
use Elmstone\Books\GoodsTo;
use Elmstone\Books\Origin;
use Elmstone\Books\Origins;
use Elmstone\Cards\CardState;
use Elmstone\Catalogue\Serials;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\UnitPrice;
use Elmstone\Core\Returns\CreditNote;
use Elmstone\Core\Returns\MoneySource;
use Elmstone\Core\Returns\OriginalLine;
use Elmstone\Core\Returns\Returnable;
use Elmstone\Core\Returns\Taken;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Core\Slip\Direction;
use Elmstone\Core\Slip\ReckonedLine;
use Elmstone\Core\Slip\ReckonedSlip;
use Elmstone\Core\Slip\Slip as SlipValue;
use Elmstone\Core\Slip\SlipLine;
use Elmstone\Core\Tax\TaxTerms;
use Elmstone\Counter\Slip\ReturnOnSlip;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipState;
use Elmstone\Receivables\Ledger\FeeDraft;
use Elmstone\Returns\CreditSources;
use Elmstone\Returns\OriginMoney;
use Elmstone\Returns\Policies;
use Elmstone\Returns\ReturnPolicy;
use Elmstone\Shop\House;
use Illuminate\Support\Facades\DB;

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

    private readonly Money $fee;

    /** @var array<int, Money> by line, also those let off */
    private array $fees = [];

    private ?OriginMoney $money = null;

    /** @var array<int, int|null> */
    private readonly array $ownPolicies;

    private function __construct(
        private readonly Slip $slip,
        private readonly House $house,
        private readonly TaxTerms $terms,
        SlipValue $today,
    ) {
        $this->origins = Origins::of(
            $house->currency(),
            $slip->returns
                ->pluck('origin_document_id')
                ->filter()
                ->map(static fn (mixed $id): int => is_int($id) ? $id : 0)
                ->all(),
        );
        $this->ownPolicies = Policies::ofItems($slip->returns->pluck('item_id')->all());
        $lines = $this->lines();
        $this->fee = $this->reckonedFee($lines);

        if ($this->fee->isPositive()) {
            $lines[] = SlipLine::of(
                self::FEE,
                Direction::Out,
                Quantity::of('1'),
                UnitPrice::of($this->fee->toString()),
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

    public function fee(): Money
    {
        return $this->fee;
    }

    public function line(ReturnOnSlip $line): ReckonedLine
    {
        $place = $this->slip->returns->search(static fn (ReturnOnSlip $one): bool => $one->id === $line->id);

        return $this->sums->lines[(int) $place];
    }

    public function feeLine(): ?ReckonedLine
    {
        return $this->fee->isPositive() ? $this->sums->lines[count($this->sums->lines) - 1] : null;
    }

    public function refused(ReturnOnSlip $line): ?Refused
    {
        return $this->refused[$line->id] ?? null;
    }

    public function policy(ReturnOnSlip $line): ReturnPolicy
    {
        return $this->policies()->for($this->ownPolicies[$line->item_id ?? 0] ?? null, $line->department_id);
    }

    /** Why a line needs approval; empty: it does not. */
    public function outside(ReturnOnSlip $line): string
    {
        $origin = $line->origin();

        $outside = $origin === null ? '' : $this->policy($line)->outside($this->soldOn($line), $this->slip->day());

        return match (true) {
            $this->slip->void_of_id !== null => '',
            $line->goods_to === GoodsTo::None => 'a credit without goods',
            $outside !== '' => $outside,
            $origin !== null => $line->receipt_shown || $this->isTheirs($line) ? '' : 'no receipt was shown',
            $line->item_id === null => 'not in the list, at a price that is typed',
            ! $this->policy($line)->returnable => 'not taken back, and without a receipt',
            default => 'without a receipt',
        };
    }

    /** Whether it was sold to the customer the slip is for. */
    private function isTheirs(ReturnOnSlip $line): bool
    {
        return $this->slip->customer_id !== null
            && ($this->slip->originals[$line->origin_document_id ?? 0] ?? null)?->customer_id !== null;
    }

    /** @return list<string> serial numbers that did not leave the house, or not with the invoice the line is of */
    public function strangeSerials(ReturnOnSlip $line): array
    {
        return $line->item?->has_serials !== true || $line->goods_to === GoodsTo::None || $line->serials === null
            ? []
            : Serials::notOut($line->item->id, $line->serials, $line->origin_document_id);
    }

    public function costOf(ReturnOnSlip $line): Money
    {
        if ($line->goods_to === GoodsTo::None) {
            return $this->house->money(0);
        }

        return $this->taken[$line->id]->cost
            ?? ($line->cost === null
                ? $this->house->money(0)
                : UnitPrice::of($line->cost)->worth(
                    Quantity::of($line->quantity),
                    $line->price_per,
                    $this->house->currency(),
                ));
    }

    /** How the originals were paid. */
    public function money(): OriginMoney
    {
        return $this->money ??= OriginMoney::of(
            $this->house,
            $this->slip->returns
                ->pluck('origin_document_id')
                ->filter()
                ->unique()
                ->map(static fn (mixed $id): int => is_int($id) ? $id : 0)
                ->all(),
            $this->slip->credit_note_id,
            $this->slip->exists ? $this->slip->cardSubject() : null,
        );
    }

    /** What goes back, by where it comes from, when fee and goods taken along are paid with it. */
    public function sources(Money $exchanged): CreditSources
    {
        $anyway = [TenderKind::GiftCard->value => null];

        if ($this->slip->customer_id !== null) {
            $anyway[TenderKind::StoreCredit->value] = null;
        }

        if ($this->slip->account !== null) {
            $anyway[TenderKind::HouseAccount->value] = null;
        }

        [$blind, $paid, $charged] = [[], [], []];

        foreach ($this->values() as $document => $value) {
            if ($document === 0) {
                $blind[] = new MoneySource(CreditSources::BLIND, $value, [...$anyway, TenderKind::Cash->value => null]);
            } else {
                [$paid[], $charged[]] = $this->money()->sources(
                    $document,
                    $value,
                    $anyway,
                    array_keys($this->slip->back_other ?? []),
                );
            }
        }

        $feeLine = $this->feeLine();

        return CreditSources::after(
            [...$blind, ...$paid, ...$charged],
            array_filter(
                [
                    self::FEE => $feeLine->total ?? $this->house->money(0),
                    TenderKind::Exchange->value => $exchanged,
                ],
                static fn (Money $used): bool => $used->isPositive(),
            ),
        );
    }

    /** @return list<Refused> */
    public function hindrances(): array
    {
        $found = array_values($this->refused);

        foreach ($this->slip->returns as $line) {
            if (! $line->isBlind() && $this->soldOn($line)->greaterThan($this->slip->day())) {
                $found[] = Refused::because(
                    'before_sold',
                    "“{$line->description}” was sold later than the day this slip is dated.",
                );
            }

            if ($line->item?->has_serials === true && $line->goods_to !== GoodsTo::None) {
                try {
                    Serials::assertComplete($line->description, $line->quantity, $line->serials ?? []);
                } catch (Refused $refused) {
                    $found[] = $refused;
                }
            }
        }

        foreach ($this->elsewhere() as $refused) {
            $found[] = $refused;
        }

        if ($this->slip->hold !== null) {
            $found[] = Refused::because(
                'hold_and_back',
                'What comes back cannot stand on a slip that is held as a layaway. Take it back on a slip of its own.',
            );
        }

        return $found;
    }

    /** @return list<Refused> originals of which a card is being paid back on another slip that is not posted yet */
    private function elsewhere(): array
    {
        if ($this->slip->isPosted()) {
            return [];
        }

        $ids = $this->slip->returns->pluck('origin_document_id')->filter()->unique()->all();
        $rows = $ids === []
                ? []
                : DB::table('slip_returns as r')
                    ->join('slips as s', 's.id', '=', 'r.slip_id')
                    ->join('documents as d', 'd.id', '=', 'r.origin_document_id')
                    ->join('tills as t', 't.id', '=', 's.till_id')
                    ->join(
                        'card_requests as c',
                        static fn ($join) => $join
                            ->on('c.subject_id', '=', 's.id')
                            ->where('c.subject', 'slip')
                            ->where('c.against', '<>', '')
                            ->whereNull('c.document_id')
                            ->whereIn('c.state', CardState::live()),
                    )
                    ->whereIn('r.origin_document_id', $ids)
                    ->where('s.id', '<>', $this->slip->id)
                    ->where('s.state', SlipState::Open->value)
                    ->distinct()
                    ->get(['d.label', 't.number']);

        return array_values(
            array_map(
                static fn (object $row): Refused => Refused::because(
                    'reserved_elsewhere',
                    "A card is being paid back for {$row->label} on a slip at till {$row->number}. Post that one or "
                        .'undo it first.',
                ),
                is_array($rows) ? $rows : $rows->all(),
            ),
        );
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
                    Money::round(BigDecimal::of($line->unit_price), $this->house->currency()),
                    $this->terms->taxIncluded,
                )
                : $before->returning(Quantity::of($line->quantity));
        } catch (Refused $refused) {
            $this->refused[$line->id] = Refused::because(
                $refused->rule,
                "“{$line->description}”: {$refused->getMessage()}",
            );
            $zero = $this->house->money(0);

            return Taken::of(BigDecimal::zero(), $zero, array_map(static fn (): Money => $zero, $before->taxLeft()));
        }
    }

    /** @param  list<OriginalLine|SlipLine>  $lines */
    private function reckonedFee(array $lines): Money
    {
        $fee = $this->house->money(0);

        foreach ($this->slip->returns->values() as $i => $line) {
            $of = $lines[$i];
            $net = $of instanceof OriginalLine
                    ? $of->taken->net
                    : Money::round($of->exactGross(), $this->house->currency());
            $this->fees[$line->id] = $this->asksFee($line)
                ? $net->percent(Percentage::of($this->policy($line)->fee_percent))
                : $this->house->money(0);
            $fee = $line->fee_waived ? $fee : $fee->plus($this->fees[$line->id]);
        }

        return $fee;
    }

    /** Whether a restocking fee is kept: not where the goods or the sale were wrong. */
    public function asksFee(ReturnOnSlip $line): bool
    {
        return $line->goods_to !== GoodsTo::None
            && $this->slip->void_of_id === null
            && $line->reason->keepsFee()
            && $this->policy($line)->hasFee();
    }

    /** The restocking fee of a line, also where it is let off. */
    public function feeOf(ReturnOnSlip $line): Money
    {
        return $this->fees[$line->id] ?? $this->house->money(0);
    }

    /** @return array<int, Money> what comes back, tax in it, by original; 0: without one */
    private function values(): array
    {
        $values = [];

        foreach ($this->slip->returns as $line) {
            $document = $line->origin_document_id ?? 0;
            $values[$document] = ($values[$document] ?? $this->house->money(0))->plus($this->line($line)->total);
        }

        ksort($values);

        return array_filter($values, static fn (Money $value): bool => $value->isPositive());
    }

    /** A slip that is posted stands as it stood then: what it took back itself does not count. */
    private function asOf(): ?Origin
    {
        return $this->slip->credit_note_id === null ? null : new Origin($this->slip->credit_note_id, 0);
    }

    private function soldOn(ReturnOnSlip $line): CarbonImmutable
    {
        return CarbonImmutable::parse(
            (string) ($this->slip->originals[$line->origin_document_id ?? 0] ?? null)?->business_date->format('Y-m-d'),
        );
    }

    private function policies(): Policies
    {
        return app(Policies::class);
    }
}
