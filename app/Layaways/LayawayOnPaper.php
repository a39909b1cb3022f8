<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Elmstone\Books\Document;
use Elmstone\Books\DocumentTender;
use Elmstone\Paper\Annotates;
use Elmstone\Paper\PaperNote;
use Elmstone\Support\Show;

/** Every payment on a layaway up to a document, with its day and way, what is paid and what is left then. */
final class LayawayOnPaper implements Annotates
{
    public function place(): int
    {
        return 1;
    }

    public function notes(Document $document, bool $copy): array
    {
        if ($document->layaway_change === 0) {
            return [];
        }

        $layaways = Layaway::query()
            ->with('entries.document.tenders')
            ->whereIn('id', LayawayEntry::query()->where('document_id', $document->id)->select('layaway_id'))
            ->orderBy('id')
            ->get();

        return array_values(
            $layaways->map(fn (Layaway $layaway): PaperNote => $this->note($layaway, $document))->all(),
        );
    }

    private function note(Layaway $layaway, Document $document): PaperNote
    {
        $money = static fn (int $minor): string => Show::money($document->money($minor));
        $last = (int) $layaway->entries->where('document_id', $document->id)->max('id');
        $until = $layaway->entries->where('id', '<=', $last);
        $paid = (int) $until->where('kind', '!=', EntryKind::Goods)->sum('amount');
        $total = self::totalThen($layaway, $document);
        $isGoods = $until->contains('kind', EntryKind::Goods);
        $rows = $isGoods ? [] : [['Value of the goods', $money($total)]];

        foreach ($until->where('kind', '!=', EntryKind::Goods) as $entry) {
            $rows[] = [Show::date($entry->business_date).', '.self::way($entry), $money($entry->amount)];
        }

        $rows[] = [$isGoods ? 'Paid' : 'Paid by now', $money($paid)];
        $isOver = $until->contains(
            static fn (LayawayEntry $entry): bool => in_array($entry->kind, [EntryKind::Fee, EntryKind::Back], true),
        );

        if (! $isGoods && ! $isOver) {
            $rows[] = ['Left to pay', $money($total - $paid)];
        }

        return new PaperNote(
            "Layaway {$layaway->label} of ".Show::date($layaway->made_on),
            $rows,
            $isGoods || $isOver ? '' : 'Set aside until '.Show::date($layaway->expires_on).'.',
            $isGoods || $isOver ? '' : $layaway->label,
        );
    }

    /** What the goods came to when the document was posted. */
    private static function totalThen(Layaway $layaway, Document $document): int
    {
        $later = $layaway->revision === 1
                ? null
                : $layaway
                    ->loadMissing('changesMade')
                    ->changesMade->first(
                        static fn (LayawayChange $change): bool => $change->made_at->greaterThan($document->posted_at),
                    );

        return $later === null ? $layaway->total : $later->total_before;
    }

    private static function way(LayawayEntry $entry): string
    {
        return $entry->kind === EntryKind::Paid
            ? mb_strtolower(
                implode(
                    ' and ',
                    $entry->document->tenders
                        ->map(static fn (DocumentTender $tender): string => $tender->kind->label())
                        ->unique()
                        ->all(),
                ),
            )
            : mb_strtolower($entry->kind->words());
    }
}
