@use('Elmstone\Core\Money\Money')
@use('Elmstone\Support\Show')
<!doctype html>
<html lang="en">
<head>@include('paper.head', ['paperTitle' => "Layaway agreement {$layaway->label}"])</head>
<body class="{{ ($roll ?? false) ? 'roll' : 'sheet' }}">
@if($roll ?? false)
<div class="centre"><p><b>{{ $shop->name }}</b></p>
<p>{{ $layaway->location->street }}, {{ $layaway->location->town }}</p><p>{{ $layaway->location->phone }}</p></div>
<div class="rule"></div>
<p><b>Layaway agreement {{ $layaway->label }}</b></p>
<p>{{ Show::date($layaway->made_on) }} · {{ $layaway->staff->name }}</p>
<p>{{ $layaway->customer->name }}, customer {{ $layaway->customer->number }}</p>
@else
<table class="plain"><tr>
    <td class="half"><h1>Layaway agreement</h1><p><b>{{ $layaway->label }}</b></p></td>
    <td class="r"><b>{{ $shop->name }}</b>
    <br>{{ $layaway->location->street }}<br>{{ $layaway->location->town }}<br>{{ $layaway->location->phone }}</td>
</tr><tr>
    <td>With {{ $layaway->customer->name }}@foreach(array_filter([$layaway->customer->street,
        trim("{$layaway->customer->postcode} {$layaway->customer->town}"), $layaway->customer->phone]) as $line)
        <br>{{ $line }}@endforeach</td>
    <td class="r">{{ Show::date($layaway->made_on) }}<br>made by {{ $layaway->staff->name }}</td>
</tr></table>
<br>
@endif
<div class="rule"></div>
<table>
    @foreach($layaway->lines() as $i => $line)
        <tr><td>{{ Show::decimal($line->quantity) }} × {{ $line->description }}@if($line->serials !== null)<br>
        <span class="under">serial no. {{ implode(', ', $line->serials) }}</span>@endif</td>
        <td class="r">{{ $reckoned->lines[$i]->net }}</td></tr>
    @endforeach
    @foreach($reckoned->tax as $tax)<tr>
    <td>{{ $names[$tax->component->id] ?? $tax->component->id }} {{ Show::price($tax->component->rate->value) }} %</td>
    <td class="r">{{ $tax->amount }}</td></tr>@endforeach
    <tr class="total"><td>Total {{ $house->currency()->code }}</td><td class="r">{{ $layaway->total }}</td></tr>
    <tr><td>{{ $layaway->revision > 1 ? 'Paid before this schedule' : 'Deposit' }}</td>
    <td class="r">{{ Money::min($layaway->total, $layaway->paid_before) }}</td></tr>
</table>
<div class="rule"></div>
<p><b>Payments as they fall due</b></p>
<table>
    @foreach($instalments as $part)<tr><td>{{ Show::date($part->due) }}</td>
    <td class="r">{{ $part->amount }}</td></tr>@endforeach
</table>
<div class="rule"></div>
@foreach($sentences as $sentence)<p>{{ $sentence }}</p>@endforeach
<div class="rule"></div>
@if($layaway->signature !== null)
@php($drawing = '<svg xmlns="http://www.w3.org/2000/svg" width="240" height="60" viewBox="0 0 360 90"><path d="'
    .e($layaway->signature).'" fill="none" stroke="#000" stroke-width="2"/></svg>')
@if($pdf ?? false)<img src="data:image/svg+xml;base64,{{ base64_encode($drawing) }}"
    alt="Signature">@else{!! $drawing !!}@endif
<p>signed by {{ $layaway->signed_by }} on {{ Show::on($layaway->signed_at) }}</p>
@else
<br><br><p>______________________________</p><p>{{ $layaway->customer->name }}</p>
@endif
<div class="centre">@include('paper.barcode', ['code' => $layaway->label])<p class="code">{{ $layaway->label }}</p>
<p>Bring this when you come to pay.</p></div>
</body>
</html>
