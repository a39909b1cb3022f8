<?php

declare(strict_types=1);

namespace Elmstone\Books\Pages;

use Elmstone\Books\Document;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\DocumentTender;
use Elmstone\Books\Drafts\Exempted;
use Elmstone\Books\Purpose;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Shop\House;
use Elmstone\Staff\Approvals\Approval;
use Elmstone\Staff\Staff;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\ShopTime;
use Illuminate\Contracts\View\View;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** The register of documents, and a document's own page. */
final class RegisterController
{
    public function index(RegisterRequest $request, House $house): View
    {
        $documents = $request
            ->documents()
            ->with(['staff', 'tenders', 'location'])
            ->simplePaginate(40)
            ->withQueryString();

        return view('books.index', [
            'documents' => $documents,
            'report' => DocumentList::of($documents->items()),
            'filters' => $request->filters(),
            'staff' => Staff::query()
                ->orderBy('name')
                ->get(['id', 'name']),
            'tenders' => [
                TenderKind::Cash, TenderKind::Card, TenderKind::Cheque, TenderKind::BankTransfer,
                TenderKind::HouseAccount, TenderKind::GiftCard, TenderKind::StoreCredit,
            ],
            'house' => $house,
        ]);
    }

    public function csv(RegisterRequest $request): StreamedResponse
    {
        return DocumentList::of(
            $request
                ->documents()
                ->with(['staff', 'tenders', 'location', 'till'])
                ->lazy(1000),
        )->csv();
    }

    public function show(Document $document, House $house): View
    {
        $document->load([
            'lines', 'taxes', 'tenders', 'location', 'till', 'staff', 'seller', 'journal.named', 'refersTo', 'coupons',
        ]);

        return view('books.document', [
            'document' => $document,
            'house' => $house,
            'trail' => (new PaperTrail($document))->svg(),
            'customer' => $document->customer_id === null
                    ? null
                    : DB::table('customers')
                        ->where('id', $document->customer_id)
                        ->first(['number', 'name']),
            'exempted' => Exempted::fromJson($document->exemption),
            'approval' => $document->approval_id === null
                    ? null
                    : Approval::query()->with('approver')->find($document->approval_id),
            'canComeBack' => self::canComeBack($document),
            'canBeReversed' => $document->purpose === Purpose::Payment
                && ShopTime::isToday($document->business_date)
                && ! Document::query()->where('refers_to_id', $document->id)->exists(),
            'canBeUndone' => $document->purpose === Purpose::Payment
                && ! ShopTime::isToday($document->business_date)
                && ! $document->on_account->isZero()
                && ! Document::query()->where('refers_to_id', $document->id)->exists(),
            'layaways' => DB::table('agreements')
                ->whereIn(
                    'account_id',
                    DB::table('held_entries')->where('document_id', $document->id)->select('account_id'),
                )
                ->orderBy('id')
                ->pluck('label')
                ->all(),
            'plan' => DB::table('plans')
                ->where('invoice_id', $document->id)
                ->orWhere('charge_id', $document->id)
                ->orWhere('document_id', $document->id)
                ->orWhereIn('id', DB::table('plan_parts')->where('document_id', $document->id)->select('plan_id'))
                ->value('label'),
            'canBePlanned' => $document->purpose === Purpose::Sale
                && DB::table('open_items')
                    ->where('document_id', $document->id)
                    ->where('kind', 'charge')
                    ->where('open', '>', 0)
                    ->exists(),
            'origins' => DB::table('documents')
                ->whereIn('id', $document->lines->pluck('origin_document_id')->filter()->unique())
                ->pluck('label', 'id')
                ->all(),
            'returned' => DB::table('document_lines as l')
                ->join('documents as d', 'd.id', '=', 'l.document_id')
                ->where('l.origin_document_id', $document->id)
                ->groupBy('d.label')
                ->selectRaw('d.label, SUM(l.total) AS back')
                ->pluck('back', 'label')
                ->map(MoneyCast::read(...))
                ->all(),
            'canBeVoided' => $document->kind === DocumentKind::Invoice
                && $document->purpose === Purpose::Sale
                && ShopTime::isToday($document->business_date)
                && ! DB::table('document_lines')->where('origin_document_id', $document->id)->exists(),
            'fee' => $house->shop()->returned_payment_fee->toString(),
            'key' => (string) Str::uuid(),
        ]);
    }

    /** Whether a bank or a card's issuer may have taken something of it back. */
    private static function canComeBack(Document $document): bool
    {
        $isPayment = $document->purpose === Purpose::Payment
            || ($document->purpose === Purpose::Sale && $document->kind === DocumentKind::Invoice);

        return $isPayment
            && $document->tenders->contains(
                static fn (DocumentTender $tender): bool => in_array(
                    $tender->kind,
                    [TenderKind::Cheque, TenderKind::BankTransfer, TenderKind::Card],
                    true,
                ),
            )
            && ! Document::query()
                ->where('refers_to_id', $document->id)
                ->where('purpose', Purpose::ReturnedPayment)
                ->exists();
    }
}
