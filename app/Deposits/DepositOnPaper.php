<?php

declare(strict_types=1);

namespace Elmstone\Deposits;

use Elmstone\Books\Document;
use Elmstone\Paper\Annotates;
use Elmstone\Paper\PaperNote;
use Elmstone\Support\Show;
use Illuminate\Support\Facades\DB;

/** What was held in deposits before a document, and what stays held after it. */
final class DepositOnPaper implements Annotates
{
    public function place(): int
    {
        return 2;
    }

    public function notes(Document $document, bool $copy): array
    {
        if ($document->deposit_change === 0 || $document->customer_id === null) {
            return [];
        }

        $own = (int) DB::table('deposit_entries')
            ->where('document_id', $document->id)
            ->where('customer_id', $document->customer_id)
            ->min('id');
        $before = (int) DB::table('deposit_entries')
            ->where('customer_id', $document->customer_id)
            ->where('id', '<', $own)
            ->sum('amount');
        $for = DB::table('deposit_entries')
            ->where('document_id', $document->id)
            ->where('kept_for', '<>', '')
            ->value('kept_for');

        return [
            new PaperNote(
                'Deposits held',
                [
                    ['Held before', Show::money($document->money($before))],
                    [
                        $document->deposit_change > 0 ? 'Put with it' : 'Taken from it',
                        Show::money($document->money(abs($document->deposit_change))),
                    ],
                    ['Held now', Show::money($document->money($before + $document->deposit_change))],
                ],
                is_string($for) ? "Kept for: {$for}" : '',
            ),
        ];
    }
}
