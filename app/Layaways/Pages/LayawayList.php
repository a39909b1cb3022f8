<?php

declare(strict_types=1);

namespace Elmstone\Layaways\Pages;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Layaways\Layaway;
use Elmstone\Layaways\LayawayState;
use Elmstone\Shop\House;
use Elmstone\Support\Report\Column;
use Elmstone\Support\Report\Report;
use Elmstone\Support\Show;

/** Layaways as a list to work through: a page of it, or all of it as a file. */
final class LayawayList
{
    /**
     * @param  iterable<Layaway>  $layaways with their customers; for a page, with their lines
     * @return Report<Layaway>
     */
    public static function of(iterable $layaways, WorklistTab $tab, CarbonImmutable $day, House $house): Report
    {
        $isEnded = $tab === WorklistTab::Ended;

        return Report::of('Layaways', $layaways, [
            Column::code(
                'Layaway',
                'layaway',
                static fn (Layaway $layaway): string => $layaway->label,
                static fn (Layaway $layaway): string => route('layaways.show', $layaway),
            ),
            Column::inFile('customer', static fn (Layaway $layaway): int => $layaway->customer->number),
            Column::text('Customer', 'name', static fn (Layaway $layaway): string => $layaway->customer->name)
                ->leading(static fn (Layaway $layaway): string => route('customers.show', $layaway->customer)),
            Column::inFile('phone', static fn (Layaway $layaway): string => $layaway->customer->phone),
            Column::inFile('made on', static fn (Layaway $layaway): CarbonImmutable => $layaway->made_on),
            Column::inFile('state', static fn (Layaway $layaway): string => $layaway->stateWord($day)),
            Column::inFile('total', static fn (Layaway $layaway): Money => $layaway->total),
            Column::inFile('paid', static fn (Layaway $layaway): Money => $layaway->account->balance),
            Column::text('Goods', '', self::goods(...))->small(),
            Column::money('Left to pay', 'remaining', static fn (Layaway $layaway): Money => $layaway->state->isOpen()
                ? $layaway->remaining()
                : $house->money(0))->blankAtZero(),
            Column::text($isEnded ? 'How it ended' : 'Next due', '', static fn (Layaway $layaway): string => self::due(
                $layaway, $day,
            ))
                ->nowrap()
                ->toned(static fn (Layaway $layaway): string => $layaway->isBehind($day) ? 'brick' : ''),
            Column::inFile('next due', static fn (Layaway $layaway): ?CarbonImmutable => $layaway->next_due),
            Column::money(
                $isEnded ? '' : 'Payment',
                'next amount',
                static fn (Layaway $layaway): Money => $layaway->next_open,
            )->blankAtZero(),
            Column::text($isEnded ? 'Ended on' : 'Until', '', static fn (Layaway $layaway): string => self::until(
                $layaway, $day,
            ))
                ->nowrap()
                ->toned(static fn (Layaway $layaway): string => $layaway->isExpired($day) ? 'brick' : ''),
            Column::inFile('expires on', static fn (Layaway $layaway): CarbonImmutable => $layaway->expires_on),
            Column::inFile('shelf', static fn (Layaway $layaway): string => $layaway->shelf),
            Column::inFile('currency', static fn (): string => $house->currency()->code),
            Column::text('What to do', '', static fn (Layaway $layaway): string => NextStep::for(
                $layaway, $day, $house,
            ))->small(),
        ])
            ->about('goods set aside, as of '.Show::date($day)." · {$house->currency()->code}")
            ->savedAs("layaways-{$tab->value}-{$day->format('Y-m-d')}", 'layaways.csv');
    }

    private static function goods(Layaway $layaway): string
    {
        $lines = $layaway->lines();

        return $lines->first()?->description.($lines->count() > 1 ? ' and '.($lines->count() - 1).' more' : '');
    }

    private static function due(Layaway $layaway, CarbonImmutable $day): string
    {
        return ($layaway->next_due === null ? $layaway->stateWord($day) : Show::date($layaway->next_due))
            .($layaway->isBehind($day) ? ', behind' : '');
    }

    private static function until(Layaway $layaway, CarbonImmutable $day): string
    {
        return match (true) {
            $layaway->state === LayawayState::Running => Show::date($layaway->expires_on)
                .($layaway->isExpired($day) ? ', expired' : ''),
            $layaway->ended_on === null => '',
            default => Show::date($layaway->ended_on),
        };
    }
}
