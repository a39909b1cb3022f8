@use('Elmstone\Support\Show')
<!doctype html>
<html lang="en">
<head>@include('paper.head', ['paperTitle' => "Transfer {$transfer->label}", 'pdf' => true])</head>
<body class="sheet">
<table class="plain"><tr>
    <td class="half"><h1>Transfer</h1><p><b>{{ $transfer->label }}</b></p></td>
    <td class="r"><b>{{ $shop->name }}</b><br>sent {{ Show::date($transfer->sent_on) }} by {{ $transfer->staff->name }}
        <br>expected {{ Show::date($transfer->expected_on) }}</td>
</tr><tr>
    <td>From {{ $transfer->from->name }}<br>{{ $transfer->from->street }}<br>{{ $transfer->from->town }}</td>
    <td class="r">To {{ $transfer->to->name }}<br>{{ $transfer->to->street }}<br>{{ $transfer->to->town }}</td>
</tr></table>
@if($transfer->note !== '')<p>{{ $transfer->note }}</p>@endif
<br><div class="rule"></div>
<table>
<tr><td></td><td>Item</td><td>Barcode</td><td class="r">Here</td></tr>
@foreach($transfer->lines as $i => $line)<tr>
    <td class="r">{{ Show::decimal($line->quantity) }}{{ $line->item->unit->mark() }}</td>
    <td>{{ $line->item->description }} <span class="code">{{ $line->item->code }}</span>
        @php($pieces = $transfer->document->lines[$i]->serials ?? [])
        @if($pieces !== [])<br>serial no. {{ implode(', ', $pieces) }}@endif</td>
    <td class="code">{{ $line->item->barcode }}</td><td class="r">______</td></tr>@endforeach
</table>
<div class="rule"></div>
<p>Counted in by ______________________ on ______________</p>
</body>
</html>
