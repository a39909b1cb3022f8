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
    private const AT_ONCE = 2000;

    private function __construct(public CarbonImmutable $day, private Ages $ages, public Ageing $total)
    {
    }

    public static function of(AsOf $asOf, House $house, CarbonImmutable $day): self
    {
        $ages = ShopTime::isToday($day) ? new AgesNow($asOf, $house, $day) : new AgesThen($asOf, $house, $day);

        return new self($day, $ages, $ages->total());
    }

    /** How many accounts had anything open. */
    public function count(): int
    {
        return $this->ages->count();
    }

    /**
     * Those with something in a column, the most first; the whole list by balance.
     *
     * @return list<int> customers
     */
    public function sorted(?AgeBand $band): array
    {
        return $this->ages->sorted($band);
    }

    /**
     * @param  callable(Ageing): bool  $is
     * @return list<int> customers
     */
    public function where(callable $is): array
    {
        return $this->ages->where($is);
    }

    /**
     * @param  list<int>  $customers of the report
     * @return list<AgedAccount> in the same order
     */
    public function accounts(array $customers): array
    {
        $ageings = $this->ages->of($customers);
        $names = [];

        foreach (array_chunk($customers, self::AT_ONCE) as $chunk) {
            $names += Customer::query()
                ->toBase()
                ->join('house_accounts as a', 'a.customer_id', '=', 'customers.id')
                ->whereIn('customers.id', $chunk)
                ->get(['customers.id', 'number', 'name', 'phone', 'a.stopped'])
                ->keyBy('id')
                ->all();
        }

        return array_map(static fn (int $customer): AgedAccount => new AgedAccount(
            $customer,
            (int) $names[$customer]->number,
            (string) $names[$customer]->name,
            (string) $names[$customer]->phone,
            (bool) $names[$customer]->stopped,
            $ageings[$customer],
        ), $customers);
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
