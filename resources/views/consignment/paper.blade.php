@use('Carbon\CarbonImmutable')
@use('Elmstone\Support\Show')
<!doctype html>
<html lang="en">
<head>@include('paper.head', ['paperTitle' => "Settlement {$document->label}", 'pdf' => true])</head>
<body class="sheet">
<table class="plain"><tr>
    <td class="half"><h1>Settlement</h1><p><b>{{ $document->label }}</b></p></td>
    <td class="r"><b>{{ $shop->name }}</b></td>
</tr><tr>
    <td>{{ $owner->name }}@foreach(array_filter([$owner->street,
        trim("{$owner->postcode} {$owner->town}")]) as $line)<br>{{ $line }}@endforeach</td>
    <td class="r">{{ Show::date($document->business_date) }}<br>what was sold of yours up to
        {{ Show::date(CarbonImmutable::parse($until)) }}</td>
</tr></table>
<br><div class="rule"></div>
<table>
<tr><td>Day</td><td>What</td><td class="r">Quantity</td><td class="r">Net</td><td class="r">%</td>
    <td class="r">Yours</td></tr>
@foreach($lines as $line)<tr><td>{{ Show::date($line->day) }}</td>
    <td>{{ $line->description }} <span class="code">{{ $line->code }}</span> {{ $line->label }}</td>
    <td class="r">{{ Show::decimal($line->quantity) }}</td><td class="r">{{ Show::money($line->net) }}</td>
    <td class="r">{{ Show::decimal($line->percent) }}</td><td class="r">{{ Show::money($line->share) }}</td></tr>
@endforeach
<tr class="total"><td></td><td>Yours, {{ $currency->code }}</td><td></td><td></td><td></td>
    <td class="r">{{ Show::money($shares) }}</td></tr>
@unless($fees->isZero())<tr><td></td><td>Card costs</td><td></td><td></td><td></td>
    <td class="r">−{{ Show::money($fees) }}</td></tr>@endunless
<tr class="total"><td></td><td>Paid by {{ $document->tenders->isEmpty() ? 'store credit'
    : mb_strtolower($document->tenders->first()->kind->label()) }}</td><td></td><td></td><td></td>
    <td class="r">{{ Show::money($amount) }}</td></tr>
</table>
</body>
</html>
