<?php

declare(strict_types=1);

namespace Elmstone\Paper;

use Elmstone\Books\Document;
use Elmstone\Core\Money\Refused;
use Elmstone\Shop\Till;
use Elmstone\Staff\Ability;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;

/** A document's papers: to see, to print again, to mail, as a file. */
final class PaperController
{
    public function __construct(private readonly IssuePaper $issue, private readonly PaperData $data)
    {
    }

    /** To look at on the screen; looking is not handing out. */
    public function receipt(Document $document): Response
    {
        $this->authorise($document);

        return response()->view(IssuePaper::form($document, 'receipt'), [
            'roll' => true,
            ...$this->data->of($document, false, toLookAt: true),
        ]);
    }

    public function invoice(Document $document): Response
    {
        $this->authorise($document);

        return response()->view(IssuePaper::form($document, 'invoice'), [
            'roll' => false,
            ...$this->data->of($document, false, toLookAt: true),
        ]);
    }

    public function print(Document $document, AtTill $atTill, #[CurrentUser] Staff $staff): RedirectResponse
    {
        $this->authorise($document);
        AskedPaper::ask($document, '', $atTill->till(), $staff);

        return back()->with('done', "{$document->label} goes to the printer.");
    }

    public function mail(
        Request $request,
        Document $document,
        AtTill $atTill,
        #[CurrentUser] Staff $staff,
    ): RedirectResponse {
        $this->authorise($document);
        $to = $request->string('mail_to')->trim()->value();

        if (filter_var($to, FILTER_VALIDATE_EMAIL) === false) {
            throw Refused::because(
                'bad_mail',
                $to === '' ? 'Type where to mail it.' : "“{$to}” is not a mail address.",
            );
        }

        $this->assertMayMail($document, $to, $atTill->till(), $staff);
        AskedPaper::ask($document, $to, $atTill->till(), $staff);

        return back()->with('done', "{$document->label} goes to {$to}.");
    }

    public function invoicePdf(Document $document): Response
    {
        $this->authorise($document);

        return $this->pdf($this->issue->invoicePdf($document), "{$document->label}.pdf");
    }

    public function receiptPdf(Document $document): Response
    {
        $this->authorise($document);

        return $this->pdf(
            $this->issue->receiptPdf($document->load(['lines', 'taxes', 'tenders'])),
            "{$document->label}-receipt.pdf",
        );
    }

    /** A clerk mails what is of today and of here to whoever stands there, and what is older to addresses on file. */
    private function assertMayMail(Document $document, string $to, Till $till, Staff $staff): void
    {
        $isHere = $document->location_id === $till->location_id;
        $isToday = ShopTime::isToday($document->business_date);
        $isOnFile = $document->customer_id !== null
            && (DB::table('customers')->where('id', $document->customer_id)->where('mail', $to)->exists()
                || DB::table('contacts')->where('customer_id', $document->customer_id)->where('mail', $to)->exists());

        if (! $staff->mayDo(Ability::MailAnywhere) && ! ($isHere && ($isToday || $isOnFile))) {
            throw Refused::because(
                'may_not_mail',
                $isHere
                    ? "{$to} is not an address on file for this document. A supervisor may mail it there."
                    : 'This document is of another location. A supervisor may mail it.',
            );
        }
    }

    /** A paper of goods alone says what they cost: for those who may know. */
    private function authorise(Document $document): void
    {
        $document->purpose->isGoodsOnly() && Gate::authorize(Ability::SeeMargin->value);
    }

    private function pdf(string $bytes, string $name): Response
    {
        return response($bytes, 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => "inline; filename=\"{$name}\"",
        ]);
    }
}
