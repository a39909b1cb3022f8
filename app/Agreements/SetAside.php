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

    /** @param  list<AgreedLine>  $lines */
    public static function of(array $lines): self
    {
        $quantities = [];
        $serials = [];

        foreach ($lines as $line) {
            if ($line->item_id !== null) {
                $quantities[$line->item_id] = $line->quantity->value->plus(
                    $quantities[$line->item_id] ?? BigDecimal::zero(),
                );
                $line->serials === null
                    || ($serials[$line->item_id] = [...$serials[$line->item_id] ?? [], ...$line->serials]);
            }
        }

        return new self($quantities, $serials);
    }
}
