<?php

declare(strict_types=1);

namespace Elmstone\Reports;

use Brick\Math\BigDecimal;
use Elmstone\Core\Money\Currency;
use Elmstone\Shop\House;
use Elmstone\Staff\Ability;
use Elmstone\Staff\Staff;
use Elmstone\Support\Database\Snapshot;

/** A report as it was asked for: its rows, their sums, and what another period had in their place. */
final readonly class Answer
{
    /**
     * @param  list<Figure>  $figures those the person may see
     * @param  list<Entry>  $entries
     * @param  array<string, mixed>  $totals by figure
     * @param  array<string, array<string, mixed>>|null  $before figures by key; null: nothing is set beside
     * @param  array<string, mixed>  $totalsBefore
     */
    private function __construct(
        public Definition $definition,
        public Asked $asked,
        public array $figures,
        public array $entries,
        public array $totals,
        public ?array $before,
        public array $totalsBefore,
        public Currency $currency,
    ) {
    }

    /** All of it as it stood at one moment. */
    public static function to(Definition $definition, Asked $asked, Staff $person, House $house): self
    {
        return Snapshot::of(static fn (): self => self::read($definition, $asked, $person, $house));
    }

    private static function read(Definition $definition, Asked $asked, Staff $person, House $house): self
    {
        $figures = array_values(array_filter(
            $definition->figures($asked),
            static fn (Figure $figure): bool => ! $figure->isCost || $person->mayDo(Ability::SeeMargin),
        ));
        $entries = self::sorted($definition->entries($asked), $figures, $asked->sort);
        $other = $definition->compares() ? $asked->other() : null;
        $before = null;
        $entriesBefore = $other === null ? [] : $definition->entries($asked->in($other));

        if ($other !== null) {
            $before = [];

            foreach ($entriesBefore as $entry) {
                $before[self::place($entry, $asked)] = $entry->figures;
            }
        }

        return new self(
            $definition, $asked, $figures, $entries, self::summed($entries, $figures), $before,
            self::summed($entriesBefore, $figures), $house->currency(),
        );
    }

    /** What a row of another period had in its place; days and the like are set beside by their order. */
    public function had(Entry $entry): mixed
    {
        return $this->figures[0]->of($this->before[self::place($entry, $this->asked)] ?? []) ?? 0;
    }

    private static function place(Entry $entry, Asked $asked): string
    {
        return in_array($asked->by, ['day', 'week', 'month'], true) ? (string) $entry->figures['place'] : $entry->key;
    }

    /**
     * @param  list<Entry>  $entries
     * @param  list<Figure>  $figures
     * @return list<Entry>
     */
    private static function sorted(array $entries, array $figures, string $sort): array
    {
        foreach ($figures as $figure) {
            if ($figure->name === $sort && $figure->kind !== FigureKind::Text) {
                usort($entries, static fn (Entry $one, Entry $other): int => self::decimal($figure->of($other->figures))
                    ->compareTo(self::decimal($figure->of($one->figures))));
            }
        }

        return $entries;
    }

    private static function decimal(mixed $value): BigDecimal
    {
        return BigDecimal::of(is_numeric($value) ? (string) $value : '0');
    }

    /**
     * @param  list<Entry>  $entries
     * @param  list<Figure>  $figures
     * @return array<string, mixed>
     */
    private static function summed(array $entries, array $figures): array
    {
        $sums = [];

        foreach ($figures as $figure) {
            if ($figure->isInTotal) {
                $sums[$figure->name] = $figure->kind === FigureKind::Quantity
                    ? (string) array_reduce(
                        $entries,
                        static fn (BigDecimal $sum, Entry $entry): BigDecimal => $sum->plus(
                            self::decimal($figure->of($entry->figures)),
                        ),
                        BigDecimal::zero(),
                    )
                    : array_sum(array_map(
                        static fn (Entry $entry): int => self::decimal($figure->of($entry->figures))->toInt(),
                        $entries,
                    ));
            }
        }

        return $sums;
    }
}
