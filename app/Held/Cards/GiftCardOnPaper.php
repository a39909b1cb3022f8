<?php

declare(strict_types=1);

namespace Elmstone\Held\Cards;

use Elmstone\Books\Document;
use Elmstone\Books\HeldKind;
use Elmstone\Core\Credits\CardCode;
use Elmstone\Core\Money\Money;
use Elmstone\Held\Ledger\HeldEntry;
use Elmstone\Paper\Annotates;
use Elmstone\Paper\Forgets;
use Elmstone\Paper\PaperNote;
use Elmstone\Support\Show;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\Crypt;

/**
 * The gift cards a document moved: what each is worth then. Of a card that is new its whole number, to be scanned: on
 * the original only. Copies, and all else, show its last four.
 */
final class GiftCardOnPaper implements Annotates, Forgets
{
    /** The number was handed out: nothing of the house needs it any more. */
    public function forget(Document $document): void
    {
        $document->held(HeldKind::GiftCard)->isZero()
            || GiftCard::query()
                ->whereIn('account_id', HeldEntry::query()->where('document_id', $document->id)->select('account_id'))
                ->whereNotNull('number')
                ->update(['number' => null]);
    }

    public function place(): int
    {
        return 4;
    }

    public function notes(Document $document, bool $copy): array
    {
        $entries = $document->held(HeldKind::GiftCard)->isZero()
            ? new Collection
            : HeldEntry::query()
                ->where('document_id', $document->id)
                ->whereRelation('account', 'kind', HeldKind::GiftCard)
                ->orderBy('id')
                ->get();
        $cards = GiftCard::query()->whereIn('account_id', $entries->pluck('account_id'))->get()->keyBy('account_id');

        $notes = [];

        foreach ($entries as $entry) {
            $card = $cards->get($entry->account_id);
            $card === null || ($notes[] = $this->note($entry, $card, $copy));
        }

        return $notes;
    }

    private function note(HeldEntry $entry, GiftCard $card, bool $copy): PaperNote
    {
        $before = HeldEntry::query()->where('account_id', $entry->account_id)->where('id', '<', $entry->id)->get();
        $code = ! $copy && $card->number !== null && $before->isEmpty()
            ? CardCode::of(Crypt::decryptString($card->number))
            : null;
        $then = Money::sum($before->pluck('amount'), $entry->amount->currency);

        return new PaperNote(
            'Gift card '.($code?->grouped() ?? $card->masked()),
            [
                [$entry->amount->isPositive() ? 'Put on it' : 'Used', Show::money($entry->amount->abs())],
                ['Worth now', Show::money($then->plus($entry->amount))],
            ],
            ($card->expires_on === null ? '' : 'Good until '.Show::date($card->expires_on).'. ')
                .($code === null ? '' : 'Whoever has this number can spend it: keep it like money.'),
            $code->digits ?? '',
        );
    }
}
