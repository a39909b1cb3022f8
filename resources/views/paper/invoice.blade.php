@use('Elmstone\Core\Money\Money')
@use('Elmstone\Support\Show')
@php($isCredit = $document->kind->value === 'credit_note')
{{-- A price with fewer places than the longest has the room of theirs, unwritten. --}}
@php($places = $document->lines->max(fn ($line): int => Show::places($line->unit_price)) ?? 2)
@php($signed = fn (Money $amount): string => Show::money($isCredit ? $amount->negated() : $amount))
<!doctype html>
<html lang="en">
<head>@include('paper.head')</head>
<body class="sheet"><main>
<table class="plain"><tr>
    <td class="half"><h1>{{ $document->title() }}</h1><p><b>{{ $document->label }}</b></p>@if($copy)
    <p class="copy">COPY</p>@endif</td>
    <td class="r">@include('paper.logo')<b>{{ $shop->name }}</b>
    <br>{{ $document->location->street }}<br>{{ $document->location->town }}<br>{{ $document->location->phone }}
    @if($shop->paper_web !== '')<br>{{ $shop->paper_web }}@endif
    @if($shop->tax_number !== '')<br>Tax number {{ $shop->tax_number }}@endif</td>
</tr><tr>
    <td>To: {{ $document->customer_name ?: 'Walk-in customer' }}@foreach($address as $line)
    <br>{{ $line }}@endforeach</td>
    <td class="r">{{ Show::date($document->business_date) }}<br>
    served by {{ $document->staff->name }}, {{ $document->till->name }}@if($account !== null)
    <br>account {{ $account }}@endif @if($document->due_date !== null)
    <br>{{ $document->terms }}: due {{ Show::date($document->due_date) }}@endif</td>
</tr></table>
@foreach(['Buyer' => $document->buyer, 'Purchase order' => $document->purchase_order, 'Job' => $document->job,
    'Tax exempt, certificate' => $exempted->certificate ?? ''] as $name => $text)@if($text !== '')
    <p>{{ $name }} {{ $text }}</p>@endif @endforeach
@if($document->refersTo !== null)
<p>Refers to {{ $document->refersTo->label }} of {{ Show::date($document->refersTo->business_date) }}.</p>@endif
@if($document->note !== '')<p>{{ $document->note }}</p>@endif
<br>
@if($document->lines->isNotEmpty())
{{-- One long table would cost the PDF maker time and memory by the square of its rows. --}}
@foreach($document->lines->chunk(60) as $lines)
<table @class(['many' => $document->lines->count() > 60])>
    <thead><tr><th class="r">Qty&nbsp;&nbsp;</th><th>Item</th><th>Code</th><th class="r">Each&nbsp;&nbsp;</th>
    <th class="r">Discount&nbsp;&nbsp;</th><th>Tax</th><th class="r">Net</th></tr></thead>
    <tbody>
    @foreach($lines as $line)
        <tr><td class="r">{{ Show::decimal($line->quantity) }}</td>
        <td>{{ $isCredit && $line->direction === 'out' ? 'less: '
            : '' }}{{ $line->description }}@if($line->price_per > 1 && $line->origin_document_id === null)<br>
            <span class="under">priced per {{ $line->price_per }}</span>@endif
            @if($line->origin_document_id !== null)<br>
            <span class="under">as paid on {{ $origins[$line->origin_document_id]
                ?? '' }}</span>@endif @if($line->note !== '')<br>
                <span class="under">{{ $line->note }}</span>@endif @if($line->serials !== null)<br>
                <span class="under">serial no. {{ implode(', ', $line->serials) }}</span>@endif</td>
                <td class="code">{{ $line->code }}</td>
            <td class="r">@if($line->origin_document_id === null){{ Show::price($line->unit_price) }}<span
                class="unwritten">{{ str_repeat('0', $places - Show::places($line->unit_price)) }}</span>@endif</td>
            <td class="r">{{ $line->off()->isZero() ? '' : Show::money($line->off()) }}</td>
            <td>{{ $letters[$line->tax_class] ?? '' }}</td>
            <td class="r">{{ $isCredit && $line->direction === 'out' ? '−' : '' }}{{ $line->net }}</td></tr>
    @endforeach
    </tbody>
</table>
@endforeach
<br>
@endif
<table class="plain"><tr><td class="half">@include('paper.barcode')</td><td>
    <table class="plain">
        @foreach($document->coupons as $coupon)<tr><td>{{ $coupon->description }}, {{ $coupon->code }}, taken off</td>
        <td class="r">{{ $coupon->taken }}</td></tr>@endforeach
        @if($document->lines->isNotEmpty())<tr><td>Net of discounts</td><td class="r">{{ $signed($document->net) }}</td>
        </tr>@endif
        @foreach($document->taxes as $tax)<tr>
        <td>{{ $document->tax_included ? 'incl. '
            : '' }}{{ $tax->name }} {{ Show::price($tax->rate) }} % of {{ $signed($tax->base) }}</td>
            <td class="r">{{ $signed($tax->amount) }}</td></tr>@endforeach
        <tr class="total"><td>{{ $isCredit ? 'Credit' : 'Total' }} {{ $document->currency }}</td>
        <td class="r">{{ $signed($document->total) }}</td></tr>
        @foreach($document->tenders as $tender)<tr><td>{{ $isCredit ? $tender->wordsBack() : $tender->words() }}</td>
        <td class="r">{{ $tender->given }}</td></tr>@endforeach
        @if(! $document->cash_rounding->isZero())<tr><td>Cash rounding</td>
        <td class="r">{{ $document->cash_rounding }}</td></tr>@endif
        @if(! $document->change_given->isZero())<tr><td>Change</td><td class="r">{{ $document->change_given }}</td>
        </tr>@endif
        @if(! $document->settlement_discount->isZero())<tr><td>Settlement discount</td>
        <td class="r">{{ $document->settlement_discount }}</td></tr>@endif
        @if(! $document->fee->isZero())<tr><td>Fee in it</td><td class="r">{{ $document->fee }}</td></tr>@endif
        @if($document->balance_before !== null)<tr><td>Balance before</td>
        <td class="r">{{ $document->balance_before }}</td></tr><tr><td><b>Balance now</b></td><td class="r">
        <b>{{ $document->balanceAfter() }}</b></td></tr>@endif
    </table>
</td></tr></table>
@foreach($notes as $note)
<br>
<table class="plain"><tr><td class="half">
@if($note->link !== '')@include('paper.qr', ['address' => $note->link])@endif
@if($note->drawing !== '')@include('paper.drawing', ['path' => $note->drawing])@endif
@if($note->code !== '')@include('paper.barcode', ['code' => $note->code])@endif @if($note->words !== '')
<p>{{ $note->words }}</p>@endif</td><td>
    <p><b>{{ $note->title }}</b></p>
    <table class="plain">@foreach($note->rows as [$words, $figure])<tr><td>{{ $words }}</td>
    <td class="r">{{ $figure }}</td></tr>@endforeach</table>
</td></tr></table>
@endforeach
@if($document->lines->isNotEmpty())
<p class="under">
Tax: @foreach($letters as $class => $letter){{ $letter }} = {{ $class }}{{ $loop->last ? '' : ', ' }}@endforeach.</p>
@endif
@if($shop->paper_foot !== '')<br><p>{{ $shop->paper_foot }}</p>@endif
</main></body>
</html>
