<?php

declare(strict_types=1);

namespace Elmstone\StoreCredit;

use Elmstone\Books\Document;
use Elmstone\Paper\Annotates;
use Elmstone\Paper\PaperNote;
use Elmstone\Support\Show;
use Illuminate\Support\Facades\DB;

/** What was owed to a customer in goods before a document, and what is after it. */
final class StoreCreditOnPaper implements Annotates
{
    public function place(): int
    {
        return 3;
    }

    public function notes(Document $document, bool $copy): array
    {
        if ($document->store_credit_change === 0 || $document->customer_id === null) {
            return [];
        }

        $own = (int) DB::table('store_credit_entries')
            ->where('document_id', $document->id)
            ->where('customer_id', $document->customer_id)
            ->min('id');
        $before = (int) DB::table('store_credit_entries')
            ->where('customer_id', $document->customer_id)
            ->where('id', '<', $own)
            ->sum('amount');

        return [
            new PaperNote(
                'Store credit',
                [
                    ['Before', Show::money($document->money($before))],
                    [
                        $document->store_credit_change > 0 ? 'Given' : 'Used',
                        Show::money($document->money(abs($document->store_credit_change))),
                    ],
                    ['Now', Show::money($document->money($before + $document->store_credit_change))],
                ],
                'To be spent here on anything; it does not run out.',
            ),
        ];
    }
}
