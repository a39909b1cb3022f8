@use('Elmstone\Support\Show')
@php($margin = auth()->user()->can('see-margin'))
<!doctype html>
<html lang="en">
<head>@include('paper.head')
    {{-- One sheet of paper, whatever was sold. --}}
    <style>
        @page { margin: 12mm 15mm; }
        .sheet td, .sheet th { padding: 0.6pt 3pt 0.6pt 0; font-size: 8pt; line-height: 1.1; }
        .sheet .two-sides > tbody > tr > td { padding: 0 8pt 3pt 0; border: 0; }
    </style></head>
<body class="sheet"><main>
<table class="plain"><tr>
    <td class="half"><h1>Day sheet</h1><p><b>{{ Show::date($sheet->day) }}, {{ $sheet->day->format('l') }}</b></p></td>
    <td class="r"><b>{{ $shop->name }}</b><br>{{ $sheet->location?->name ?? 'all locations' }}<br>
        {{ $house->currency()->code }}</td>
</tr></table>
<p>{{ $sheet->sales() }} sales, {{ $sheet->returns() }} returns{{ $sheet->average() === null ? ''
    : ', '.Show::money($sheet->average()).' a sale on average' }}{{ $sheet->usual() === null ? ''
        : '; the same weekday of four weeks '.Show::money($sheet->usual()) }}.</p>
@include('tills.day-tables')
<table class="plain"><tr>
    <td class="half"><table><thead><tr><th>Who sold</th><th class="r">Sales</th><th class="r">Net</th></tr></thead>
        <tbody>@foreach($sheet->people() as $name => $one)<tr><td>{{ $name }}</td><td class="r">{{ $one['sales'] }}</td>
        <td class="r">{{ Show::money($one['net']) }}</td></tr>@endforeach</tbody></table></td>
    <td><table><thead><tr><th>Hour</th><th class="r">Net</th></tr></thead>
        <tbody>@foreach($sheet->byHour() as $hour => $net)<tr><td>{{ sprintf('%02d–%02d', $hour, $hour + 1) }}</td>
        <td class="r">{{ Show::money($net) }}</td></tr>@endforeach</tbody></table></td>
</tr></table>
@if($signed !== null)<p>Closed and signed {{ $signed['signature'] }}, with the key {{ $signed['key'] }}.</p>@endif
</main></body>
</html>
