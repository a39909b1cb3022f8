@use('Elmstone\Support\Show')
<!doctype html>
<html lang="en">
<head>@include('paper.head', ['paperTitle' => "Order {$purchase->label}", 'pdf' => true])</head>
<body class="sheet">
<table class="plain"><tr>
    <td class="half"><h1>Order</h1><p><b>{{ $purchase->label }}</b></p></td>
    <td class="r"><b>{{ $shop->name }}</b><br>{{ $purchase->location->street }}<br>{{ $purchase->location->town }}
        <br>{{ $purchase->location->phone }}</td>
</tr><tr>
    <td>{{ $purchase->supplier->name }}@foreach(array_filter([$purchase->supplier->street,
        trim("{$purchase->supplier->postcode} {$purchase->supplier->town}")]) as $line)<br>{{ $line }}@endforeach
        @if($purchase->supplier->our_number !== '')<br>our number with you {{ $purchase->supplier->our_number }}
        @endif</td>
    <td class="r">{{ Show::date($purchase->sent_on ?? $purchase->made_on) }}<br>{{ $purchase->staff->name }}
        @if($purchase->expected_on !== null)<br>expected by {{ Show::date($purchase->expected_on) }}@endif</td>
</tr></table>
<br><div class="rule"></div>
<table>
@foreach($purchase->lines as $line)<tr>
    <td class="r">{{ Show::decimal($line->quantity) }}{{ $line->item->unit->mark() }}</td>
    <td>{{ $line->item->description }} <span class="code">{{ $line->their_code === '' ? $line->item->code
        : $line->their_code }}</span></td>
    <td class="r">{{ Show::price($line->cost) }}{{ $line->price_per > 1 ? " per {$line->price_per}" : '' }}</td>
    <td class="r">{{ $line->worth(Brick\Math\BigDecimal::of($line->quantity), $currency) }}</td></tr>@endforeach
<tr class="total"><td></td><td>Expected, without tax, {{ $currency->code }}</td><td></td>
    <td class="r">{{ $purchase->total($currency) }}</td></tr>
</table>
@if($purchase->note !== '')<div class="rule"></div><p>{{ $purchase->note }}</p>@endif
</body>
</html>
