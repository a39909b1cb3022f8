<?php

declare(strict_types=1);

namespace Elmstone\Demo;

use Carbon\CarbonImmutable;
use Elmstone\Catalogue\Department;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Core\Shares\Part;
use Elmstone\Core\Shares\RateOf;
use Elmstone\Core\Shares\Sharing;
use Elmstone\Shares\CommissionStatement;
use Elmstone\Shares\EarnedCommission;
use Elmstone\Shares\PayCommission;
use Elmstone\Shares\SetRate;
use Elmstone\Shares\Sharings;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;

/** Who sells together in the demonstration, at what rates, and their commission paid out month by month. */
final class DemoShares
{
    public function __construct(
        private readonly SetRate $rates,
        private readonly Sharings $sharings,
        private readonly PayCommission $pay,
        private readonly EarnedCommission $commission,
        private readonly House $house,
    ) {
    }

    public function begin(CarbonImmutable $first, CarbonImmutable $today): void
    {
        $owner = $this->staff('901');
        $rate = fn (?string $person, ?string $department, string $percent, RateOf $of, CarbonImmutable $from) => $this
            ->rates->handle(
                $person === null ? null : $this->staff($person)->id,
                $department === null ? null : (int) Department::query()->where('code', $department)->value('id'),
                Percentage::of($percent),
                $of,
                $from,
                null,
                $owner,
            );
        $rate(null, null, '1', RateOf::Net, $first->subDay());
        $rate('201', null, '1.5', RateOf::Net, $first->subDay());
        $rate('201', null, '2', RateOf::Net, $first->addDays(intdiv((int) $first->diffInDays($today), 2)));
        $rate(null, 'mach', '4', RateOf::Margin, $first->subDay());
    }

    /**
     * Those who sell something together now and then: by halves, or a clerk most of it.
     *
     * @param  list<int>  $people
     * @return list<array{int, int}|null> as slips name them, and who has most; most are sold by one alone
     */
    public function together(array $people): array
    {
        return DB::transaction(function () use ($people): array {
            $found = array_fill(0, 40, null);

            foreach (array_chunk($people, 2) as $two) {
                if (count($two) === 2) {
                    $both = array_map(strval(...), $two);
                    $found[] = [$this->sharings->keep(Sharing::equally($both)), $two[0]];
                    $found[] = [$this->sharings->keep(Sharing::of([
                        Part::of($both[0], Percentage::of('70')), Part::of($both[1], Percentage::of('30')),
                    ])), $two[0]];
                }
            }

            return $found;
        });
    }

    /** On the fifth of a month what was earned in the one before is paid with the wages. */
    public function on(CarbonImmutable $day): void
    {
        if ($day->day !== 5) {
            return;
        }

        CarbonImmutable::setTestNow(ShopTime::when($day, 16));
        $until = $day->startOfMonth()->subDay();
        $till = Till::query()->with('location')->orderBy('number')->firstOrFail();

        foreach (Staff::query()->where('number', '<', '300')->orderBy('id')->get() as $person) {
            $owed = CommissionStatement::owedUntil($person->id, $until, $this->commission, $this->house);
            $owed->isPositive() && $this->pay->handle(
                $person,
                $until,
                $owed,
                TenderKind::BankTransfer,
                Uuid::uuid5(Uuid::NAMESPACE_OID, "demo commission {$person->number} {$day->format('Y-m')}")->toString(),
                $till,
                $this->staff('901'),
            );
        }

        CarbonImmutable::setTestNow();
    }

    private function staff(string $number): Staff
    {
        return Staff::query()->where('number', $number)->firstOrFail();
    }
}
