@use('Elmstone\Core\Money\Money')
@use('Elmstone\Support\Show')
@php($isCredit = $document->kind->value === 'credit_note')
@php($signed = fn (Money $amount): string => Show::money($isCredit ? $amount->negated() : $amount))
<!doctype html>
<html lang="en">
<head>@include('paper.head', ['roll' => true])</head>
<body @class(['roll', 'mm58' => $document->till->paper_mm === 58])><main>
<div class="centre">
    @if($shop->receipt_logo)@include('paper.logo')@endif
    <p><b>{{ $shop->name }}</b></p>
    <p>{{ $document->location->street }}, {{ $document->location->town }}</p>
    <p>{{ $document->location->phone }}</p>
    @if($shop->paper_web !== '')<p>{{ $shop->paper_web }}</p>@endif
    @if($shop->receipt_tax_number && $shop->tax_number !== '')<p>Tax number {{ $shop->tax_number }}</p>@endif
</div>
@if($training ?? false)<p class="copy">TRAINING – NOTHING WAS SOLD</p>@endif
@if($copy)<p class="copy">COPY</p>@endif
<div class="rule"></div>
<h1 class="named">{{ $document->title() }} {{ $document->label }}</h1>
<p>{{ Show::date($document->business_date) }}, {{ Show::time($document->posted_at) }} · {{ $document->till->name
    }}{{ $shop->receipt_cashier ? " · {$document->staff->name}" : '' }}</p>
@if($document->customer_name !== '')
<p>{{ $document->customer_name }}{{ $account === null ? '' : ", account {$account}" }}</p>@endif
@foreach(['Buyer' => $document->buyer, 'Purchase order' => $document->purchase_order,
    'Job' => $document->job] as $name => $text)@if($text !== '')<p>{{ $name }}: {{ $text }}</p>@endif @endforeach
@if($exempted !== null)<p>Tax exempt, certificate {{ $exempted->certificate }}</p>@endif
<div class="rule"></div>
@if($document->lines->isNotEmpty())
@foreach($document->lines->chunk(60) as $lines)
<table>
    @foreach($lines as $line)
        <tr><td colspan="2">{{ $line->description }}</td></tr>
        <tr><td class="under">
        @if($isCredit
            && $line->origin_document_id !== null){{ Show::decimal($line->quantity) }} back, as paid on {{
                $origins[$line->origin_document_id] ?? '' }}@else{{
                    Show::decimal($line->quantity) }} × {{ Show::price($line->unit_price) }}@endif{{
            $line->price_per > 1 && $line->origin_document_id === null ? " per {$line->price_per}" : '' }}{{
            $line->line_discount->isPositive() ? ' less '.Show::money($line->line_discount) : '' }} &nbsp;{{
            $letters[$line->tax_class] ?? '' }}</td>
        <td class="r">{{ $isCredit && $line->direction === 'out' ? '−' : '' }}{{
            Show::money($line->gross->minus($line->line_discount)) }}</td></tr>
        @if($line->note !== '')<tr><td colspan="2" class="under">{{ $line->note }}</td></tr>@endif
        @if($line->serials !== null)<tr>
        <td colspan="2" class="under">serial no. {{ implode(', ', $line->serials) }}</td></tr>@endif
    @endforeach
</table>
@endforeach
<div class="rule"></div>
@endif
<table>
    @if($document->lines->isEmpty())<tr><td colspan="2">{{ $document->words() }}</td></tr>@if($document->note !== '')
    <tr><td colspan="2" class="under">{{ $document->note }}</td></tr>@endif
    @else<tr><td>Goods</td><td class="r">{{ $signed($document->subtotal) }}</td></tr>@endif
    @foreach($document->coupons as $coupon)<tr><td>{{ $coupon->description }}, {{ $coupon->code }}</td>
    <td class="r">{{ $coupon->taken->negated() }}</td></tr>@endforeach
    @unless($document->slip_discount->isZero())<tr><td>Discount</td>
    <td class="r">{{ $document->slip_discount->negated() }}</td></tr>@endunless
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
    @if(! $document->change_given->isZero())<tr><td>Change</td><td class="r">{{ $document->change_given }}</td></tr>
    @endif
    @if(! $document->settlement_discount->isZero())<tr><td>Settlement discount</td>
    <td class="r">{{ $document->settlement_discount }}</td></tr>@endif
    @if(! $document->fee->isZero())<tr><td>Fee in it</td><td class="r">{{ $document->fee }}</td></tr>@endif
</table>
@if($document->balance_before !== null)
<div class="rule"></div>
<table>
    <tr><td>Balance before</td><td class="r">{{ $document->balance_before }}</td></tr>
    <tr><td><b>Balance now</b></td><td class="r"><b>{{ $document->balanceAfter() }}</b></td></tr>
    @if($document->due_date !== null)<tr>
    <td colspan="2">{{ ucfirst($document->terms) }}: due {{ Show::date($document->due_date) }}</td></tr>@endif
</table>
@endif
@foreach($notes as $note)
<div class="rule"></div>
<p><b>{{ $note->title }}</b></p>
<table>@foreach($note->rows as [$words, $figure])<tr><td>{{ $words }}</td><td class="r">{{ $figure }}</td></tr>
@endforeach</table>
@if($note->link !== '')@include('paper.qr', ['address' => $note->link])@endif
@if($note->drawing !== '')@include('paper.drawing', ['path' => $note->drawing])@endif
@if($note->words !== '')<p>{{ $note->words }}</p>@endif
@if($note->code !== '')<div class="centre">@include('paper.barcode', ['code' => $note->code])
<p class="code">{{ $note->code }}</p></div>@endif
@endforeach
<div class="rule"></div>
<div class="centre">@include('paper.barcode')<p class="code">{{ $document->label }}</p>
@if($policy !== '' && $document->kind->value === 'invoice' && $document->lines->isNotEmpty())
<p>Goods come back {{ $policy }}.</p>@endif @if($shop->receipt_foot !== '' && $document->lines->isNotEmpty())
<p>{{ $shop->receipt_foot }}</p>@endif</div>
</main></body>
</html>
