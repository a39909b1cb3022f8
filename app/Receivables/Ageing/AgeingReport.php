<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Ageing;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Receivables\AgeBand;
use Elmstone\Core\Receivables\Ageing;
use Elmstone\Customers\Customer;
use Elmstone\Shop\House;
use Elmstone\Support\Report\Column;
use Elmstone\Support\Report\Report;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Show;

/** The ageing of all accounts as of a day. */
final readonly class AgeingReport
{
    /**
     * @param  list<AgedAccount>  $accounts
     */
    private function __construct(public CarbonImmutable $day, public array $accounts, public Ageing $total)
    {
    }

    public static function of(AsOf $asOf, House $house, CarbonImmutable $day): self
    {
        $total = Ageing::of($house->currency(), $day, []);
        $names = Customer::query()
            ->toBase()
            ->join('house_accounts as a', 'a.customer_id', '=', 'customers.id')
            ->get(['customers.id', 'number', 'name', 'phone', 'a.stopped'])
            ->keyBy('id');
        $accounts = [];

        foreach ($asOf->all($day) as $customer => $ageing) {
            $total = $total->plus($ageing);
            $row = $names->get($customer);
            $accounts[] = new AgedAccount(
                $customer,
                (int) $row?->number,
                (string) $row?->name,
                (string) $row?->phone,
                (bool) $row?->stopped,
                $ageing,
            );
        }

        return new self($day, $accounts, $total);
    }

    /**
     * Those with something in a column, the most first; the whole list by balance.
     *
     * @return list<AgedAccount>
     */
    public function sorted(?AgeBand $band): array
    {
        $in = static fn (AgedAccount $account): Money => $band === null
            ? $account->ageing->balance
            : $account->ageing->in($band)->abs();
        $accounts = $band === null
                ? $this->accounts
                : array_values(
                    array_filter($this->accounts, static fn (AgedAccount $account): bool => ! $in($account)->isZero()),
                );
        usort(
            $accounts,
            static fn (AgedAccount $one, AgedAccount $other): int => $in($other)->compare($in($one))
                ?: $one->number <=> $other->number,
        );

        return $accounts;
    }

    /**
     * @param  list<AgedAccount>  $accounts of them
     * @return Report<AgedAccount>
     */
    public function table(array $accounts, House $house): Report
    {
        $keep = ShopTime::isToday($this->day) ? [] : ['as_of' => $this->day->format('Y-m-d')];
        $link = static fn (AgedAccount $account): string => route('accounts.show', [$account->number, ...$keep]);
        $bands = array_map(
            fn (AgeBand $band): Column => Column::money(
                $band->label(),
                $band->value,
                static fn (AgedAccount $account): Money => $account->ageing->in($band),
            )
                ->blankAtZero()
                ->headLeading(route('accounts', [...$keep, 'band' => $band->value]))
                ->toned(static fn (): string => $band === AgeBand::Over90 ? 'brick' : '')
                ->totalling($this->total->in($band)),
            AgeBand::cases(),
        );

        return Report::of('Accounts', $accounts, [
            Column::code('Account', 'account', static fn (AgedAccount $account): int => $account->number, $link),
            Column::text('Name', 'name', static fn (AgedAccount $account): string => $account->name)->leading($link),
            Column::text('', '', static fn (AgedAccount $account): string => $account->stopped ? 'on stop' : '')
                ->small()
                ->toned(static fn (): string => 'brick'),
            ...$bands,
            Column::money('Balance', 'balance', static fn (AgedAccount $account): Money => $account->ageing->balance)
                ->toned(static fn (): string => 'fw-bold')
                ->totalling($this->total->balance),
            Column::inFile('currency', static fn (): string => $house->currency()->code),
            Column::inFile('as of', fn (): CarbonImmutable => $this->day),
        ])
            ->about(
                'what is owed, and how late it is, as of '.Show::date($this->day)." · {$house->currency()->code}",
            )
            ->summedAs('All accounts')
            ->savedAs("ageing-{$this->day->format('Y-m-d')}", 'accounts.ageing.csv')
            ->asOf($this->day);
    }
}
