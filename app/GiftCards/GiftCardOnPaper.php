<?php

declare(strict_types=1);

namespace Elmstone\GiftCards;

use Elmstone\Books\Document;
use Elmstone\Core\Credits\CardCode;
use Elmstone\Paper\Annotates;
use Elmstone\Paper\Forgets;
use Elmstone\Paper\PaperNote;
use Elmstone\Support\Show;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * The gift cards a document moved: what each is worth then. Of a card that is new its whole number, to be scanned: on
 * the original only. Copies, and all else, show its last four.
 */
final class GiftCardOnPaper implements Annotates, Forgets
{
    /** The number was handed out: nothing of the house needs it any more. */
    public function forget(Document $document): void
    {
        $document->gift_card_change === 0
            || GiftCard::query()
                ->whereIn(
                    'id',
                    DB::table('gift_card_entries')->where('document_id', $document->id)->select('gift_card_id'),
                )
                ->whereNotNull('number')
                ->update(['number' => null]);
    }

    public function place(): int
    {
        return 4;
    }

    public function notes(Document $document, bool $copy): array
    {
        if ($document->gift_card_change === 0) {
            return [];
        }

        $entries = DB::table('gift_card_entries as e')
            ->join('gift_cards as g', 'g.id', '=', 'e.gift_card_id')
            ->where('e.document_id', $document->id)
            ->orderBy('e.id')
            ->get(['e.*', 'g.code', 'g.number', 'g.expires_on']);

        return array_values(
            $entries->map(fn (stdClass $entry): PaperNote => $this->note($entry, $document, $copy))->all(),
        );
    }

    private function note(stdClass $entry, Document $document, bool $copy): PaperNote
    {
        $before = (int) DB::table('gift_card_entries')
            ->where('gift_card_id', $entry->gift_card_id)
            ->where('id', '<', $entry->id)
            ->sum('amount');
        $isNew = ! $copy
            && $entry->number !== null
            && DB::table('gift_card_entries')
                ->where('gift_card_id', $entry->gift_card_id)
                ->where('id', '<', $entry->id)
                ->doesntExist();
        $code = $isNew ? CardCode::of(Crypt::decryptString((string) $entry->number)) : null;
        $money = static fn (int $minor): string => Show::money($document->money($minor));

        return new PaperNote(
            'Gift card '.($code?->grouped() ?? KeptCode::masked((string) $entry->code)),
            [
                [$entry->amount > 0 ? 'Put on it' : 'Used', $money(abs((int) $entry->amount))],
                ['Worth now', $money($before + (int) $entry->amount)],
            ],
            ($entry->expires_on === null
                ? ''
                : 'Good until '.date('j M Y', (int) strtotime((string) $entry->expires_on)).'. ')
                .($isNew ? 'Whoever has this number can spend it: keep it like money.' : ''),
            $code->digits ?? '',
        );
    }
}
