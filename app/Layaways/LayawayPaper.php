<?php

declare(strict_types=1);

namespace Elmstone\Layaways;

use Elmstone\Agreements\AgreedSlip;
use Elmstone\Core\Money\Money;
use Elmstone\Devices\Mail;
use Elmstone\Devices\Mailbox;
use Elmstone\Devices\ReceiptPrinter;
use Elmstone\Paper\Pdf;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Support\Show;

/** The papers of a layaway: the agreement, the label for the shelf. What was paid is on the receipts. */
final class LayawayPaper
{
    public function __construct(
        private readonly House $house,
        private readonly Pdf $pdf,
        private readonly ReceiptPrinter $printer,
        private readonly Mailbox $mailbox,
    ) {
    }

    public function print(Layaway $layaway, Till $till): void
    {
        $this->printer->print(
            $till,
            "{$layaway->label} agreement",
            view('layaways.paper.agreement', ['roll' => true, ...$this->data($layaway)])->render(),
        );
    }

    public function printLabel(Layaway $layaway, Till $till): void
    {
        $this->printer->print(
            $till,
            "{$layaway->label} shelf label",
            view('layaways.paper.label', $this->data($layaway))->render(),
        );
    }

    public function agreementPdf(Layaway $layaway): string
    {
        return $this->pdf->a4(view('layaways.paper.agreement', ['pdf' => true, ...$this->data($layaway)])->render());
    }

    public function mail(Layaway $layaway, string $to): void
    {
        $this->mailbox->deliver(
            new Mail(
                $to,
                "Layaway {$layaway->label} at {$this->house->shop()->name}",
                "Your layaway {$layaway->label} at {$this->house->shop()->name} is set aside until "
                    .Show::date($layaway->expires_on)
                    .".\n\nThe agreement is attached. Bring it, or its number, when you come to pay.",
                "{$layaway->label}.pdf",
                $this->agreementPdf($layaway),
                $layaway->customer_id,
            ),
        );
    }

    /** @return array<string, mixed> the agreement as it stands now */
    private function data(Layaway $layaway): array
    {
        $layaway->loadMissing(['customer', 'location', 'staff', 'allLines', 'allInstalments']);
        $currency = $this->house->currency();
        $instalments = $layaway->instalments();
        $first = $instalments[0] ?? null;

        return [
            'layaway' => $layaway,
            'shop' => $this->house->shop(),
            'house' => $this->house,
            'reckoned' => AgreedSlip::reckon($layaway, $layaway->lines(), $currency),
            'instalments' => $instalments,
            'sentences' => AgreementWords::of(
                $layaway->total,
                Money::min($layaway->total, $layaway->paid_before),
                $layaway->agreedTerms(),
                $layaway->rhythm,
                max(1, count($instalments)),
                $first === null ? $layaway->made_on : $layaway->made_on->setDateFrom($first->due),
                $layaway->expires_on,
                $layaway->grace_days,
            ),
            'names' => $layaway->taxAsAgreed()->names,
        ];
    }
}
