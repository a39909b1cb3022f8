@use('Elmstone\Support\Show')
<!doctype html>
<html lang="en">
<head>@include('paper.head')</head>
<body class="sheet"><main>
<table class="plain"><tr>
    <td class="half"><h1>Paying-in</h1><p><b>{{ $lodgement->document->label }}</b></p></td>
    <td class="r"><b>{{ $shop->name }}</b><br>{{ $lodgement->location->name }}<br>{{ $lodgement->location->street }}
        <br>{{ $lodgement->location->town }}</td>
</tr><tr>
    <td>To {{ $shop->bank_account }}@if($lodgement->reference !== '')
    <br>Reference {{ $lodgement->reference }}@endif</td>
    <td class="r">{{ Show::date($lodgement->made_on) }}<br>made up by {{ $lodgement->document->staff->name }}</td>
</tr></table>
<br>
@if($lodgement->pieces->isNotEmpty())
<table><thead><tr><th class="r">Note or coin</th><th class="r">How many</th><th class="r">Comes to</th></tr></thead>
    <tbody>@foreach($lodgement->pieces as $one)<tr><td class="r">{{ Show::money($one->unit) }}</td>
    <td class="r">{{ $one->pieces }}</td><td class="r">{{ Show::money($one->unit->times($one->pieces)) }}</td></tr>
    @endforeach
    <tr><td></td><td class="r"><b>Cash</b></td><td class="r"><b>{{ Show::money($lodgement->cash) }}</b></td></tr>
    </tbody></table>
<br>
@endif
@foreach($lodgement->chequesIn->chunk(60) as $cheques)
<table><thead><tr><th>Cheque</th><th>From</th><th class="r">Amount</th></tr></thead>
    <tbody>@foreach($cheques as $one)<tr><td>{{ $one->number ?: 'no number' }}</td>
    <td>{{ $one->payer ?: 'walk-in' }}</td>
    <td class="r">{{ Show::money($one->amount) }}</td></tr>@endforeach</tbody></table>
@endforeach
@if($lodgement->chequesIn->isNotEmpty())<table><tbody><tr><td>{{ $lodgement->chequesIn->count() === 1 ? 'One cheque'
    : "{$lodgement->chequesIn->count()} cheques" }}</td>
    <td class="r"><b>{{ Show::money($lodgement->cheques) }}</b></td></tr></tbody></table><br>@endif
<table><tbody><tr><td><b>Paid in, {{ $house->currency()->code }}</b></td>
    <td class="r"><b>{{ Show::money($lodgement->amount) }}</b></td></tr></tbody></table>
<br><br>
<table class="plain"><tr><td class="half">Made up: ____________________</td><td>Received: ____________________</td></tr>
</table>
</main></body>
</html>
