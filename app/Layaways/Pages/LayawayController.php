<?php

declare(strict_types=1);

namespace Elmstone\Layaways\Pages;

use Carbon\CarbonImmutable;
use Elmstone\Agreements\AgreedSlip;
use Elmstone\Agreements\AgreementMoney;
use Elmstone\Agreements\LineChange;
use Elmstone\Cards\CardSubject;
use Elmstone\Catalogue\ItemSearch;
use Elmstone\Catalogue\Serials;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Layaways\CancelLayaway;
use Elmstone\Layaways\ChangeLayaway;
use Elmstone\Layaways\CompleteLayaway;
use Elmstone\Layaways\Layaway;
use Elmstone\Layaways\LayawayPaper;
use Elmstone\MoneyOut\HandBack;
use Elmstone\Shop\House;
use Elmstone\Staff\Approvals\ApprovalAsk;
use Elmstone\Staff\Approvals\CheckApproval;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** One layaway: its page, its papers, and all that is done to it away from the counter. */
final class LayawayController
{
    public function __construct(
        private readonly House $house,
        private readonly AtTill $atTill,
        private readonly LayawayPaper $paper,
    ) {
    }

    public function show(Layaway $layaway): View
    {
        $layaway->load([
            'customer', 'location.taxProfile.components', 'staff', 'document', 'allLines.item', 'allInstalments',
            'entries.document.tenders', 'changesMade.staff',
        ]);
        $currency = $this->house->currency();
        $day = ShopTime::today();

        return view('layaways.show', [
            'layaway' => $layaway,
            'day' => $day,
            'house' => $this->house,
            'standing' => $layaway->state->isOpen() ? $layaway->standing() : null,
            'reckoned' => AgreedSlip::reckon($layaway, $layaway->lines(), $currency),
            'ladder' => $layaway->ladder($day),
            'ways' => $layaway->state->isOpen() ? AgreementMoney::of($layaway->id, $this->house->currency())->left : [],
            'pending' => HandBack::pending(CardSubject::layaway($layaway->id, $layaway->key)),
            'taxMoved' => $layaway->state->isOpen()
                && ! $layaway
                    ->taxAsAgreed()
                    ->isAs($layaway->location->taxProfile->leviedOn(ShopTime::today())),
            'key' => old('key', (string) Str::uuid()),
        ]);
    }

    public function collect(Layaway $layaway, CompleteLayaway $complete, #[CurrentUser] Staff $by): RedirectResponse
    {
        $document = $complete->handle($layaway->id, $this->atTill->till(), $by);

        return redirect()
            ->route('layaways.show', $layaway)
            ->with('done', "The goods are handed over: {$layaway->label} is sold.")
            ->with('document', $document);
    }

    public function cancel(
        CancelRequest $request,
        Layaway $layaway,
        CancelLayaway $cancel,
        CheckApproval $check,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $ask = ApprovalAsk::from($request);
        $cancel->handle(
            $layaway->id,
            $request->order($ask === null ? null : $check->handle($ask)),
            $this->atTill->till(),
            $by,
        );

        return redirect()
            ->route('layaways.show', $layaway)
            ->with('done', "{$layaway->label} is cancelled and the goods are free again.");
    }

    /** Swaps, drops, puts with it: everything typed on the form is one change. */
    public function lines(
        Request $request,
        Layaway $layaway,
        ChangeLayaway $change,
        ItemSearch $search,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $changes = $this->changes($request, $layaway->load('allLines'), $search);

        if ($changes === []) {
            throw Refused::because('nothing_changed', 'Nothing was changed.');
        }

        $change->lines($layaway->id, $request->integer('version'), $changes, $this->atTill->till(), $by);

        return redirect()
            ->route('layaways.show', $layaway)
            ->with('done', 'The agreement is worked anew; print it for the customer.');
    }

    public function extend(
        Request $request,
        Layaway $layaway,
        ChangeLayaway $change,
        CheckApproval $check,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $request->validate(
            ['first_due' => ['required', 'date_format:Y-m-d'], 'expires_on' => ['required', 'date_format:Y-m-d']],
            ['first_due.*' => 'Type the day of the next payment.', 'expires_on.*' => 'Type its new last day.'],
        );
        $date = static fn (string $name): CarbonImmutable => CarbonImmutable::createFromFormat(
            '!Y-m-d',
            $request->string($name)->value(),
        ) ?? ShopTime::today();
        $change->extend(
            $layaway->id,
            $request->integer('version'),
            $date('first_due'),
            $date('expires_on'),
            $by,
            $check->given($request),
        );

        return redirect()
            ->route('layaways.show', $layaway)
            ->with('done', 'The layaway is extended and its payments are shared out anew.');
    }

    public function shelve(
        Request $request,
        Layaway $layaway,
        ChangeLayaway $change,
        #[CurrentUser] Staff $by,
    ): RedirectResponse {
        $layaway = $change->shelve($layaway->id, mb_substr($request->string('shelf')->trim()->value(), 0, 40), $by);

        if ($request->boolean('label')) {
            $this->paper->printLabel($layaway, $this->atTill->till());
        }

        return redirect()
            ->route('layaways.show', $layaway)
            ->with(
                'done',
                $request->boolean('label')
                    ? 'The place is noted and its label went to the printer.'
                    : 'The place is noted.',
            );
    }

    public function print(Layaway $layaway): RedirectResponse
    {
        $this->paper->print($layaway, $this->atTill->till());

        return back()->with('done', 'The agreement went to the printer.');
    }

    public function agreementPdf(Layaway $layaway): Response
    {
        return response($this->paper->agreementPdf($layaway), 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => "inline; filename=\"{$layaway->label}.pdf\"",
        ]);
    }

    /** @return list<LineChange> */
    private function changes(Request $request, Layaway $layaway, ItemSearch $search): array
    {
        $changes = [];

        foreach ($layaway->lines() as $line) {
            $typed = $request
                ->string("quantity.{$line->position}")
                ->trim()
                ->value();
            $serials = $request->has("serials.{$line->position}")
                ? Serials::read($request->string("serials.{$line->position}")->value())
                : $line->serials ?? [];

            if ($typed === '0' || $request->boolean("drop.{$line->position}")) {
                $changes[] = LineChange::drop($line->position);
            } elseif (
                $typed !== ''
                && Quantity::of(TypedNumber::plain($typed))->toString() !== $line->quantity->toString()
            ) {
                $changes[] = LineChange::quantity($line->position, Quantity::of(TypedNumber::plain($typed)));
            } elseif ($serials !== ($line->serials ?? [])) {
                $changes[] = LineChange::serials($line->position, $serials);
            }
        }

        $added = $request->string('add')->trim()->value();

        if ($added !== '') {
            $item = $search->exact($added)
                ?? throw Refused::because('not_found', "No item has the code or barcode “{$added}”.");
            $changes[] = LineChange::add(
                $item,
                Quantity::of(TypedNumber::plain($request->string('add_quantity')->trim()->value() ?: '1')),
            );
        }

        return $changes;
    }
}
