<?php

declare(strict_types=1);

namespace Elmstone\Purchasing;

use Elmstone\Devices\Mail;
use Elmstone\Devices\Mailbox;
use Elmstone\Paper\Pdf;
use Elmstone\Shop\House;

/** An order to a supplier as they get it: on paper, and as UBL. */
final readonly class PurchasePaper
{
    public function __construct(
        private House $house,
        private Pdf $pdf,
        private Mailbox $mailbox,
        private UblPurchase $ubl,
    ) {
    }

    public function pdf(Purchase $purchase): string
    {
        $purchase->loadMissing(['supplier', 'location', 'staff', 'lines.item']);

        return $this->pdf->a4(
            view('purchasing.paper', [
                'purchase' => $purchase,
                'shop' => $this->house->shop(),
                'currency' => $this->house->currency(),
            ])->render(),
        );
    }

    public function ubl(Purchase $purchase): string
    {
        return $this->ubl->of($purchase->loadMissing(['supplier', 'location', 'lines.item']));
    }

    public function mail(Purchase $purchase): void
    {
        $shop = $this->house->shop()->name;
        $this->mailbox->deliver(
            new Mail(
                $purchase->supplier->mail,
                "Order {$purchase->label} from {$shop}",
                "Please send us what stands in the attached order {$purchase->label}, and tell us when it comes."
                    ."\n\n{$shop}",
                "{$purchase->label}.pdf",
                $this->pdf($purchase),
            ),
        );
    }
}
