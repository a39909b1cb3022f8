<?php

declare(strict_types=1);

namespace Elmstone\Reports;

use Carbon\CarbonImmutable;
use Elmstone\Books\Proof\LastProof;
use Elmstone\Catalogue\Markdowns\Proposals;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Receivables\AgeBand;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Ageing\AgesNow;
use Elmstone\Receivables\Ageing\AsOf;
use Elmstone\Reports\Definitions\ApprovalsGiven;
use Elmstone\Reports\Definitions\HandMadePrices;
use Elmstone\Reports\Definitions\Sales;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;
use Elmstone\Staff\Ability;
use Elmstone\Staff\Staff;
use Elmstone\Support\Report\Period;
use Elmstone\Support\Show;

/** What the owner looks at first: today so far, yesterday, the month, each beside what it was, and what needs eyes. */
final readonly class FrontPage
{
    public function __construct(
        private Sales $sales,
        private HandMadePrices $prices,
        private ApprovalsGiven $approvals,
        private AsOf $asOf,
        private House $house,
    ) {
    }

    /** @return list<FrontTime> */
    public function times(CarbonImmutable $today, ?int $location): array
    {
        $month = Period::between($today->startOfMonth(), $today);
        $lastMonth = Period::between(
            $month->from->subMonthNoOverflow(),
            $month->from->subMonthNoOverflow()->addDays($month->days() - 1)
                ->min($month->from->subDay()),
        );
        $day = static fn (CarbonImmutable $of): Period => Period::between($of, $of);

        return [
            $this->time('Today so far', $day($today), $day($today->subWeek()), 'a week ago, all day', $location),
            $this->time(
                'Yesterday', $day($today->subDay()), $day($today->subDay()->subWeek()), 'a week before', $location,
            ),
            $this->time('This month so far', $month, $lastMonth, 'the same days of last month', $location),
        ];
    }

    private function time(string $title, Period $period, Period $other, string $beside, ?int $location): FrontTime
    {
        $now = $this->summed($period, $location);

        return new FrontTime(
            $title,
            $period,
            $this->house->money($now['net']),
            $now['sales'],
            $this->house->money($now['margin']),
            $this->house->money($this->summed($other, $location)['net']),
            $beside,
        );
    }

    /** @return array{net: int, sales: int, margin: int} */
    private function summed(Period $period, ?int $location): array
    {
        $sums = ['net' => 0, 'sales' => 0, 'margin' => 0];

        foreach ($this->sales->entries(new Asked($period, 'location', location: $location)) as $entry) {
            foreach ($sums as $name => $sum) {
                $value = $entry->figures[$name] ?? 0;
                $sums[$name] = $sum + (is_int($value) ? $value : 0);
            }
        }

        return $sums;
    }

    /** The last two weeks as bars, each beside the same day the week before. */
    public function bars(CarbonImmutable $today, ?int $location, Staff $person): string
    {
        return Bars::svg(Answer::to(
            $this->sales,
            new Asked(Period::between($today->subDays(13), $today), 'day', 'before', location: $location),
            $person,
            $this->house,
        ));
    }

    /** @return list<Eye> */
    public function eyes(CarbonImmutable $today, Staff $person): array
    {
        return [
            ...$this->books($today), ...$this->prices($person), ...$this->money($today, $person),
            ...$this->given($today, $person),
        ];
    }

    /** @return list<Eye> */
    private function books(CarbonImmutable $today): array
    {
        $proof = LastProof::find();
        $found = [new Eye(
            'The books prove',
            match (true) {
                $proof === null => 'not proved yet',
                $proof->faults > 0 => "{$proof->faults} faults",
                default => 'proved '.Show::moment($proof->ranAt),
            },
            route('calendar'),
            $proof === null || $proof->faults > 0 || $proof->ranAt->lessThan($today->subDays(2)),
        )];

        foreach (Location::query()->orderBy('id')->get() as $location) {
            $open = (int) $location->closed_through->diffInDays($today->subDay());
            $found[] = new Eye(
                "Days closed at {$location->name}",
                'through '.Show::date($location->closed_through),
                route('calendar'),
                $open > 2,
            );
        }

        return $found;
    }

    /** @return list<Eye> what age has brought down this morning, where there is any */
    private function prices(Staff $person): array
    {
        $proposed = $person->mayDo(Ability::EditPrices) ? Proposals::waiting() : 0;

        return $proposed === 0 ? [] : [new Eye(
            'Prices to mark down',
            $proposed === 1 ? 'one item' : number_format($proposed).' items',
            route('markdowns'),
            true,
        )];
    }

    /** @return list<Eye> */
    private function money(CarbonImmutable $today, Staff $person): array
    {
        if (! $person->mayDo(Ability::SeeAgeing)) {
            return [];
        }

        $ages = (new AgesNow($this->asOf, $this->house, $today))->total();
        $late = Money::sum(array_map(
            $ages->in(...), [AgeBand::To30, AgeBand::To60, AgeBand::To90, AgeBand::Over90],
        ), $this->house->currency());

        return [new Eye(
            'Owed on accounts',
            Show::money($ages->balance).', of it late '.Show::money($late),
            route('accounts'),
            $late->isPositive(),
        ), ...$this->reviews($today)];
    }

    /** @return list<Eye> accounts whose terms are to be looked at again, where there are any */
    private function reviews(CarbonImmutable $today): array
    {
        $due = HouseAccount::query()
            ->with('customer')
            ->whereNull('closed_on')
            ->where('review_on', '<=', $today)
            ->orderBy('review_on')
            ->orderBy('customer_id')
            ->get();
        $first = $due->first();

        return $first === null ? [] : [new Eye(
            'Accounts to look at again',
            $due->count() === 1 ? $first->customer->name : "{$first->customer->name} and ".($due->count() - 1).' more',
            route('accounts.terms', $first->customer),
            true,
        )];
    }

    /** @return list<Eye> */
    private function given(CarbonImmutable $today, Staff $person): array
    {
        if (! $person->mayDo(Ability::SeeMargin)) {
            return [];
        }

        $yesterday = Period::between($today->subDay(), $today->subDay());
        $asked = new Asked($yesterday, 'person');
        $away = 0;

        foreach ($this->prices->entries($asked) as $entry) {
            $away += is_int($entry->figures['away']) ? $entry->figures['away'] : 0;
        }

        $count = count($this->approvals->entries(new Asked($yesterday, 'one')));
        $below = count($this->prices->entries(new Asked($yesterday, 'below')));
        $link = static fn (string $report, string $by): string => route('reports.show', [
            'report' => $report, 'by' => $by, 'period' => 'yesterday',
        ]);

        return [
            new Eye(
                'Given away yesterday',
                Show::money($this->house->money($away)),
                $link('prices-by-hand', 'person'),
                false,
            ),
            new Eye(
                'Sold below cost or the lowest price',
                $below === 1 ? 'one line' : "{$below} lines",
                $link('prices-by-hand', 'below'),
                $below > 0,
            ),
            new Eye(
                'Approvals yesterday',
                (string) $count,
                $link('approvals', 'one'),
                false,
            ),
        ];
    }
}
