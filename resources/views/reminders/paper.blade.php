@use('Elmstone\Support\Show')
<!doctype html>
<html lang="en">
<head>@include('paper.head', ['paperTitle' => "Reminder {$reminder->label}"])</head>
<body class="sheet"><main>
<table class="plain"><tr><td class="half"><h1>Reminder</h1><p><b>{{ $reminder->label }}</b></p></td><td class="r">
<b>{{ $shop->name }}</b></td></tr></table>
<br>
@foreach(explode("\n\n", $words) as $part)<p>{{ $part }}</p><br>@endforeach
<table><tr><td>{{ Show::date($reminder->due) }}</td><td class="r"><b>{{ $reminder->open }}</b></td></tr>
</table>
@if($link !== '')<br>@include('paper.qr', ['address' => $link])@endif
<br>@include('paper.barcode', ['code' => $reminder->label])
</main></body>
</html>
