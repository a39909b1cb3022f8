<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Bank;

use Elmstone\Books\Document;
use Elmstone\Books\Purpose;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Customers\Naming;
use Elmstone\Support\ShopTime;

/** Finds the payment that the bank took back: by what the payer's bank called it, else by amount and payer. */
final class ReturnedTransfer
{
    private const MOST = 5;

    /** @return list<array{Document, list<string>}> what it could be, the likeliest first, with what speaks for each */
    public static function proposals(BankEntry $entry): array
    {
        $numbers = array_column(NamedNumbers::in($entry->reference), 'number');
        $found = [];

        foreach (self::payments($entry) as $document) {
            $came = BankEntry::query()->where('document_id', $document->id)->first();
            $why = array_keys(
                array_filter([
                    'the bank’s own name for it is the same' => $entry->end_to_end !== ''
                        && $came?->end_to_end === $entry->end_to_end,
                    'the same payer' => $entry->payer !== ''
                        && in_array(
                            Naming::key($entry->payer),
                            [Naming::key((string) $came?->payer), Naming::key($document->customer_name)],
                            true,
                        ),
                    'it names the same invoice' => array_intersect(
                        $numbers,
                        array_column(NamedNumbers::in((string) $came?->reference), 'number'),
                    ) !== [],
                    'the same amount' => true,
                ]),
            );
            $found[] = [$document, $why];
        }

        usort(
            $found,
            static fn (array $one, array $other): int => [
                in_array('the bank’s own name for it is the same', $other[1], true),
                count($other[1]),
                $other[0]->id,
            ] <=> [in_array('the bank’s own name for it is the same', $one[1], true), count($one[1]), $one[0]->id],
        );

        return array_slice($found, 0, self::MOST);
    }

    /** @return iterable<Document> payments by transfer of just this amount that were not taken back */
    private static function payments(BankEntry $entry): iterable
    {
        return Document::query()
            ->with('tenders')
            ->where('purpose', Purpose::Payment)
            ->where('business_date', '<=', $entry->booked_on?->format('Y-m-d') ?? ShopTime::today()->format('Y-m-d'))
            ->whereHas(
                'tenders',
                static fn ($tenders) => $tenders
                    ->where('kind', TenderKind::BankTransfer)
                    ->where('amount', $entry->amount),
            )
            ->whereNotExists(
                static fn ($query) => $query
                    ->from('documents as back')
                    ->whereColumn('back.refers_to_id', 'documents.id')
                    ->whereIn('back.purpose', Purpose::takingPaymentsBack()),
            )
            ->latest('id')
            ->limit(50)
            ->get();
    }
}
