<?php

declare(strict_types=1);

namespace Elmstone\Quotes\Pages;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Quotes\Quote;
use Elmstone\Shop\House;
use Elmstone\Support\Report\Column;
use Elmstone\Support\Report\Report;
use Elmstone\Support\Show;

/** Quotes as a list to work through: a page of it, or all of it as a file. */
final class QuoteList
{
    /**
     * @param  iterable<Quote>  $quotes with customers, people and lines
     * @return Report<Quote>
     */
    public static function of(iterable $quotes, QuoteTab $tab, CarbonImmutable $day, House $house): Report
    {
        $hasEnded = in_array($tab, [QuoteTab::Won, QuoteTab::Lost], true);

        return Report::of('Quotes', $quotes, [
            Column::code(
                'Quote',
                'quote',
                static fn (Quote $quote): string => $quote->label,
                static fn (Quote $quote): string => route('quotes.show', $quote),
            ),
            Column::inFile('revision', static fn (Quote $quote): int => $quote->revision),
            Column::text('For', 'name', static fn (Quote $quote): string => $quote->who()),
            Column::inFile('customer', static fn (Quote $quote): ?int => $quote->customer?->number),
            Column::text('Goods', '', static fn (Quote $quote): string => $quote->lines()->first()?->description
                .($quote->lines()->count() > 1 ? ' and '.($quote->lines()->count() - 1).' more' : ''))->small(),
            Column::text('Given', '', static fn (Quote $quote): string => Show::date($quote->made_on))->nowrap(),
            Column::inFile('given on', static fn (Quote $quote): CarbonImmutable => $quote->made_on),
            Column::text('By', 'by', static fn (Quote $quote): string => $quote->staff->name),
            Column::text('Holds until', '', static fn (Quote $quote): string => Show::date($quote->valid_until))
                ->nowrap()
                ->toned(static fn (Quote $quote): string => $quote->isExpired($day) ? 'brick' : ''),
            Column::inFile('valid until', static fn (Quote $quote): CarbonImmutable => $quote->valid_until),
            Column::text('Ask after', '', static fn (Quote $quote): string => $quote->follow_up_on === null
                || ! $quote->isOpen() ? '' : Show::date($quote->follow_up_on))
                ->nowrap()
                ->toned(static fn (Quote $quote): string => $quote->isDue($day) ? 'ochre' : ''),
            Column::inFile('follow up on', static fn (Quote $quote): ?CarbonImmutable => $quote->follow_up_on),
            Column::money('Total', 'total', static fn (Quote $quote): Money => $quote->total),
            Column::inFile('currency', static fn (): string => $house->currency()->code),
            Column::text($hasEnded ? 'How it ended' : 'State', 'state', static fn (Quote $quote): string => $quote
                ->stateWord($day).($quote->ended_why === '' ? '' : ": {$quote->ended_why}"))->small(),
        ])
            ->about('priced offers, as of '.Show::date($day)." · {$house->currency()->code}")
            ->savedAs("quotes-{$tab->value}-{$day->format('Y-m-d')}", 'quotes.csv');
    }
}
