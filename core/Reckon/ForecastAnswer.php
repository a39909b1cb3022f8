<?php

declare(strict_types=1);

namespace Elmstone\Core\Reckon;

use Elmstone\Core\Forecast\CashForecast;
use Elmstone\Core\Forecast\OpenInvoice;
use Elmstone\Core\Forecast\PaidInvoice;
use Elmstone\Core\Forecast\Payer;
use Elmstone\Core\Forecast\PayerForecast;
use Elmstone\Core\Forecast\WeekForecast;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;

/** "forecast": what will come in week by week, from how each account has paid. */
final readonly class ForecastAnswer
{
    /** @return array<string, mixed> */
    public static function to(Node $request): array
    {
        $request->only('do', 'currency', 'as_of', 'weeks', 'seed', 'accounts');
        $currency = $request->currency();
        $asOf = $request->date('as_of');
        $payers = array_map(
            static fn (Node $account): Payer => self::payer($account, $currency),
            $request->children('accounts'),
        );
        $forecast = $request->checked('weeks', static fn (): CashForecast => CashForecast::of(
            $currency, $asOf, $request->int('weeks', 4), $payers, $request->int('seed', 1),
        ));

        return [
            'weeks' => array_map(static fn (WeekForecast $week): array => [
                'from' => $week->from->format('Y-m-d'),
                'to' => $week->until->format('Y-m-d'),
                'expected' => $week->expected->toString(),
                'low' => $week->low->toString(),
                'high' => $week->high->toString(),
            ], $forecast->weeks),
            'later' => $forecast->later->toString(),
            'accounts' => array_map(static fn (PayerForecast $one): array => [
                'id' => $one->id,
                'weeks' => array_map(static fn (Money $week): string => $week->toString(), $one->weeks),
                'later' => $one->later->toString(),
                'invoices' => $one->invoices,
                'house_eighths' => $one->ofTheHouse(),
            ], $forecast->payers),
        ];
    }

    private static function payer(Node $account, Currency $currency): Payer
    {
        $account->only('id', 'paid', 'open', 'promises_kept', 'promises_made');

        return new Payer(
            $account->string('id'),
            array_map(static fn (Node $paid): PaidInvoice => new PaidInvoice(
                $paid->only('days', 'amount')->int('days'), $paid->money('amount', $currency),
            ), $account->children('paid')),
            array_map(static fn (Node $open): OpenInvoice => new OpenInvoice(
                $open->only('id', 'due', 'open', 'promised')->string('id'),
                $open->date('due'),
                $open->money('open', $currency),
                $open->has('promised') ? $open->date('promised') : null,
            ), $account->children('open')),
            $account->int('promises_kept', 0),
            $account->int('promises_made', 0),
        );
    }
}
