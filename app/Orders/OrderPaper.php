<?php

declare(strict_types=1);

namespace Elmstone\Orders;

use Elmstone\Agreements\AgreedSlip;
use Elmstone\Devices\Mail;
use Elmstone\Devices\Mailbox;
use Elmstone\Devices\ReceiptPrinter;
use Elmstone\Paper\OffersLinks;
use Elmstone\Paper\Payable;
use Elmstone\Paper\Pdf;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Support\Show;

/** The papers of an order: its confirmation, the list to pick by, the delivery note, the label. */
final class OrderPaper
{
    public function __construct(
        private readonly House $house,
        private readonly Pdf $pdf,
        private readonly ReceiptPrinter $printer,
        private readonly Mailbox $mailbox,
        private readonly OffersLinks $links,
    ) {
    }

    public function print(Order $order, Till $till): void
    {
        $this->put($order, $till, 'confirmation', 'orders.paper.confirmation', ['roll' => true]);
    }

    public function printPickingList(Order $order, Till $till): void
    {
        $this->put($order, $till, 'picking list', 'orders.paper.picking');
    }

    public function printDeliveryNote(Order $order, Till $till): void
    {
        $this->put($order, $till, 'delivery note', 'orders.paper.delivery-note');
    }

    public function printLabel(Order $order, Till $till): void
    {
        $this->put($order, $till, 'label', 'orders.paper.label');
    }

    public function confirmationPdf(Order $order): string
    {
        return $this->pdf->a4(view('orders.paper.confirmation', ['pdf' => true, ...$this->data($order)])->render());
    }

    public function pickingPdf(Order $order): string
    {
        return $this->pdf->a4(view('orders.paper.picking', ['pdf' => true, ...$this->data($order)])->render());
    }

    public function deliveryNotePdf(Order $order): string
    {
        return $this->pdf->a4(view('orders.paper.delivery-note', ['pdf' => true, ...$this->data($order)])->render());
    }

    public function mail(Order $order, string $to): void
    {
        $shop = $this->house->shop()->name;
        $this->mailbox->deliver(
            new Mail(
                $to,
                "Order {$order->label} at {$shop}",
                "Thank you for your order {$order->label} at {$shop}.\n\nIts confirmation is attached."
                    .($order->wanted_on === null ? '' : ' You asked for it on '.Show::date($order->wanted_on).'.')
                    .($this->link($order) === '' ? '' : "\n\nYou can pay for it by card here: {$this->link($order)}"),
                "{$order->label}.pdf",
                $this->confirmationPdf($order),
                $order->customer_id,
            ),
        );
    }

    /** Tells the customer that goods are here for them. */
    public function mailReady(Order $order): void
    {
        $shop = $this->house->shop()->name;
        $order->loadMissing(['customer', 'location']);
        $order->customer->mail === '' || $this->mailbox->deliver(
            new Mail(
                $order->customer->mail,
                "Goods of your order {$order->label} are here",
                "Goods that you ordered at {$shop} have come in and are set aside for you at {$order->location->name}, "
                    ."{$order->location->street}.\n\nBring the number {$order->label} when you come.",
                customer: $order->customer_id,
            ),
        );
    }

    /**
     * @param  view-string  $view
     * @param  array<string, mixed>  $more
     */
    private function put(Order $order, Till $till, string $name, string $view, array $more = []): void
    {
        $this->printer->print(
            $till,
            "{$order->label} {$name}",
            view($view, [...$more, ...$this->data($order)])->render(),
        );
    }

    /** @return array<string, mixed> the order as it stands now */
    private function data(Order $order): array
    {
        $order->loadMissing(['customer', 'location', 'staff', 'allLines.item', 'progress', 'account']);

        return [
            'order' => $order,
            'shop' => $this->house->shop(),
            'house' => $this->house,
            'reckoned' => AgreedSlip::reckon($order, $order->lines(), $this->house->currency()),
            'names' => $order->taxAsAgreed()->names,
            'link' => $this->link($order),
        ];
    }

    /** Where what is left of it, or a deposit on it, can be paid; empty: nowhere. */
    private function link(Order $order): string
    {
        $order->loadMissing(['progress', 'account', 'allLines.item']);

        return $order->is_charged || ! $order->isOpen() ? ''
            : $this->links->address(Payable::Order, $order->id, $order->toSettle(), $order->made_on);
    }
}
