<?php

declare(strict_types=1);

namespace Elmstone\Orders;

use Brick\Math\BigDecimal;
use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Orders\Freight;
use Elmstone\Core\Orders\FreightStep;
use Elmstone\Shop\House;
use Elmstone\Support\Show;
use Illuminate\Support\Facades\DB;

/**
 * The shop's terms of orders: the least deposit by kind, freight, the fee of who cancels, how long a quote holds, days
 * on which nothing is brought or collected. One row of settings, read when it is needed.
 */
final class OrderTerms
{
    /** @var array<string, mixed>|null */
    private ?array $read = null;

    public function __construct(private readonly House $house)
    {
    }

    /** Percent of an order that is paid when it is made. */
    public function leastDeposit(OrderSource $source): Percentage
    {
        return Percentage::of($this->text("deposit.{$source->value}", $source === OrderSource::Special ? '25' : '0'));
    }

    /** The fee of who cancels, in percent of what is cancelled, never more than was paid. */
    public function cancellationFee(): Percentage
    {
        return Percentage::of($this->text('cancellation_fee', '0'));
    }

    /** So many days a quote holds. */
    public function quoteDays(): int
    {
        return (int) $this->text('quote_days', '30');
    }

    /** Whether freight is spread over deliveries by their net; else all of it goes with the first. */
    public function spreadsFreight(): bool
    {
        return $this->text('freight_spread', '') === '1';
    }

    public function freightTaxClass(): string
    {
        return $this->text('freight_class', 'standard');
    }

    /**
     * What bringing goods costs; null: the shop has no table, freight is typed.
     *
     * @throws Refused freight_hole
     */
    public function freight(OrderWay $way): ?Freight
    {
        $steps = [];

        foreach ($this->steps($way) as $step) {
            $steps[] = new FreightStep(
                $step['up_to'] === '' ? null : BigDecimal::of($step['up_to']),
                Money::of($step['charge'], $this->house->currency()),
            );
        }

        $free = $this->text("free.{$way->value}", '');

        return $steps === [] ? null : Freight::byWeight(
            $steps,
            $free === '' ? null : Money::of($free, $this->house->currency()),
        );
    }

    /** @return list<array{up_to: string, charge: string}> as typed */
    public function steps(OrderWay $way): array
    {
        $steps = $this->all()["freight.{$way->value}"] ?? [];
        $found = [];

        foreach (is_array($steps) ? $steps : [] as $step) {
            if (is_array($step) && is_string($step['up_to'] ?? null) && is_string($step['charge'] ?? null)) {
                $found[] = ['up_to' => $step['up_to'], 'charge' => $step['charge']];
            }
        }

        return $found;
    }

    /** @return list<int> days of the week on which the shop is closed, 1 is Monday */
    public function closedWeekdays(): array
    {
        return array_map(intval(...), self::parts($this->text('closed_weekdays', '7')));
    }

    /** @return list<string> single days on which it is closed, "2027-12-25" */
    public function closedDays(): array
    {
        return self::parts($this->text('closed_days', ''));
    }

    /** @return list<string> what stands in a text, parted by commas or blanks */
    private static function parts(string $text): array
    {
        return array_values(
            array_filter(
                preg_split('/[\s,;]+/', $text) ?: [],
                static fn (string $part): bool => $part !== '',
            ),
        );
    }

    public function isClosedOn(CarbonImmutable $day): bool
    {
        return in_array($day->dayOfWeekIso, $this->closedWeekdays(), true)
            || in_array($day->format('Y-m-d'), $this->closedDays(), true);
    }

    /** @throws Refused wanted_past, wanted_closed */
    public function assertMayBeWanted(CarbonImmutable $day, CarbonImmutable $today): void
    {
        match (true) {
            $day->format('Y-m-d') < $today->format('Y-m-d') => throw Refused::because(
                'wanted_past',
                Show::date($day).' is past. Choose today or a day to come.',
            ),
            $this->isClosedOn($day) => throw Refused::because(
                'wanted_closed',
                "The shop is closed on {$day->format('l')} ".Show::date($day).'. Choose another day.',
            ),
            default => null,
        };
    }

    public function text(string $name, string $else): string
    {
        $value = $this->all()[$name] ?? $else;

        return is_string($value) ? $value : $else;
    }

    /** @return array<string, mixed> */
    public function all(): array
    {
        if ($this->read === null) {
            $json = DB::table('order_terms')->where('id', 1)->value('terms');
            $read = is_string($json) ? json_decode($json, true, 8, JSON_THROW_ON_ERROR) : [];
            $this->read = [];

            foreach (is_array($read) ? $read : [] as $name => $value) {
                $this->read[(string) $name] = $value;
            }
        }

        return $this->read;
    }

    /**
     * @param  array<string, mixed>  $terms by name, those that change
     *
     * @throws Refused freight_hole, bad_percent
     */
    public function save(array $terms): void
    {
        $this->read = [...$this->all(), ...$terms];

        try {
            array_map($this->freight(...), OrderWay::cases());
            array_map($this->leastDeposit(...), OrderSource::cases());
            $this->cancellationFee();
        } catch (Refused $refused) {
            $this->read = null;

            throw $refused;
        }

        DB::table('order_terms')->updateOrInsert(
            ['id' => 1],
            ['terms' => json_encode($this->read, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE)],
        );
    }
}
