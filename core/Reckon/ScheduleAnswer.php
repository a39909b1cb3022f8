<?php

declare(strict_types=1);

namespace Elmstone\Core\Reckon;

use Elmstone\Core\Layaway\Instalment;
use Elmstone\Core\Layaway\Rhythm;
use Elmstone\Core\Layaway\Schedule;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;

/** "schedule": instalments that sum exactly to a principal and its flat charge. */
final readonly class ScheduleAnswer
{
    /** @return array<string, mixed> */
    public static function to(Node $request): array
    {
        $request->only('do', 'currency', 'principal', 'charge', 'count', 'first_due', 'rhythm');
        $currency = $request->currency();
        $principal = $request->money('principal', $currency);
        $rhythm = Rhythm::tryFrom($request->string('rhythm'))
            ?? throw new BadRequest('bad_rhythm', 'Instalments fall due by week, fortnight or month.', 'rhythm');
        $total = $principal->plus(self::charge($request, $principal, $currency));
        $count = $request->int('count');
        $first = $request->date('first_due');
        $schedule = $request->checked(
            $total->isNegative() ? 'principal' : 'count',
            static fn (): Schedule => Schedule::of($total, $count, $first, $rhythm),
        );

        return [
            'total' => $schedule->total->toString(),
            'instalments' => array_map(
                static fn (Instalment $instalment): array => [
                    'due' => $instalment->due->format('Y-m-d'),
                    'amount' => $instalment->amount->toString(),
                ],
                $schedule->instalments,
            ),
        ];
    }

    /** {"percent":"3"} of the principal, above 100 allowed, or {"amount":"10.00"}. */
    private static function charge(Node $request, Money $principal, Currency $currency): Money
    {
        if (! $request->has('charge')) {
            return Money::zero($currency);
        }

        $charge = $request->child('charge')->only('percent', 'amount');

        return match ([$charge->has('percent'), $charge->has('amount')]) {
            [true, false] => $principal->percent($charge->read('percent', Percentage::of(...))),
            [false, true] => $charge->money('amount', $currency),
            default => throw new BadRequest('bad_charge', 'A charge is either a percent or an amount.', 'charge'),
        };
    }
}
