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
        return $account === null
            ? new self([])
            : self::where('a.id = ?', [$account->id], $account->kind)[$account->kind->value];
    }

    /** Of a customer's only account of a kind. */
    public static function ofCustomer(HeldKind $kind, int $customer): self
    {
        return self::eachOfCustomer($customer, $kind)[$kind->value];
    }

    /** @return array<string, self> of a customer's only accounts of several kinds, by kind */
    public static function eachOfCustomer(int $customer, HeldKind ...$kinds): array
    {
        $names = array_column($kinds, 'value');
        $asked = implode(', ', array_fill(0, count($names), '?'));

        return self::where("a.kind IN ({$asked}) AND a.customer_id = ? AND a.sole", [...$names, $customer], ...$kinds);
    }

    /**
     * @param  list<int|string>  $which
     * @return array<string, self> by kind, each of those asked for
     */
    private static function where(string $where, array $which, HeldKind ...$kinds): array
    {
        $rows = DB::select(
            'SELECT a.kind, e.kept_for, SUM(e.amount) AS held FROM held_accounts a '
                ."JOIN held_entries e ON e.account_id = a.id WHERE {$where} "
                ."GROUP BY a.kind, e.kept_for HAVING held > 0 ORDER BY e.kept_for <> '', MIN(e.id)",
            $which,
        );
        $parts = array_fill_keys(array_column($kinds, 'value'), []);

        foreach ($rows as $row) {
            $parts[$row->kind][(string) $row->kept_for] = Money::ofMinor((int) $row->held, app(Currency::class));
        }

        return array_map(static fn (array $its): self => new self($its), $parts);
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
