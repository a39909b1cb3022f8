@use('Elmstone\Support\Show')
<!doctype html>
<html lang="en">
<head>@include('paper.head', ['paperTitle' => "Quote {$quote->label}"])</head>
<body class="{{ ($roll ?? false) ? 'roll' : 'sheet' }}">
@php($revision = $quote->revision > 1 ? ", revision {$quote->revision}" : '')
@if($roll ?? false)
<div class="centre"><p><b>{{ $shop->name }}</b></p>
<p>{{ $quote->location->street }}, {{ $quote->location->town }}</p><p>{{ $quote->location->phone }}</p></div>
<div class="rule"></div>
<p><b>Quote {{ $quote->label }}{{ $revision }}</b></p>
<p>{{ Show::date($quote->made_on) }} · {{ $quote->staff->name }}</p>
<p>For {{ $quote->who() }}</p>
@else
<table class="plain"><tr>
    <td class="half"><h1>Quote</h1><p><b>{{ $quote->label }}</b>{{ $revision }}</p></td>
    <td class="r"><b>{{ $shop->name }}</b>
    <br>{{ $quote->location->street }}<br>{{ $quote->location->town }}<br>{{ $quote->location->phone }}</td>
</tr><tr>
    <td>For {{ $quote->who() }}@if($quote->customer !== null)@foreach(array_filter([$quote->customer->street,
        trim("{$quote->customer->postcode} {$quote->customer->town}")]) as $line)<br>{{ $line }}@endforeach @endif
        {{ $quote->buyer === '' ? '' : "attention {$quote->buyer}" }}</td>
    <td class="r">{{ Show::date($quote->made_on) }}<br>{{ $quote->staff->name }}@if($quote->job !== '')
        <br>job {{ $quote->job }}@endif</td>
</tr></table>
<br>
@endif
<div class="rule"></div>
<table>
    @foreach($quote->lines() as $i => $line)
        <tr><td>{{ Show::decimal($line->quantity) }} × {{ $line->description }}<br><span
            class="under">{{ Show::price($line->unit_price) }} each{{ $line->discount_percent === null ? ''
                : ', '.Show::decimal($line->discount_percent).' % off' }}</span></td>
        <td class="r">{{ $reckoned->lines[$i]->net }}</td></tr>
    @endforeach
    @foreach($reckoned->tax as $tax)<tr>
    <td>{{ $names[$tax->component->id] ?? $tax->component->id }} {{ Show::price($tax->component->rate->value) }} %</td>
    <td class="r">{{ $tax->amount }}</td></tr>@endforeach
    <tr class="total"><td>Total {{ $house->currency()->code }}</td><td class="r">{{ $quote->total }}</td></tr>
</table>
<div class="rule"></div>
<p>These prices hold until <b>{{ Show::date($quote->valid_until) }}</b>. Nothing is set aside.</p>
@if($quote->note !== '')<p>{{ $quote->note }}</p>@endif
<div class="centre">@include('paper.barcode', ['code' => $quote->label])<p class="code">{{ $quote->label }}</p>
<p>Bring this number to take it up.</p></div>
</body>
</html>
