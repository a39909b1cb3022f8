@use('Elmstone\Catalogue\Unit')
@use('Elmstone\Support\Show')
<!doctype html>
<html lang="en">
<head>@include('paper.head', ['paperTitle' => "Delivery note {$order->label}"])</head>
<body class="sheet">
<table class="plain"><tr>
    <td class="half"><h1>Delivery note</h1><p><b>{{ $order->label }}</b></p></td>
    <td class="r"><b>{{ $shop->name }}</b><br>{{ $order->location->street }}<br>{{ $order->location->town }}
        <br>{{ $order->location->phone }}</td>
</tr><tr><td>{{ $order->customer->name }}<br>{{ $order->deliver_to }}<br>{{ $order->customer->phone }}</td>
    <td class="r">{{ $order->wanted_on === null ? '' : Show::date($order->wanted_on) }}
        @if($order->purchase_order !== '')<br>your order {{ $order->purchase_order }}@endif
        @if($order->buyer !== '')<br>for {{ $order->buyer }}@endif</td></tr></table>
<br><div class="rule"></div>
<table>@foreach($order->lines()->filter(fn ($line) => ! $line->isFee()) as $line)
    @php($progress = $order->at($line->position))
    @php($now = $progress->mayLeave())
    @if($now->isPositive())<tr>
    <td>{{ Show::decimal($now) }}{{ Unit::from($line->unit)->mark() }} × {{ $line->description }}</td>
    <td class="r code">{{ $line->code }}</td></tr>@endif
@endforeach</table>
<div class="rule"></div>
@if($order->note !== '')<p>{{ $order->note }}</p>@endif
<br><br><p>Received in good order: ______________________________ on ______________</p><br>
<div class="centre">@include('paper.barcode', ['code' => $order->label])<p class="code">{{ $order->label }}</p></div>
</body>
</html>
