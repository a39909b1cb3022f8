<?php

declare(strict_types=1);

namespace Elmstone\Ledger;

use Carbon\CarbonImmutable;
use Elmstone\Books\Account;
use Elmstone\Books\AccountKind;
use Elmstone\Books\Figures\LedgerDays;
use Elmstone\Core\Money\Money;
use Elmstone\Shop\House;
use Elmstone\Support\Database\Snapshot;

/**
 * What every account stood at before a day, what moved on it, and where it stands at the end; debits above zero,
 * credits below. What closes a year is left out of the time it closes, unless it is asked for: so income and cost of a
 * year can be read after it is closed.
 */
final readonly class TrialBalance
{
    /** @param  list<AccountBalance>  $accounts in the order of the chart, those with anything on them */
    private function __construct(public array $accounts, private House $house)
    {
    }

    /** @param  int|null  $location null: all */
    public static function of(
        ?CarbonImmutable $from,
        CarbonImmutable $until,
        ?int $location,
        bool $withYearEnd,
        LedgerDays $days,
        House $house,
    ): self {
        [$before, $moved, $closing] = Snapshot::of(static fn (): array => [
            $from === null ? [] : $days->between(null, $from->subDay(), $location),
            $days->between($from, $until, $location),
            $withYearEnd ? [] : Years::moved($from, $until, $location),
        ]);
        $accounts = [];

        foreach (Account::query()->orderBy('number')->get() as $account) {
            [$debit, $credit] = $moved[$account->code] ?? [0, 0];
            [$lessDebit, $lessCredit] = $closing[$account->code] ?? [0, 0];
            $opening = ($before[$account->code][0] ?? 0) - ($before[$account->code][1] ?? 0);
            $balance = new AccountBalance(
                $account,
                $house->money($opening),
                $house->money($debit - $lessDebit),
                $house->money($credit - $lessCredit),
            );
            $balance->isEmpty() || ($accounts[] = $balance);
        }

        return new self($accounts, $house);
    }

    /** @return list<AccountBalance> */
    public function ofKind(AccountKind $kind): array
    {
        return array_values(array_filter(
            $this->accounts,
            static fn (AccountBalance $balance): bool => $balance->account->kind === $kind,
        ));
    }

    /**
     * Opening, debits, credits and closing of some accounts together.
     *
     * @param  list<AccountBalance>|null  $of null: all
     * @return array{opening: Money, debit: Money, credit: Money, closing: Money}
     */
    public function sums(?array $of = null): array
    {
        $of ??= $this->accounts;
        $sum = fn (callable $figure): Money => Money::sum(array_map($figure, $of), $this->house->currency());

        return [
            'opening' => $sum(static fn (AccountBalance $one): Money => $one->opening),
            'debit' => $sum(static fn (AccountBalance $one): Money => $one->debit),
            'credit' => $sum(static fn (AccountBalance $one): Money => $one->credit),
            'closing' => $sum(static fn (AccountBalance $one): Money => $one->closing()),
        ];
    }

    /** What was earned in the time: income less cost and expense. Above zero: a profit. */
    public function profit(): Money
    {
        $moved = array_map(
            static fn (AccountBalance $one): Money => $one->credit->minus($one->debit),
            [...$this->ofKind(AccountKind::Income), ...$this->ofKind(AccountKind::Expense)],
        );

        return Money::sum($moved, $this->house->currency());
    }
}
