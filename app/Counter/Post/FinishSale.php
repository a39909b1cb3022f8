<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post;

use Elmstone\Books\Document;
use Elmstone\Books\DocumentTender;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Counter\Parts\LayawayPart;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\PaperWay;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Devices\CashDrawer;
use Elmstone\Layaways\Layaway;
use Elmstone\Layaways\LayawayPaper;
use Elmstone\Paper\IssuePaper;
use Elmstone\Paper\Outbox;
use Elmstone\Paper\Outgoing;
use Elmstone\Paper\Sends;

/** What happens at the counter once a sale stands in the books: the drawer opens and the customer gets their paper. */
final class FinishSale implements Sends
{
    private const WHAT = 'sale';

    public function __construct(
        private readonly CashDrawer $drawer,
        private readonly IssuePaper $issue,
        private readonly LayawayPaper $layawayPaper,
    ) {
    }

    /** In the transaction that posts it. */
    public static function write(int $documentId, Act $act): void
    {
        app(Outbox::class)->write(self::WHAT, self::WHAT." {$documentId}", $documentId, $act->till, $act->by);
    }

    public function sends(): array
    {
        return [self::WHAT];
    }

    public function send(Outgoing $outgoing): void
    {
        $this->finish(
            (int) $outgoing->document_id,
            new Act($outgoing->key, $outgoing->staff, $outgoing->till, null),
            $outgoing->isFresh(),
        );
    }

    private function finish(int $documentId, Act $act, bool $isFresh): void
    {
        $document = Document::query()
            ->with(['tenders', 'lines', 'taxes'])
            ->findOrFail($documentId);
        $slip = Slip::query()
            ->with(['heldAs', 'lines'])
            ->where('document_id', $documentId)
            ->firstOrFail();

        if (
            $isFresh
            && DocumentTender::query()
                ->whereIn('document_id', [$slip->document_id, $slip->receipt_id, $slip->credit_note_id])
                ->where('kind', TenderKind::Cash)
                ->exists()
        ) {
            $this->drawer->open($act->till);
        }

        $receipt = $slip->receipt_id === null ? null : Document::query()->findOrFail($slip->receipt_id);

        // Where goods leave with the last payment and nothing else is done, their invoice says all that the receipt
        // would.
        $left = $this->goodsLeft($slip, $document);
        $isAllSaid = $left !== [] && self::onlyHandsOver($slip);
        $isAllSaid || $this->paper($slip, $document, $act);

        if ($receipt !== null) {
            $this->paper($slip, $receipt, $act);
        }

        if ($slip->credit_note_id !== null && $slip->credit_note_id !== $slip->document_id) {
            $this->paper($slip, Document::query()->findOrFail($slip->credit_note_id), $act);
        }

        foreach ($left as $invoice) {
            $this->paper($slip, $invoice, $act);
        }

        if ($slip->heldAs !== null) {
            match ($slip->paper) {
                PaperWay::Print => $this->layawayPaper->print($slip->heldAs, $act->till),
                PaperWay::Mail => $this->layawayPaper->mail($slip->heldAs, $slip->mail_to),
                PaperWay::None => null,
            };
        }
    }

    /** @return list<Document> the invoices of the layaways whose goods left with it */
    private function goodsLeft(Slip $slip, Document $document): iterable
    {
        $left = array_keys(
            array_filter($slip->layawayParts(), static fn (LayawayPart $part): bool => $part->leaves === true),
        );

        return $left === []
            ? []
            : array_values(
                Document::query()
                    ->whereIn('id', Layaway::query()->whereKey($left)->select('document_id'))
                    ->where('id', '!=', $document->id)
                    ->orderBy('id')
                    ->get()
                    ->all(),
            );
    }

    private function paper(Slip $slip, Document $document, Act $act): void
    {
        $document->till_id !== $act->till->id || $document->setRelation('till', $act->till);
        $document->staff_id !== $act->by->id || $document->setRelation('staff', $act->by);
        $document->location_id !== $act->till->location_id || $document->setRelation('location', $act->till->location);

        match ($slip->paper) {
            PaperWay::Print => $this->issue->print($document, $act->till, $act->by),
            PaperWay::Mail => $this->issue->mail($document, $slip->mail_to, $act->by),
            PaperWay::None => null,
        };
    }

    /** Whether nothing is done with it but paying off layaways whose goods leave. */
    private static function onlyHandsOver(Slip $slip): bool
    {
        return $slip->agreement_id === null
            && $slip->back === null
            && $slip->cardsSold() === []
            && $slip->on_account === null
            && $slip->deposit_in === null
            && $slip->lines->isEmpty()
            && array_filter(
                $slip->layawayParts(),
                static fn (LayawayPart $part): bool => $part->leaves !== true,
            ) === [];
    }
}
