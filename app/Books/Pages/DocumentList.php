<?php

declare(strict_types=1);

namespace Elmstone\Books\Pages;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentTender;
use Elmstone\Core\Money\Money;
use Elmstone\Support\Report\Column;
use Elmstone\Support\Report\Report;
use Elmstone\Support\ShopTime;

/** Documents as a list: a page of the register, or all of them as a file. */
final class DocumentList
{
    /**
     * @param  iterable<Document>  $documents with staff, tenders and location; for the file, with their till
     * @return Report<Document>
     */
    public static function of(iterable $documents): Report
    {
        return Report::of('Documents', $documents, [
            Column::code(
                'Number',
                'number',
                static fn (Document $document): string => $document->label,
                static fn (Document $document): string => route('documents.show', $document),
            ),
            Column::inFile('kind', static fn (Document $document): string => $document->kind->value),
            Column::text('', '', static fn (Document $document): string => $document->title())->small(),
            Column::day('Date', 'date', static fn (Document $document): CarbonImmutable => $document->business_date),
            Column::text('', '', self::typedIn(...))->small()->toned(static fn (): string => 'ochre'),
            Column::inFile('posted', self::posted(...)),
            Column::inFile('location', static fn (Document $document): string => $document->location->name),
            Column::inFile('till', static fn (Document $document): string => (string) $document->till->number),
            Column::inFile('clerk', static fn (Document $document): string => $document->staff->name),
            Column::inFile('customer', static fn (Document $document): string => $document->customer_name),
            Column::text('Customer', '', static fn (Document $document): string => $document->customer_name === ''
                && $document->kind->isWithSomebody()
                    ? 'Walk-in'
                    : $document->customer_name),
            Column::text('Clerk', '', static fn (Document $document): string => $document->staff->name),
            Column::text('Location', '', static fn (Document $document): string => $document->location->town),
            Column::text('Paid by', '', static fn (Document $document): string => $document->tenders
                ->map(static fn (DocumentTender $tender): string => $tender->kind->label())
                ->unique()
                ->implode(', ')),
            Column::inFile('net', static fn (Document $document): Money => $document->net),
            Column::money('Tax', 'tax', static fn (Document $document): Money => $document->tax_total),
            Column::money('Total', 'total', static fn (Document $document): Money => $document->signedTotal()),
            Column::inFile('currency', static fn (Document $document): string => $document->currency),
            Column::inFile('tenders', static fn (Document $document): string => $document->tenders
                ->map(static fn (DocumentTender $tender): string => $tender->kind->value)
                ->implode('+')),
            Column::inFile('purpose', static fn (Document $document): string => $document->purpose->value),
        ])
            ->orElse('No document matches. Take a filter away, or look at all of them.')
            ->savedAs('documents', 'documents.csv');
    }

    private static function posted(Document $document): string
    {
        return ShopTime::at($document->posted_at)->format('Y-m-d\TH:i:sP');
    }

    /** "posted 3 Mar", where it is of another day than it was typed in on. */
    private static function typedIn(Document $document): string
    {
        return $document->isBackdated() ? 'posted '.ShopTime::at($document->posted_at)->format('j M') : '';
    }
}
