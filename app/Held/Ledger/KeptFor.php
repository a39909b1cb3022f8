<?php

declare(strict_types=1);

namespace Elmstone\Held\Ledger;

use Elmstone\Books\HeldKind;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Illuminate\Support\Facades\DB;

/** What is held on an account by what it is kept for: free first, then for an order, oldest first. */
final readonly class KeptFor
{
    /** @param  array<array-key, Money>  $parts by the order it is kept for; '' is free; each above zero */
    private function __construct(public array $parts)
    {
    }

    public static function of(?HeldAccount $account): self
    {
        return $account === null ? new self([]) : self::where('a.id = ?', [$account->id]);
    }

    /** Of a customer's only account of a kind. */
    public static function ofCustomer(HeldKind $kind, int $customer): self
    {
        return self::where('a.kind = ? AND a.customer_id = ? AND a.sole', [$kind->value, $customer]);
    }

    /** @param  list<int|string>  $which */
    private static function where(string $where, array $which): self
    {
        $rows = DB::select(
            'SELECT e.kept_for, SUM(e.amount) AS held FROM held_accounts a JOIN held_entries e ON e.account_id = a.id '
                ."WHERE {$where} GROUP BY e.kept_for HAVING held > 0 ORDER BY e.kept_for <> '', MIN(e.id)",
            $which,
        );
        $parts = [];

        foreach ($rows as $row) {
            $parts[(string) $row->kept_for] = Money::ofMinor((int) $row->held, app(Currency::class));
        }

        return new self($parts);
    }

    public function total(): Money
    {
        return Money::sum($this->parts, app(Currency::class));
    }

    public function free(): Money
    {
        return $this->for('');
    }

    public function for(string $order): Money
    {
        return $this->parts[$order] ?? Money::zero(app(Currency::class));
    }

    /**
     * How an amount leaves: of the order named before all others, then in their order.
     *
     * @return array<array-key, Money> by what it is kept for, each above zero
     */
    public function leaving(Money $amount, ?string $first = null): array
    {
        $parts = $first === null || ! isset($this->parts[$first])
            ? $this->parts
            : [$first => $this->parts[$first]] + $this->parts;
        $leaving = [];

        foreach ($parts as $order => $held) {
            $leaving[$order] = Money::min($held, $amount);
            $amount = $amount->minus($leaving[$order]);
        }

        return array_filter($leaving, static fn (Money $part): bool => $part->isPositive());
    }
}
