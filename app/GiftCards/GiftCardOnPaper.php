<?php

declare(strict_types=1);

namespace Elmstone\GiftCards;

use Elmstone\Books\Document;
use Elmstone\Core\Credits\CardCode;
use Elmstone\Foundation\Show;
use Elmstone\Paper\Annotates;
use Elmstone\Paper\PaperNote;
use Illuminate\Support\Facades\DB;

/** The gift cards a document moved: what each is worth then. Of a card that is new its whole number, to be scanned: on the original only. Copies, and all else, show its last four. */
final class GiftCardOnPaper implements Annotates
{
    public function notes(Document $document, bool $copy): array
    {
        if ($document->gift_card_change === 0) {
            return [];
        }

        $entries = DB::table('gift_card_entries as e')->join('gift_cards as g', 'g.id', '=', 'e.gift_card_id')->where('e.document_id', $document->id)->orderBy('e.id')->get(['e.*', 'g.code', 'g.expires_on']);

        return array_values($entries->map(fn (object $entry): PaperNote => $this->note($entry, $document, $copy))->all());
    }

    private function note(object $entry, Document $document, bool $copy): PaperNote
    {
        $before = (int) DB::table('gift_card_entries')->where('gift_card_id', $entry->gift_card_id)->where('id', '<', $entry->id)->sum('amount');
        $isNew = ! $copy && DB::table('gift_card_entries')->where('gift_card_id', $entry->gift_card_id)->where('id', '<', $entry->id)->doesntExist();
        $code = CardCode::of((string) $entry->code);
        $money = static fn (int $minor): string => Show::money($document->money($minor));

        return new PaperNote(
            'Gift card '.($isNew ? $code->grouped() : $code->masked()),
            [[$entry->amount > 0 ? 'Put on it' : 'Used', $money(abs((int) $entry->amount))], ['Worth now', $money($before + (int) $entry->amount)]],
            ($entry->expires_on === null ? '' : 'Good until '.date('j M Y', (int) strtotime((string) $entry->expires_on)).'. ').($isNew ? 'Whoever has this number can spend it: keep it like money.' : ''),
            $isNew ? $code->digits : '',
        );
    }
}
