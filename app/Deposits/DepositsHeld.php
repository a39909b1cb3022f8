<?php

declare(strict_types=1);

namespace Elmstone\Deposits;

use Illuminate\Support\Facades\DB;

/** What is held for a customer, and what of it is kept for an order. */
final readonly class DepositsHeld
{
    /**
     * @param  array<string, int>  $parts minor units by the order they are kept for, the free ones (empty) first, then
     *     the oldest
     */
    private function __construct(public array $parts)
    {
    }

    public static function of(int $customer): self
    {
        $parts = [];

        foreach (
            DB::select(
                'SELECT kept_for, SUM(amount) AS held FROM deposit_entries WHERE customer_id = ? GROUP BY kept_for '
                    .'HAVING held > 0 ORDER BY kept_for <> \'\', MIN(id)',
                [$customer],
            ) as $row
        ) {
            $parts[(string) $row->kept_for] = (int) $row->held;
        }

        return new self($parts);
    }

    public static function none(): self
    {
        return new self([]);
    }

    public function total(): int
    {
        return array_sum($this->parts);
    }

    public function free(): int
    {
        return $this->parts[''] ?? 0;
    }
}
