<?php

declare(strict_types=1);

namespace Elmstone\Quotes;

use Elmstone\Agreements\AgreedSlip;
use Elmstone\Devices\Mail;
use Elmstone\Devices\Mailbox;
use Elmstone\Devices\ReceiptPrinter;
use Elmstone\Paper\Pdf;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Support\Show;

/** A quote as the customer gets it. */
final class QuotePaper
{
    public function __construct(
        private readonly House $house,
        private readonly Pdf $pdf,
        private readonly ReceiptPrinter $printer,
        private readonly Mailbox $mailbox,
    ) {
    }

    public function print(Quote $quote, Till $till): void
    {
        $this->printer->print(
            $till,
            "{$quote->label} quote",
            view('quotes.paper.quote', ['roll' => true, ...$this->data($quote)])->render(),
        );
    }

    public function quotePdf(Quote $quote): string
    {
        return $this->pdf->a4(view('quotes.paper.quote', ['pdf' => true, ...$this->data($quote)])->render());
    }

    public function mail(Quote $quote, string $to): void
    {
        $shop = $this->house->shop()->name;
        $this->mailbox->deliver(
            new Mail(
                $to,
                "Quote {$quote->label} from {$shop}",
                "Thank you for asking. Our quote {$quote->label} is attached; its prices hold until "
                    .Show::date($quote->valid_until).".\n\n{$shop}",
                "{$quote->label}.pdf",
                $this->quotePdf($quote),
                $quote->customer_id,
            ),
        );
    }

    /** @return array<string, mixed> */
    private function data(Quote $quote): array
    {
        $quote->loadMissing(['customer', 'location', 'staff', 'allLines']);

        return [
            'quote' => $quote,
            'shop' => $this->house->shop(),
            'house' => $this->house,
            'reckoned' => AgreedSlip::reckon($quote, $quote->lines(), $this->house->currency()),
            'names' => $quote->taxAsAgreed()->names,
        ];
    }
}
