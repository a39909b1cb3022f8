@use('Elmstone\Core\Pricing\PriceRule')
@use('Elmstone\Foundation\Show')
@extends('layout')
@section('title', $document->label)
@section('main')
@php($money = fn (int $minor): string => Show::money($document->money($minor)))
<div class="page">
    <p class="small soft mb-1"><a href="{{ route('documents') }}">Documents</a> / {{ $document->label }}</p>
    <div class="page-head"><h1>{{ $document->kind->title() }} <span class="code">{{ $document->label }}</span></h1>
        <div class="end">
            <form method="post" action="{{ route('paper.print', $document) }}">@csrf <button class="quiet-act">Print receipt again</button></form>
            <a class="quiet-act" href="{{ route('paper.invoice-pdf', $document) }}">Invoice as PDF</a>
            <a class="quiet-act" href="{{ route('paper.receipt-pdf', $document) }}">Receipt as PDF</a>
        </div></div>
    @include('design.messages')
    <div class="split">
        <div>
            <table class="ruled">
                <thead><tr><th class="figure">Qty</th><th>Item</th><th class="figure">Each</th><th class="figure">Off</th><th class="figure">Net</th><th class="figure">Tax</th></tr></thead>
                <tbody>
                @foreach($document->lines as $line)
                    <tr><td class="figure">{{ Show::decimal($line->quantity) }}</td>
                        <td>{{ $line->description }} <span class="code soft">{{ $line->code }}</span>
                            @if($line->price_per > 1)<div class="small soft">priced per {{ $line->price_per }}</div>@endif
                            @if($line->price_rule !== PriceRule::ListPrice)<div class="small soft">{{ $line->price_rule->label() }}, list {{ Show::price($line->list_price) }}</div>@endif
                            @if($line->note !== '')<div class="small soft">“{{ $line->note }}”</div>@endif</td>
                        <td class="figure">{{ Show::price($line->unit_price) }}</td>
                        <td class="figure">{{ $line->line_discount + $line->slip_discount === 0 ? '' : $money($line->line_discount + $line->slip_discount) }}</td>
                        <td class="figure">{{ $money($line->net) }}</td>
                        <td class="figure">{{ $money($line->tax_total) }}</td></tr>
                @endforeach
                </tbody>
                <tfoot>
                    <tr><td colspan="4" class="figure soft">Goods</td><td class="figure" colspan="2">{{ $money($document->subtotal) }}</td></tr>
                    @if($document->slip_discount !== 0)<tr><td colspan="4" class="figure soft">Discount</td><td class="figure" colspan="2">{{ $money(-$document->slip_discount) }}</td></tr>@endif
                    @foreach($document->taxes as $tax)<tr><td colspan="4" class="figure soft">{{ $document->tax_included ? 'incl. ' : '' }}{{ $tax->name }} {{ Show::price($tax->rate) }} % of {{ $money($tax->base) }}</td><td class="figure" colspan="2">{{ $money($tax->amount) }}</td></tr>@endforeach
                    <tr class="total"><td colspan="4" class="figure">Total {{ $document->currency }}</td><td class="figure" colspan="2">{{ $money($document->total) }}</td></tr>
                    @foreach($document->tenders as $tender)<tr><td colspan="4" class="figure soft">{{ $tender->words() }}{{ $tender->given > $tender->amount ? ', given '.$money($tender->given) : '' }}</td><td class="figure" colspan="2">{{ $money($tender->amount) }}</td></tr>@endforeach
                    @if($document->cash_rounding !== 0)<tr><td colspan="4" class="figure soft">Cash rounding</td><td class="figure" colspan="2">{{ $money($document->cash_rounding) }}</td></tr>@endif
                    @if($document->change_given !== 0)<tr><td colspan="4" class="figure soft">Change</td><td class="figure" colspan="2">{{ $money($document->change_given) }}</td></tr>@endif
                </tfoot>
            </table>
            @can('see-journal')
                <h2 class="mt-4">Journal</h2>
                <table class="ruled">
                    <thead><tr><th>Account</th><th class="figure">Debit</th><th class="figure">Credit</th></tr></thead>
                    <tbody>
                    @foreach($document->journal as $row)<tr><td>{{ $row->named->name }}</td><td class="figure">{{ $row->debit === 0 ? '' : $money($row->debit) }}</td><td class="figure">{{ $row->credit === 0 ? '' : $money($row->credit) }}</td></tr>@endforeach
                    </tbody>
                    <tfoot><tr class="total"><td></td><td class="figure">{{ $money((int) $document->journal->sum('debit')) }}</td><td class="figure">{{ $money((int) $document->journal->sum('credit')) }}</td></tr></tfoot>
                </table>
            @endcan
        </div>
        <aside>
            <dl class="facts mb-3">
                <dt>Date</dt><dd>{{ Show::date($document->business_date) }}</dd>
                <dt>Posted</dt><dd>{{ Show::date($document->posted_at) }}, {{ $document->posted_at->format('H:i') }}</dd>
                <dt>Customer</dt><dd>{{ $document->customer_name ?: 'Walk-in' }}</dd>
                <dt>Clerk</dt><dd>{{ $document->staff->name }}</dd>
                <dt>At</dt><dd>{{ $document->location->name }}, {{ $document->till->name }}</dd>
            </dl>
            @if($document->isBackdated())<div class="note look"><p>Dated another day than it was posted on.</p></div>@endif
            <form class="d-flex gap-2 mb-3" method="post" action="{{ route('paper.mail', $document) }}">@csrf
                <input class="form-control" name="mail_to" inputmode="email" placeholder="mail address" aria-label="Mail address" value="{{ old('mail_to') }}"><button class="quiet-act text-nowrap">Mail invoice</button></form>
            <h2>Receipt</h2>
            <iframe class="paper-frame" src="{{ route('paper.receipt', $document) }}" title="Receipt {{ $document->label }}"></iframe>
        </aside>
    </div>
</div>
@endsection
