<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Ageing;

use Carbon\CarbonImmutable;
use Elmstone\Core\Receivables\AgeBand;
use Elmstone\Core\Receivables\Ageing;
use Elmstone\Customers\Customer;
use Elmstone\Shop\House;

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
        $in = static fn (AgedAccount $account): int => $band === null
            ? $account->ageing->balance->minor
            : abs($account->ageing->in($band)->minor);
        $accounts = $band === null
                ? $this->accounts
                : array_values(
                    array_filter($this->accounts, static fn (AgedAccount $account): bool => $in($account) !== 0),
                );
        usort(
            $accounts,
            static fn (AgedAccount $one, AgedAccount $other): int => [$in($other), $one->number] <=> [
                $in($one),
                $other->number,
            ],
        );

        return $accounts;
    }
}
