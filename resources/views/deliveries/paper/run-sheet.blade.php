@use('Elmstone\Catalogue\Unit')
@use('Elmstone\Deliveries\StopState')
@use('Elmstone\Support\Show')
<!doctype html>
<html lang="en">
<head>@include('paper.head', ['paperTitle' => "Run of {$vehicle->name}", 'pdf' => true])</head>
<body class="sheet">
<table class="plain"><tr><td class="half"><h1>Run sheet</h1><p><b>{{ $vehicle->name }}</b>,
    {{ $day->format('l') }}, {{ Show::date($day) }}</p></td><td class="r"><b>{{ $shop->name }}</b></td></tr></table>
@foreach($stops->filter(fn ($stop) => $stop->state === StopState::Planned)->values() as $i => $stop)
@php($load = $loads[$stop->id])
<div class="rule"></div>
<table><tr><td><b>{{ $i + 1 }}. {{ $stop->order->customer->name }}</b> <span
    class="code">{{ $stop->order->label }}</span>
    <br>{{ $stop->order->deliver_to }}<br>{{ $stop->order->customer->phone }}{{ $stop->order->wanted_when === '' ? ''
        : " · {$stop->order->wanted_when}" }}</td>
<td class="r">{{ Show::decimal($load->weight) }} kg<br><b>{{ $load->collect === null ? 'nothing to collect'
    : 'collect '.Show::money($load->collect) }}</b></td></tr></table>
<table>@foreach($load->leaving->quantities as $position => $quantity)@php($line = $stop->order->line($position))
    <tr><td>{{ Show::decimal($quantity) }}{{ Unit::from($line->unit)->mark() }} × {{ $line->description }}</td>
    <td class="r code">{{ $line->code }}</td></tr>@endforeach</table>
@if($stop->order->note !== '')<p>“{{ $stop->order->note }}”</p>@endif
<p>Taken by ____________________________ at ________ refused ____________________________</p>
@endforeach
</body>
</html>
