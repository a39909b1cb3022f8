<?php

declare(strict_types=1);

namespace Elmstone\Counter\Slip;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Refused;
use Elmstone\Staff\Ability;
use Elmstone\Support\ShopTime;

/** Dates a slip into another open day. */
final class DateSlip
{
    public function __construct(private readonly SlipDesk $desk)
    {
    }

    /** @throws Refused may_not_backdate, future_date, day_closed */
    public function handle(string $slipKey, Act $act, ?CarbonImmutable $day): Slip
    {
        return $this->desk->change($slipKey, $act, static function (Slip $slip) use ($act, $day): void {
            $today = $day === null || ShopTime::isToday($day);

            if (! $today) {
                $act->by->mayDo(Ability::Backdate)
                    || throw Refused::because('may_not_backdate', 'A supervisor can date a sale into another day.');
                $slip->location->assertOpenOn($day);
            }

            $slip->forceFill(['business_date' => $today ? null : $day])->save();
        });
    }
}
