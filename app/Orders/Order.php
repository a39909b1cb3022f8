<?php

declare(strict_types=1);

namespace Elmstone\Orders;

use Brick\Math\BigDecimal;
use Carbon\CarbonImmutable;
use Elmstone\Agreements\AgreedLine;
use Elmstone\Agreements\Agreement;
use Elmstone\Agreements\AgreementKind;
use Elmstone\Core\Money\Money;
use Elmstone\Orders\Picking\Pick;
use Elmstone\Orders\Supply\Leaving;
use Elmstone\Support\Casts\MoneyCast;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Query\Builder as Query;

/**
 * A promise to supply goods at agreed prices, whole or in parts. Its progress, its money and its state are changed
 * through OrderLedger only, under the row's lock.
 *
 * @property OrderState $state
 * @property OrderSource $source
 * @property bool $is_charged what is supplied goes to the house account
 * @property CarbonImmutable|null $wanted_on
 * @property string $wanted_when morning, afternoon; empty: any time
 * @property Money $least_deposit
 * @property Money $open_total what is not supplied yet, tax in it
 * @property string $deliver_to
 * @property string $note
 * @property string $their_number
 * @property string $ended_why
 * @property-read Collection<int, Pick> $picks
 * @property-read Collection<int, OrderLine> $progress
 */
final class Order extends Agreement
{
    /** @var Collection<int, OrderLine>|null out of which they were put by position */
    private ?Collection $progressOf = null;

    /** @var array<int, OrderLine> by position */
    private array $progressAt = [];

    /** @var Collection<int, AgreedLine>|null out of which they were put by position */
    private ?Collection $agreedOf = null;

    /** @var array<int, AgreedLine> by position */
    private array $agreedAt = [];

    protected static function kind(): AgreementKind
    {
        return AgreementKind::Order;
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            ...parent::casts(),
            'state' => OrderState::class,
            'source' => OrderSource::class,
            'is_charged' => 'bool',
            'wanted_on' => 'immutable_date',
            'least_deposit' => MoneyCast::class,
            'open_total' => MoneyCast::class,
        ];
    }

    /** @return HasMany<OrderLine, $this> */
    public function progress(): HasMany
    {
        return $this->hasMany(OrderLine::class, 'agreement_id')->orderBy('position');
    }

    /** @return HasMany<Pick, $this> what was picked and has not left */
    public function picks(): HasMany
    {
        return $this->hasMany(Pick::class, 'agreement_id')->orderBy('position');
    }

    public function at(int $position): ?OrderLine
    {
        if ($this->progressOf !== $this->progress) {
            $this->progressOf = $this->progress;
            $this->progressAt = $this->progress->keyBy('position')->all();
        }

        return $this->progressAt[$position] ?? null;
    }

    /** A line as it was agreed. */
    public function line(int $position): ?AgreedLine
    {
        if ($this->agreedOf !== $this->lines()) {
            $this->agreedOf = $this->lines();
            $this->agreedAt = $this->lines()->keyBy('position')->all();
        }

        return $this->agreedAt[$position] ?? null;
    }

    /**
     * The ids of those that the shop brings itself, as far as their goods are set aside at a place, in the order in
     * which they are wanted.
     *
     * @return Builder<self>
     */
    public static function toBring(int $location): Builder
    {
        return self::query()
            ->select('id')
            ->forceIndex('agreements_kind_state_wanted_by_id_index')
            ->where('state', OrderState::Open)
            ->where(
                // A value and not a condition: so it is asked order by order, by an index, until there are enough.
                static fn (Query $lines) => $lines
                    ->selectRaw('1')
                    ->from('order_lines')
                    ->where('location_id', $location)
                    ->where('to_bring', true)
                    ->whereColumn('agreement_id', 'agreements.id')
                    ->limit(1),
                '=',
                1,
            )
            ->orderBy('wanted_by')
            ->orderBy('id');
    }

    public function isOpen(): bool
    {
        return $this->state === OrderState::Open;
    }

    /** What is to be paid, or charged, beyond what is held, when everything has left. */
    public function toSettle(): Money
    {
        return $this->open_total->minus($this->held())->orNothing();
    }

    /** @return array<int, BigDecimal> what could leave a place now as it is set aside there, by position */
    public function ready(int $location): array
    {
        $ready = [];

        foreach ($this->progress as $line) {
            $agreed = $line->location_id === $location ? $this->line($line->position) : null;

            if ($agreed !== null && ! $agreed->isFreight()) {
                $now = $line->mayLeave();
                $now->isPositive() && ($ready[$line->position] = $now);
            }
        }

        return $ready;
    }

    /** What would leave a place now: what was picked there, else what is set aside. */
    public function leavesNow(int $location): Leaving
    {
        $ready = $this->ready($location);
        $picks = $this->picks->keyBy('position')->intersectByKeys($ready);

        if ($picks->isEmpty()) {
            return Leaving::of($ready);
        }

        $isTaken = $picks->contains(static fn (Pick $pick): bool => $pick->taken);
        $quantities = [];
        $serials = [];

        foreach ($ready as $position => $quantity) {
            $line = $this->at($position);
            $pick = $picks->get($position);
            // Charges and goods without a number are not picked: they go with the rest, but not with what was taken.
            $quantities[$position] = $line === null || ($line->item_id === null && ! $isTaken)
                ? $quantity
                : ($pick?->of($line) ?? BigDecimal::zero());
            $pick?->serials === null || ($serials[$position] = $pick->serials);
        }

        return Leaving::of($quantities, $serials);
    }

    /** Whether any goods of it were supplied yet. */
    public function hasBegun(): bool
    {
        return $this->progress->contains(static fn (OrderLine $line): bool => $line->done()->quantity->isPositive());
    }

    /** Whether any of it is brought to them. */
    public function isBrought(): bool
    {
        return $this->lines()->contains(
            static fn (AgreedLine $line): bool => ! $line->isFee()
                && OrderWay::from((string) $line->way)->isBrought(),
        );
    }

    /** By which way the lines reach the customer, in words; "delivery, to collect". */
    public function waysInWords(): string
    {
        return implode(', ', array_unique(
            $this->lines()
                ->filter(static fn (AgreedLine $line): bool => ! $line->isFee())
                ->map(static fn (AgreedLine $line): string => OrderWay::from((string) $line->way)->words())
                ->all(),
        ));
    }

    public function isLate(CarbonImmutable $day): bool
    {
        return $this->isOpen() && $this->written('wanted_on') !== ''
            && $this->written('wanted_on') < $day->format('Y-m-d');
    }
}
