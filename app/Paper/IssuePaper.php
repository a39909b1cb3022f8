<?php

declare(strict_types=1);

namespace Elmstone\Paper;

use Elmstone\Books\Document;
use Elmstone\Devices\Mail;
use Elmstone\Devices\Mailbox;
use Elmstone\Devices\ReceiptPrinter;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\DB;

/** Hands a document out as paper. The first print is the original; every later one says that it is a copy. */
final class IssuePaper
{
    /** @param  iterable<Forgets>  $forgetful */
    public function __construct(
        private readonly PaperData $data,
        private readonly Pdf $pdf,
        private readonly ReceiptPrinter $printer,
        private readonly Mailbox $mailbox,
        private readonly House $house,
        private readonly iterable $forgetful = [],
    ) {
    }

    public function print(Document $document, Till $till, Staff $by): void
    {
        $copy = $this->note($document, $by, 'receipt', 'print');
        $this->printer->print($till, $document->label, $this->html($document, $copy));
        $this->handedOut($document);
    }

    /** As the printer takes it; that it was handed out is not noted. */
    public function html(Document $document, bool $copy = false): string
    {
        return view(self::form($document, 'receipt'), ['roll' => true, ...$this->data->of($document, $copy)])->render();
    }

    public function mail(Document $document, string $to, Staff $by): void
    {
        $copy = $this->note($document, $by, 'invoice', 'mail');
        $this->mailbox->deliver(
            new Mail(
                $to,
                "{$document->title()} {$document->label} from {$this->house->shop()->name}",
                view('paper.mail', $this->data->of($document, $copy))->render(),
                "{$document->label}.pdf",
                $this->pdf->a4(
                    view(self::form($document, 'invoice'), [
                        'pdf' => true,
                        'roll' => false,
                        ...$this->data->of($document, $copy),
                    ])->render(),
                ),
                $document->customer_id,
            ),
        );
        $this->handedOut($document);
    }

    private function handedOut(Document $document): void
    {
        foreach ($this->forgetful as $one) {
            $one->forget($document);
        }
    }

    /** To look at: nothing is handed out by it. */
    public function invoicePdf(Document $document): string
    {
        return $this->pdf->a4(
            view(self::form($document, 'invoice'), [
                'pdf' => true,
                'roll' => false,
                ...$this->data->of($document, $this->wasIssued($document), toLookAt: true),
            ])->render(),
        );
    }

    /** To look at: nothing is handed out by it. */
    public function receiptPdf(Document $document): string
    {
        $data = $this->data->of($document, $this->wasIssued($document), toLookAt: true);
        $notes = is_array($data['notes']) ? $data['notes'] : [];
        $height = 135 + 11 * $document->lines->count() + 6 * ($document->taxes->count() + $document->tenders->count());

        foreach ($notes as $note) {
            $height += $note instanceof PaperNote ? 16 + 6 * count($note->rows) + ($note->code === '' ? 0 : 20) : 0;
        }

        return $this->pdf->roll(
            view(self::form($document, 'receipt'), ['pdf' => true, 'roll' => true, ...$data])->render(),
            $height,
        );
    }

    /**
     * Goods that move without money have a paper of their own: it speaks of goods and what they cost, not of prices and
     * tax.
     *
     * @param  'receipt'|'invoice'  $form
     * @return view-string
     */
    public static function form(Document $document, string $form): string
    {
        return match (true) {
            $document->purpose->isGoodsOnly() => 'paper.goods',
            $form === 'receipt' => 'paper.receipt',
            default => 'paper.invoice',
        };
    }

    private function wasIssued(Document $document): bool
    {
        return DB::table('paper_issues')->where('document_id', $document->id)->exists();
    }

    /** @return bool whether such a paper was handed out before, so that this one is a copy */
    private function note(Document $document, Staff $by, string $form, string $way): bool
    {
        $before = $this->wasIssued($document);
        DB::table('paper_issues')->insert([
            'document_id' => $document->id,
            'staff_id' => $by->id,
            'form' => $form,
            'way' => $way,
        ]);

        return $before;
    }
}
