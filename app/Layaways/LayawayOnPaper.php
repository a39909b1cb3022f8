<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Elmstone\Agreements\AgreementChange;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentTender;
use Elmstone\Books\HeldKind;
use Elmstone\Core\Money\Money;
use Elmstone\Held\Ledger\HeldEntry;
use Elmstone\Held\Ledger\Movement;
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
        if ($document->held(HeldKind::Layaway)->isZero()) {
            return [];
        }

        $layaways = Layaway::query()
            ->with('entries.document.tenders')
            ->whereIn('account_id', HeldEntry::query()->where('document_id', $document->id)->select('account_id'))
            ->orderBy('id')
            ->get();

        return array_values(
            $layaways->map(fn (Layaway $layaway): PaperNote => $this->note($layaway, $document))->all(),
        );
    }

    private function note(Layaway $layaway, Document $document): PaperNote
    {
        $last = (int) $layaway->entries->where('document_id', $document->id)->max('id');
        $until = $layaway->entries->where('id', '<=', $last);
        $isGoods = $until->contains('movement', Movement::Used);
        $moved = $until->where('movement', '!=', Movement::Used);
        $paid = Money::sum($moved->pluck('amount'), $document->currency());
        $total = self::totalThen($layaway, $document);
        $rows = $isGoods ? [] : [['Value of the goods', Show::money($total)]];

        foreach ($moved as $entry) {
            $rows[] = [Show::date($entry->business_date).', '.self::way($entry), Show::money($entry->amount)];
        }

        $rows[] = [$isGoods ? 'Paid' : 'Paid by now', Show::money($paid)];
        $isOver = $until->contains(
            static fn (HeldEntry $entry): bool => in_array($entry->movement, [Movement::Fee, Movement::Back], true),
        );

        if (! $isGoods && ! $isOver) {
            $rows[] = ['Left to pay', Show::money($total->minus($paid))];
        }

        return new PaperNote(
            "Layaway {$layaway->label} of ".Show::date($layaway->made_on),
            $rows,
            $isGoods || $isOver ? '' : 'Set aside until '.Show::date($layaway->expires_on).'.',
            $isGoods || $isOver ? '' : $layaway->label,
        );
    }

    /** What the goods came to when the document was posted. */
    private static function totalThen(Layaway $layaway, Document $document): Money
    {
        $later = $layaway->revision === 1
                ? null
                : $layaway
                    ->loadMissing('changesMade')
                    ->changesMade->first(
                        static fn (AgreementChange $change): bool => $change->made_at->greaterThan(
                            $document->posted_at,
                        ),
                    );

        return $later === null ? $layaway->total : $later->total_before;
    }

    private static function way(HeldEntry $entry): string
    {
        return $entry->movement === Movement::In
            ? mb_strtolower(
                implode(
                    ' and ',
                    $entry->document->tenders
                        ->map(static fn (DocumentTender $tender): string => $tender->kind->label())
                        ->unique()
                        ->all(),
                ),
            )
            : mb_strtolower($entry->movement->words());
    }
}
