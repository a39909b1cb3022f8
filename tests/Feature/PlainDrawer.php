<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Purpose;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Tills\TillSession;

/** What should be in a drawer by a plain sum over what its documents say they were paid with; no journal is asked. */
final class PlainDrawer
{
    /** @return array<string, int> minor units by way */
    public static function of(TillSession $session): array
    {
        $there = ['cash' => $session->float_amount->minor, 'cheque' => 0, 'card' => 0];
        $documents = Document::query()
            ->with(['tenders', 'refersTo'])
            ->where('session_id', $session->id)
            ->whereNotIn('purpose', Purpose::settingDrawers())
            ->get();

        foreach ($documents as $document) {
            $out = $document->purpose->paysOut()
                || in_array($document->kind, [DocumentKind::CreditNote, DocumentKind::Refund], true);
            foreach ($document->tenders as $tender) {
                $way = $tender->kind->value;

                if (isset($there[$way]) && ! ($tender->kind === TenderKind::Cheque && $out)) {
                    $there[$way] += $out ? -$tender->amount->minor : $tender->amount->minor;
                }
            }
        }

        $there['cheque'] -= self::chequesBack($session);

        return $there;
    }

    /** Cheques that lay there and were handed back, at whichever till. */
    private static function chequesBack(TillSession $session): int
    {
        return (int) Document::query()
            ->with(['tenders', 'refersTo'])
            ->whereIn('purpose', Purpose::handingBack())
            ->get()
            ->filter(static fn (Document $back): bool => $back->refersTo?->session_id === $session->id
                && ($session->closed_at === null || $back->posted_at < $session->closed_at))
            ->flatMap(static fn (Document $back) => $back->tenders->where('kind', TenderKind::Cheque))
            ->sum('amount.minor');
    }
}
