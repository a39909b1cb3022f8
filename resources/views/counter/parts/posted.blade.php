@use('Elmstone\Counter\Slip\PaperWay')
@php($document = $slip->document)
@php($change = ($document->change_given ?? $house->money(0))->plus($slip->receipt->change_given ?? $house->money(0)))
<div class="note done mt-3" role="status"><p>
@if($slip->order !== null)<strong>Taken as <a
    href="{{ route('orders.show', $slip->order) }}">{{ $slip->order->label }}</a>.</strong><br>@endif
@if($slip->quote !== null)<strong>Given as <a
    href="{{ route('quotes.show', $slip->quote) }}">{{ $slip->quote->label }}</a>.</strong><br>@endif
@if($document === null)
    {{ match($slip->paper) { PaperWay::Print => 'Its paper is printed.',
        PaperWay::Mail => "Its paper is mailed to {$slip->mail_to}.", default => 'No paper.' } }}
@else
<strong>Posted as <a
    href="{{ route('documents.show', $document) }}">{{ $document->label }}</a>@if($slip->creditNote !== null
        && $slip->credit_note_id !== $slip->document_id) and <a
            href="{{ route('documents.show',
                $slip->creditNote) }}">{{ $slip->creditNote->label }}</a>@endif @if($slip->receipt !== null) and <a
                    href="{{ route('documents.show',
                        $slip->receipt) }}">{{ $slip->receipt->label }}</a>@endif</strong>@if($slip->heldAs !== null)
                        <br><strong>Set aside as <a
                            href="{{ route('layaways.show',
                                $slip->heldAs) }}">{{ $slip->heldAs->label }}</a></strong>@endif
    @foreach($slip->orderParts() as $part)@if(! $part->leaving->isEmpty())<br>
    <strong>Goods of <a href="{{ route('orders.show',
        $slip->orders[$part->orderId]) }}">{{ $slip->orders[$part->orderId]->label }}</a> are handed over</strong>@endif
    @endforeach
    @foreach($slip->paidOn as $layaway)@if($layaway->document !== null)<br>
    <strong>{{ $layaway->label }} became <a
        href="{{ route('documents.show',
            $layaway->document) }}">{{ $layaway->document->label }}</a></strong>@endif @endforeach<br>
    {{ match($slip->paper) { PaperWay::Print => $slip->heldAs === null
        ? ($document->kind->value === 'credit_note' ? 'The credit note is printed.' : 'The receipt is printed.')
            : 'Receipt and agreement are printed.', PaperWay::Mail => "Mailed to {$slip->mail_to}.",
                default => 'No paper.' } }}@endif</p></div>
@if($document?->balance_before !== null)
    @php($last = $slip->receipt ?? $document)
    <table class="small w-100 mt-1"><tr><td class="soft">Balance before</td>
    <td class="figure">{{ $document->balance_before }}</td></tr><tr>
    <td class="soft">Balance now</td>
    <td class="figure fw-bold">{{ $last->balanceAfter() }}</td></tr></table>
@endif
@if($change->isPositive())
    <div class="change"><span>Change to hand over</span><span class="sum" id="change">{{ $change }}</span>
    </div>
@endif
@php($cashOut = $slip->creditNote?->tenders()->where('kind', 'cash')->first())
@if($cashOut !== null)
    <div class="change">
    <span>Cash to hand back</span><span class="sum"
        id="change">{{ $cashOut->amount }}</span></div>
@endif
@if($slip->creditNote !== null)
    @foreach($slip->creditNote->tenders()->orderBy('position')->get()->reject(fn ($tender) =>
        in_array($tender->kind->value, ['cash', 'exchange'], true)) as $tender)
        <p class="small soft mb-0">{{ $tender->amount }}
            {{ $tender->kind->value === 'house_account' ? 'to their account' : 'as '.mb_strtolower($tender->words()) }}
            </p>@endforeach
@endif
@if($document !== null)
<div class="d-flex flex-wrap gap-2 mt-2">
    <form method="post" action="{{ route('paper.print', $document) }}">
    @csrf <button class="quiet-act">Print {{ $slip->paper === PaperWay::Print ? 'a copy' : '' }}</button></form>
    @if($document->on_account->isPositive() && $slip->charge !== null)@can('make-plans')<a class="quiet-act"
        href="{{ route('plans.create', $document) }}">Pay in parts</a>@endcan @endif
    @if($slip->heldAs !== null)<a class="quiet-act"
        href="{{ route('layaways.agreement-pdf', $slip->heldAs) }}">Agreement as PDF</a>@else<a class="quiet-act"
            href="{{ route('paper.invoice-pdf', $document) }}">{{ $document->title() }} as PDF</a>@endif
</div>
@endif
<div class="foot">
<a class="main-act" href="{{ route('counter.new') }}" data-focus
    id="next-customer"><span>Next customer</span><kbd>Enter</kbd></a></div>
