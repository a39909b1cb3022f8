<!doctype html>
<html lang="en">
<head>@include('paper.head', ['paperTitle' => 'Reminders'])</head>
<body class="sheet"><main>
@foreach($letters as $letter)
@php($says = $letter->data)
<div @unless($loop->last) style="page-break-after: always" @endunless>
<table class="plain"><tr><td class="half"><h1>{{ $says['title'] }}</h1>
<p>@foreach($says['to'] as $line){{ $line }}<br>@endforeach</p></td><td class="r"><b>{{ $says['shop'] }}</b><br>
{{ $says['day'] }}<br>Account {{ $says['account'] }}</td></tr></table>
<br><p>{{ $says['words'] }}</p><br>
<table><tr><th>Number</th><th>Dated</th><th>Due</th><th class="r">Days late</th>
<th class="r">Open, {{ $says['currency'] }}</th></tr>
@foreach($says['lines'] as $line)<tr><td>{{ $line['number'] }}</td><td>{{ $line['date'] }}</td>
<td>{{ $line['due'] }}</td><td class="r">{{ $line['days'] }}</td><td class="r">{{ $line['open'] }}</td></tr>@endforeach
@if($says['fee'] !== null)<tr><td>{{ $says['fee_number'] }}</td><td colspan="3">For this letter</td>
<td class="r">{{ $says['fee'] }}</td></tr>@endif
<tr><td colspan="4"><b>To be paid by {{ $says['pay_by'] }}</b></td><td class="r"><b>{{ $says['total'] }}</b></td></tr>
</table>
@if($says['bank_account'] !== '')<br><p>Please pay to {{ $says['bank_account'] }}, naming account
    {{ $says['account'] }}.</p>@endif
@if(($says['foot'] ?? '') !== '')<br><p>{{ $says['foot'] }}</p>@endif
</div>
@endforeach
</main></body>
</html>
