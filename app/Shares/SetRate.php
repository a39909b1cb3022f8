<?php

declare(strict_types=1);

namespace Elmstone\Shares;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Shares\EarnedAt;
use Elmstone\Core\Shares\RateOf;
use Elmstone\Staff\Doors\SecurityEvent;
use Elmstone\Staff\Doors\SecurityLog;
use Elmstone\Staff\Staff;
use Elmstone\Support\Show;
use Illuminate\Support\Facades\DB;

/**
 * Sets what commission is paid from a day on. What holds until further notice ends the day before; rates of the same
 * person, department or house never overlap. What was posted keeps its rate. Every change is on record.
 */
final class SetRate
{
    /**
     * @param  int|null  $person whose; null: a department's or the house's
     *
     * @throws Refused no_such_person, rate_too_high, back_to_front, rates_overlap
     */
    public function handle(
        ?int $person,
        ?int $department,
        Percentage $rate,
        RateOf $of,
        CarbonImmutable $from,
        ?CarbonImmutable $until,
        Staff $by,
    ): void {
        $rate->value->isGreaterThan(100)
            && throw Refused::because('rate_too_high', 'A commission is not more than 100 %.');
        $until !== null && $from->greaterThan($until)
            && throw Refused::because('back_to_front', 'It would end before it begins.');

        $this->assertThere($person, $department);

        DB::transaction(function () use ($person, $department, $rate, $of, $from, $until, $by): void {
            // All who set rates follow each other.
            DB::table('commission_rates')->lockForUpdate()->get(['id']);
            $this->endBefore($person, $department, $from);
            $this->assertFree($person, $department, $from, $until);
            DB::table('commission_rates')->insert([
                'staff_id' => $person,
                'department_id' => $department,
                'rate' => $rate->toString(),
                'rate_of' => $of->value,
                'from' => $from->format('Y-m-d'),
                'until' => $until?->format('Y-m-d'),
            ]);
            SecurityLog::write(
                SecurityEvent::SettingChanged,
                $by,
                'commission of '.RateList::whose($person, $department).": {$rate->toString()} % of {$of->value} from "
                    .Show::date($from).($until === null ? '' : ' to '.Show::date($until)),
            );
        });
    }

    /**
     * The last day a rate holds.
     *
     * @throws Refused no_such_rate, back_to_front
     */
    public function end(int $id, CarbonImmutable $until, Staff $by): void
    {
        DB::transaction(function () use ($id, $until, $by): void {
            $rate = DB::table('commission_rates')->where('id', $id)->lockForUpdate()->first()
                ?? throw Refused::because('no_such_rate', 'This rate is not there any more.');
            (string) $rate->from <= $until->format('Y-m-d')
                || throw Refused::because('back_to_front', 'It would end before it begins.');
            $rate->until === null || (string) $rate->until >= $until->format('Y-m-d')
                || throw Refused::because('rates_overlap', 'A rate is ended earlier, not later: set another after it.');
            DB::table('commission_rates')->where('id', $id)->update(['until' => $until->format('Y-m-d')]);
            SecurityLog::write(
                SecurityEvent::SettingChanged,
                $by,
                'commission of '.RateList::whose($rate->staff_id, $rate->department_id)." {$rate->rate} % ends on "
                    .Show::date($until),
            );
        });
    }

    public function earnedAt(EarnedAt $earned, Staff $by): void
    {
        $before = CommissionTerms::earned();
        CommissionTerms::set($earned);
        SecurityLog::write(
            SecurityEvent::SettingChanged, $by, "commission is earned: {$before->value} → {$earned->value}",
        );
    }

    private function assertThere(?int $person, ?int $department): void
    {
        ($person === null || Staff::query()->whereKey($person)->exists())
            && ($department === null || isset(RateList::departments()[$department]))
            || throw Refused::because('no_such_person', 'There is no such person or department.');
    }

    private function endBefore(?int $person, ?int $department, CarbonImmutable $from): void
    {
        DB::table('commission_rates')
            ->where('staff_id', $person)
            ->where('department_id', $department)
            ->whereNull('until')
            ->where('from', '<', $from->format('Y-m-d'))
            ->update(['until' => $from->subDay()->format('Y-m-d')]);
    }

    private function assertFree(?int $person, ?int $department, CarbonImmutable $from, ?CarbonImmutable $until): void
    {
        $other = DB::table('commission_rates')
            ->where('staff_id', $person)
            ->where('department_id', $department)
            ->where(static fn ($either) => $either
                ->whereNull('until')
                ->orWhere('until', '>=', $from->format('Y-m-d')))
            ->when($until !== null, static fn ($rates) => $rates->where('from', '<=', $until?->format('Y-m-d')))
            ->first();
        $other === null || throw Refused::because(
            'rates_overlap',
            'There is a rate from '.Show::date(CarbonImmutable::parse((string) $other->from))
                .($other->until === null ? '' : ' to '.Show::date(CarbonImmutable::parse((string) $other->until)))
                .' already. End that one first.',
        );
    }
}
