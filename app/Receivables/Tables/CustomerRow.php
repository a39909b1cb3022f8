<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Tables;

use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;

/** What a row of a table says of a customer: an empty cell says nothing, a dash alone that there shall be nothing. */
final readonly class CustomerRow
{
    /** Columns that are fields of the customer as they stand. */
    private const AS_THEY_ARE = ['name', 'phone', 'mail', 'street', 'postcode', 'town', 'tax_number'];

    /** @param  array<string, string>  $said by column */
    private function __construct(private array $said)
    {
    }

    /** @param  array<string, string>  $cells by column */
    public static function of(array $cells): self
    {
        return new self(array_map(
            static fn (string $cell): string => in_array($cell, ['-', '–'], true) ? '' : $cell,
            array_filter($cells, static fn (string $cell): bool => $cell !== ''),
        ));
    }

    public function cell(string $column): string
    {
        return $this->said[$column] ?? '';
    }

    /** Also that there shall be nothing. */
    public function says(string $column): bool
    {
        return isset($this->said[$column]);
    }

    /** @return list<string>|null null: it says nothing of them */
    public function tags(): ?array
    {
        return $this->says('tags') ? array_values(array_filter(
            array_map(trim(...), explode(',', $this->cell('tags'))),
            static fn (string $tag): bool => $tag !== '',
        )) : null;
    }

    /** @throws Refused no percentage of a whole */
    public function discount(): ?string
    {
        return $this->cell('discount') === ''
            ? null
            : Percentage::ofWhole(TypedNumber::plain($this->cell('discount')))->toString();
    }

    /**
     * @param  array<string, int>  $types by name, in lower case
     * @return array<string, scalar|null> the customer’s own fields that the row says something of
     */
    public function fields(array $types): array
    {
        $fields = array_intersect_key($this->said, array_flip(self::AS_THEY_ARE));
        $this->cell('kind') === '' || ($fields['kind'] = mb_strtolower($this->cell('kind')));
        $this->cell('country') === '' || ($fields['country'] = strtoupper($this->cell('country')));
        $this->says('type') && ($fields['customer_type_id'] = $types[mb_strtolower($this->cell('type'))] ?? null);
        $this->says('discount') && ($fields['discount_percent'] = $this->discount());

        return $fields;
    }
}
