<?php

declare(strict_types=1);

namespace Elmstone\Held\Ledger;

use Carbon\CarbonImmutable;
use Elmstone\Books\HeldKind;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Illuminate\Support\Facades\DB;

/**
 * What the shop held for its customers as of a day, past or present, of the kinds asked for. From entries dated on or
 * before it. What is the bearer's, as gift cards are, is in no customer's row.
 */
final readonly class Liability
{
    /**
     * @param  list<HeldFor>  $customers by name, those with nothing held left out
     * @param  array<string, Money>  $totals by kind
     */
    private function __construct(public array $customers, private array $totals)
    {
    }

    public static function on(CarbonImmutable $day, HeldKind ...$kinds): self
    {
        $currency = app(Currency::class);
        $names = array_map(static fn (HeldKind $kind): string => $kind->value, $kinds);
        $held = DB::table('held_entries as e')
            ->join('held_accounts as a', 'a.id', '=', 'e.account_id')
            ->join('customers as c', 'c.id', '=', 'a.customer_id')
            ->where('e.business_date', '<=', $day->format('Y-m-d'))
            ->whereIn('a.kind', $names)
            ->groupBy('c.id', 'c.number', 'c.name', 'a.kind')
            ->havingRaw('SUM(e.amount) <> 0')
            ->orderBy('c.name')
            ->orderBy('c.id')
            ->selectRaw('c.id, c.number, c.name, a.kind, SUM(e.amount) AS held')
            ->get();
        $totals = array_fill_keys($names, Money::zero($currency));
        $customers = [];

        foreach ($held as $row) {
            $amount = Money::ofMinor((int) $row->held, $currency);
            $customers[(int) $row->id] ??= [(int) $row->number, (string) $row->name, []];
            $customers[(int) $row->id][2][(string) $row->kind] = $amount;
            $totals[(string) $row->kind] = $totals[(string) $row->kind]->plus($amount);
        }

        return new self(
            array_values(array_map(static fn (array $one): HeldFor => new HeldFor(...$one), $customers)),
            $totals,
        );
    }

    public function total(HeldKind $kind): Money
    {
        return $this->totals[$kind->value] ?? Money::zero(app(Currency::class));
    }
}
