<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts\Back;

use Brick\Math\BigDecimal;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\GoodsTo;
use Elmstone\Books\Origin;
use Elmstone\Books\Origins;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Lines\EntryText;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\PutCustomer;
use Elmstone\Counter\Slip\ReturnOnSlip;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Customers\Customer;
use Elmstone\Returns\Returnables;
use Elmstone\Returns\ReturnReason;
use Elmstone\Shop\House;
use Elmstone\Staff\Sight;
use Elmstone\Takings\EnteredRows;

/**
 * Puts on the slip what comes back of lines that were sold. Nothing is posted by it.
 */
final class BringBack
{
    public function __construct(
        private readonly SlipDesk $desk,
        private readonly House $house,
        private readonly PutCustomer $put,
        private readonly Sight $sight,
        private readonly ReturnRows $rows,
    ) {
    }

    /**
     * @param  array<string, string>  $quantities as typed, by origin "document:position"; empty ones are left out
     * @param  GoodsTo|null  $goodsTo null: where goods go that come back for this reason
     * @param  string  $foundBy what was typed or scanned to find it
     *
     * @throws Refused nothing_chosen, not_sold, not_theirs, bad_quantity, more_than_left
     */
    public function lines(
        string $slipKey,
        Act $act,
        array $quantities,
        ReturnReason $reason,
        ?GoodsTo $goodsTo,
        string $foundBy = '',
    ): Slip {
        $chosen = array_filter(
            $quantities,
            static fn (string $typed): bool => ! in_array(trim($typed), ['', '0'], true),
        );

        if ($chosen === []) {
            throw Refused::because('nothing_chosen', 'Type how many come back, next to the line.');
        }

        return $this->desk->change($slipKey, $act, function (Slip $slip) use (
            $chosen,
            $reason,
            $goodsTo,
            $foundBy,
            $act,
        ): void {
            $documents = Document::query()
                ->whereIn(
                    'id',
                    array_map(
                        static fn (string $key): int => (int) explode(':', $key)[0],
                        array_map(strval(...), array_keys($chosen)),
                    ),
                )
                ->get()
                ->keyBy('id');
            $documents = $documents->filter(
                fn (Document $document): bool => $this->sight->sees($act->by, $document->location_id, $act->till),
            );
            $origins = Origins::of($this->house->currency(), $documents->modelKeys());

            foreach ($chosen as $key => $typed) {
                [$document, $position] = array_map(intval(...), [...explode(':', (string) $key), '0']);
                $origin = new Origin($document, $position);
                $this->assertTheirs($slip, $documents->get($document));
                $origins->has($origin) || throw Refused::because('not_sold', 'This line is not on that invoice.');
                $origins->isSurcharge($origin) && throw Refused::because(
                    'surcharge_itself',
                    'A card surcharge comes back by itself, with what goes back to its card.',
                );
                $this->add(
                    $slip,
                    $origin,
                    $origins,
                    Quantity::of((string) EntryText::quantity($typed)->value),
                    $reason,
                    $goodsTo ?? $reason->goodsTo(),
                    Returnables::isReceipt($foundBy, $documents->get($document)),
                );
            }

            $this->rows->changed($slip);
        });
    }

    /** Everything of one invoice, as a void takes it back. Within a change of the slip. */
    public function whole(Slip $slip, Document $invoice): void
    {
        $origins = Origins::of($this->house->currency(), [$invoice->id]);
        $this->assertTheirs($slip, $invoice);

        foreach ($invoice->lines as $line) {
            $this->add(
                $slip,
                new Origin($invoice->id, $line->position),
                $origins,
                Quantity::of($line->quantity->toString()),
                ReturnReason::Mistake,
                GoodsTo::Stock,
                true,
            );
        }

        $this->rows->changed($slip);
    }

    private function assertTheirs(Slip $slip, ?Document $document): void
    {
        if ($document === null || $document->kind !== DocumentKind::Invoice || $document->purpose !== Purpose::Sale) {
            throw Refused::because('not_sold', 'Goods come back of a sale’s invoice only.');
        }

        $buyer = $document->customer_id === null ? null : Customer::query()->findOrFail($document->customer_id);
        $buyer = $buyer->mergedInto ?? $buyer;

        if ($buyer !== null && $slip->customer_id !== null && $slip->customer_id !== $buyer->id) {
            throw Refused::because(
                'not_theirs',
                "{$document->label} was sold to {$document->customer_name}, not {$slip->customer_name}. Begin another "
                    .'slip for it.',
            );
        }

        if ($buyer !== null && $slip->customer_id === null) {
            $this->put->place($slip, $buyer);
        }
    }

    private function add(
        Slip $slip,
        Origin $origin,
        Origins $origins,
        Quantity $quantity,
        ReturnReason $reason,
        GoodsTo $goodsTo,
        bool $receiptShown,
    ): void {
        $line = $origins->line($origin);
        $same = ReturnOnSlip::query()
            ->where('slip_id', $slip->id)
            ->where('origin_document_id', $origin->documentId)
            ->where('origin_position', $origin->position)
            ->where('reason', $reason)
            ->where('goods_to', $goodsTo)
            ->first();
        $serials = $line->serials === null ? null : json_decode((string) $line->serials, true, 4, JSON_THROW_ON_ERROR);
        $isWhole = BigDecimal::of((string) $line->quantity)->isEqualTo($quantity->value);

        if ($same !== null) {
            $same->update([
                'receipt_shown' => $same->receipt_shown || $receiptShown,
                'quantity' => Quantity::of($same->quantity->toString())
                    ->plus($quantity)
                    ->toString(),
            ]);
        } else {
            $same = $this->rows->put($slip, [
                'origin_document_id' => $origin->documentId,
                'origin_position' => $origin->position,
                'item_id' => $line->item_id,
                'code' => $line->code,
                'description' => $line->description,
                'department_id' => $line->department_id,
                'quantity' => $quantity->toString(),
                'unit' => $line->unit,
                'unit_price' => $line->unit_price,
                'price_per' => $line->price_per,
                'price_rule' => $line->price_rule,
                'list_price' => $line->list_price,
                'tax_class' => $line->tax_class,
                'reason' => $reason,
                'goods_to' => $goodsTo,
                'serials' => $isWhole ? $serials : null,
                'receipt_shown' => $receiptShown,
                'note' => EnteredRows::who($origin),
            ]);
        }

        $this->rows->assertFits($slip, $same);
    }
}
