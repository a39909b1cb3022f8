<?php

declare(strict_types=1);

namespace Elmstone\Agreements;

use Brick\Math\BigDecimal;

/** What lines set aside, by item. */
final readonly class SetAside
{
    /**
     * @param  array<int, BigDecimal>  $quantities
     * @param  array<int, list<string>>  $serials
     */
    private function __construct(public array $quantities, public array $serials)
    {
    }

    /** @param  list<array<string, mixed>>  $rows of agreed lines */
    public static function of(array $rows): self
    {
        $quantities = [];
        $serials = [];

        foreach ($rows as $row) {
            $item = $row['item_id'] ?? null;

            if (! is_int($item)) {
                continue;
            }

            $quantities[$item] = ($quantities[$item] ?? BigDecimal::zero())->plus(
                is_string($row['quantity']) ? $row['quantity'] : '0',
            );
            $pieces = is_string($row['serials'] ?? null)
                ? json_decode($row['serials'], true, 4, JSON_THROW_ON_ERROR)
                : [];

            foreach (is_array($pieces) ? $pieces : [] as $piece) {
                $serials[$item][] = is_string($piece) ? $piece : '';
            }
        }

        return new self($quantities, $serials);
    }
}
