@use('Elmstone\Support\Show')
<!doctype html>
<html lang="en">
<head>@include('paper.head', ['paperTitle' => "Label {$order->label}"])</head>
<body class="roll">
<div class="centre"><h1>{{ $order->customer->name }}</h1>
<p>{{ $order->waysInWords() }}{{ $order->wanted_on === null ? '' : ', '.Show::date($order->wanted_on) }}</p>
@if($order->shelf !== '')<p><b>{{ $order->shelf }}</b></p>@endif</div>
<div class="rule"></div>
<table>@foreach($order->lines()->filter(fn ($line) => $line->item_id !== null
    && $order->at($line->position)->isAside()->isPositive()) as $line)<tr>
<td>{{ Show::decimal($order->at($line->position)->isAside()) }} × {{ $line->description }}</td>
<td class="r code">{{ $line->code }}</td></tr>@endforeach</table>
<div class="rule"></div>
<div class="centre">@include('paper.barcode', ['code' => $order->label])<p class="code">{{ $order->label }}</p></div>
</body>
</html>
