<?php

declare(strict_types=1);

namespace Elmstone\Catalogue\Tables;

/** One row of items, read and right: what the item is to be, beside what it is. */
final readonly class ItemRow
{
    private const PRICES = ['list_price' => 'list price', 'floor_price' => 'floor price', 'cost' => 'cost'];

    /**
     * @param  int|null  $id null: it is new
     * @param  array<string, string|int|null>  $values by column
     * @param  array<string, string|int|null>  $before the same of what there is; empty: it is new
     */
    public function __construct(public ?int $id, public array $values, private array $before)
    {
    }

    /** @return list<string> "list price 3.8500 → 4.1000" */
    public function changes(): array
    {
        $changes = [];

        foreach ($this->values as $column => $value) {
            $was = $this->before[$column] ?? null;
            (string) $was === (string) $value || $changes[] = strtr($column, '_', ' ').' '
                .($was === null || $was === '' ? '–' : $was).' → '.($value === null || $value === '' ? '–' : $value);
        }

        return $this->id === null ? [] : $changes;
    }

    public function changesBarcode(): bool
    {
        return $this->id !== null && ($this->before['barcode'] ?? null) !== $this->values['barcode'];
    }

    public function changesDescription(): bool
    {
        return ($this->before['description'] ?? null) !== $this->values['description'];
    }

    /** @return list<array{string, string|null, string|null}> what is put on record: which price, before and after */
    public function prices(): array
    {
        $prices = [];

        foreach (self::PRICES as $column => $name) {
            $was = isset($this->before[$column]) ? (string) $this->before[$column] : null;
            $is = $this->values[$column] === null ? null : (string) $this->values[$column];
            $was === $is || $prices[] = [$name, $was, $is];
        }

        return $prices;
    }
}
