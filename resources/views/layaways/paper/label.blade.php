@use('Elmstone\Support\Show')
<!doctype html>
<html lang="en">
<head>@include('paper.head', ['paperTitle' => "Shelf label {$layaway->label}"])</head>
<body class="roll">
<div class="centre"><h1>{{ $layaway->shelf === '' ? 'No place yet' : $layaway->shelf }}</h1><p>
<b>{{ $layaway->customer->name }}</b></p><p>until {{ Show::date($layaway->expires_on) }}</p></div>
<div class="rule"></div>
<table>@foreach($layaway->lines()->whereNotNull('item_id') as $line)<tr>
<td>{{ Show::decimal($line->quantity) }} × {{ $line->description }}</td><td class="r code">{{ $line->code }}</td></tr>
@endforeach</table>
<div class="rule"></div>
<div class="centre">@include('paper.barcode', ['code' => $layaway->label])<p class="code">{{ $layaway->label }}</p>
</div>
</body>
</html>
