@use('Elmstone\Orders\OrderWay')
@use('Elmstone\Support\Show')
<!doctype html>
<html lang="en">
<head>@include('paper.head', ['paperTitle' => "Order {$order->label}"])</head>
<body class="{{ ($roll ?? false) ? 'roll' : 'sheet' }}">
@if($roll ?? false)
<div class="centre"><p><b>{{ $shop->name }}</b></p>
<p>{{ $order->location->street }}, {{ $order->location->town }}</p><p>{{ $order->location->phone }}</p></div>
<div class="rule"></div>
<p><b>Order {{ $order->label }}</b></p>
<p>{{ Show::date($order->made_on) }} · {{ $order->staff->name }}</p>
<p>{{ $order->customer->name }}, customer {{ $order->customer->number }}</p>
@else
<table class="plain"><tr>
    <td class="half"><h1>Order confirmation</h1><p><b>{{ $order->label }}</b></p></td>
    <td class="r"><b>{{ $shop->name }}</b>
    <br>{{ $order->location->street }}<br>{{ $order->location->town }}<br>{{ $order->location->phone }}</td>
</tr><tr>
    <td>{{ $order->customer->name }}@foreach(array_filter([$order->customer->street,
        trim("{$order->customer->postcode} {$order->customer->town}"), $order->customer->phone]) as $line)
        <br>{{ $line }}@endforeach</td>
    <td class="r">{{ Show::date($order->made_on) }}<br>taken by {{ $order->staff->name }}
        @if($order->purchase_order !== '')<br>your order {{ $order->purchase_order }}@endif
        @if($order->job !== '')<br>job {{ $order->job }}@endif
        @if($order->buyer !== '')<br>for {{ $order->buyer }}@endif</td>
</tr></table>
<br>
@endif
<div class="rule"></div>
<table>
    @foreach($order->lines() as $i => $line)
        @php($progress = $order->at($line->position))
        <tr><td>{{ Show::decimal($line->quantity) }} × {{ $line->description }}<br><span class="under">@if(!
            $line->isFee()){{ OrderWay::from($line->way)->words() }}{{ $progress->isAside()->isPositive()
                ? ', '.Show::decimal($progress->isAside()).' set aside' : '' }}@endif</span></td>
        <td class="r">{{ $reckoned->lines[$i]->net }}</td></tr>
    @endforeach
    @foreach($reckoned->tax as $tax)<tr>
    <td>{{ $names[$tax->component->id] ?? $tax->component->id }} {{ Show::price($tax->component->rate->value) }} %</td>
    <td class="r">{{ $tax->amount }}</td></tr>@endforeach
    <tr class="total"><td>Total {{ $house->currency()->code }}</td><td class="r">{{ $reckoned->total }}</td></tr>
    @if($order->held()->isPositive())<tr><td>Paid by now</td><td class="r">{{ $order->held() }}</td></tr>
    <tr><td>{{ $order->is_charged ? 'To be charged' : 'To be paid when goods leave' }}</td>
    <td class="r">{{ $order->toSettle() }}</td></tr>@endif
</table>
<div class="rule"></div>
@if($order->wanted_on !== null)<p>Wanted on <b>{{ Show::date($order->wanted_on) }}</b>{{ $order->wanted_when === '' ? ''
    : ", {$order->wanted_when}" }}.</p>@endif
@if($order->deliver_to !== '' && $order->lines()->contains(fn ($line) => in_array($line->way, ['delivery', 'parcel'])))
<p>To {{ $order->deliver_to }}.</p>@endif
@if($order->note !== '')<p>{{ $order->note }}</p>@endif
<p>Tax is reckoned on the day goods leave. What you cancel is free again; a deposit beyond what is still ordered is
    given back{{ app(Elmstone\Orders\OrderTerms::class)->cancellationFee()->value->isZero() ? ''
        : ' less '.Show::decimal(app(Elmstone\Orders\OrderTerms::class)->cancellationFee()).' % of what is cancelled'
        }}.</p>
@if($order->signature !== null)
@include('paper.drawing', ['path' => $order->signature])
<p>signed by {{ $order->signed_by }} on {{ Show::on($order->signed_at) }}</p>
@endif
@if(($link ?? '') !== '')<p>Pay for it, or a deposit on it, by card:</p>@include('paper.qr', ['address' => $link])@endif
<div class="centre">@include('paper.barcode', ['code' => $order->label])<p class="code">{{ $order->label }}</p>
<p>Bring this number when you come.</p></div>
</body>
</html>
