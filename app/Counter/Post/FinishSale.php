<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post;

use Elmstone\Books\Document;
use Elmstone\Books\DocumentTender;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Counter\Parts\LayawayPart;
use Elmstone\Counter\Parts\OrderPart;
use Elmstone\Counter\Post\Steps\SupplyOrders;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\PaperWay;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Devices\CashDrawer;
use Elmstone\Layaways\Layaway;
use Elmstone\Layaways\LayawayPaper;
use Elmstone\Orders\OrderPaper;
use Elmstone\Paper\IssuePaper;
use Elmstone\Paper\Outbox;
use Elmstone\Paper\Outgoing;
use Elmstone\Paper\Sends;
use Elmstone\Quotes\QuotePaper;

/** What happens at the counter once a sale stands in the books: the drawer opens and the customer gets their paper. */
final class FinishSale implements Sends
{
    private const WHAT = 'sale';

    public function __construct(
        private readonly CashDrawer $drawer,
        private readonly IssuePaper $issue,
        private readonly LayawayPaper $layawayPaper,
        private readonly OrderPaper $orderPaper,
        private readonly QuotePaper $quotePaper,
    ) {
    }

    /** In the transaction that posts it. */
    public static function write(Slip $slip, Act $act): void
    {
        app(Outbox::class)->write(
            self::WHAT,
            self::WHAT." {$slip->key}",
            $slip->document_id,
            $act->till,
            $act->by,
            ['slip' => $slip->key],
        );
    }

    public function sends(): array
    {
        return [self::WHAT];
    }

    public function mayWait(string $what): bool
    {
        return false;
    }

    public function send(Outgoing $outgoing): void
    {
        $this->finish(
            $outgoing->text('slip'),
            new Act($outgoing->key, $outgoing->staff, $outgoing->till, null),
            $outgoing->isFresh(),
        );
    }

    private function finish(string $key, Act $act, bool $isFresh): void
    {
        $slip = Slip::query()
            ->with(['heldAs', 'order', 'quote', 'lines', 'document.tenders', 'document.lines', 'document.taxes'])
            ->where('key', $key)
            ->firstOrFail();
        $document = $slip->document;

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
        $isAllSaid = $document === null || ($left !== [] && self::onlyHandsOver($slip));
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

        if ($slip->quote !== null) {
            match ($slip->paper) {
                PaperWay::Print => $this->quotePaper->print($slip->quote, $act->till),
                PaperWay::Mail => $this->quotePaper->mail($slip->quote, $slip->mail_to),
                PaperWay::None => null,
            };
        }

        if ($slip->order !== null) {
            match ($slip->paper) {
                PaperWay::Print => $this->orderPaper->print($slip->order, $act->till),
                PaperWay::Mail => $this->orderPaper->mail($slip->order, $slip->mail_to),
                PaperWay::None => null,
            };
        }

        if ($slip->heldAs !== null) {
            match ($slip->paper) {
                PaperWay::Print => $this->layawayPaper->print($slip->heldAs, $act->till),
                PaperWay::Mail => $this->layawayPaper->mail($slip->heldAs, $slip->mail_to),
                PaperWay::None => null,
            };
        }
    }

    /** @return list<Document> the invoices of layaways and orders whose goods left with it */
    private function goodsLeft(Slip $slip, ?Document $document): array
    {
        $orders = array_filter($slip->orderParts(), static fn (OrderPart $part): bool => ! $part->leaving->isEmpty());
        $supplied = array_map(
            static fn (OrderPart $part): string => SupplyOrders::key($slip, $part->orderId),
            array_values($orders),
        );
        $left = array_keys(
            array_filter($slip->layawayParts(), static fn (LayawayPart $part): bool => $part->leaves === true),
        );

        return $left === [] && $supplied === []
            ? []
            : array_values(
                Document::query()
                    ->where(static fn ($query) => $query
                        ->whereIn('id', Layaway::query()->whereKey($left)->select('document_id'))
                        ->orWhereIn('idempotency_key', $supplied))
                    ->where('id', '!=', $document->id ?? 0)
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
