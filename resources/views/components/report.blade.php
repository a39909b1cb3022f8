@props(['report'])
{{-- The table of a report. --}}
@php([$columns, $rows] = [$report->onPage(), $report->rows])
@if(is_countable($rows) && count($rows) === 0)
<p class="empty">{{ $report->empty }}</p>
@else
<table class="ruled">
    <thead><tr>@foreach($columns as $column)@if($column->head === '')<td></td>@continue @endif
    <th @class(['figure' => $column->kind === 'figure'])>
    @if($column->headLink === ''){{ $column->head }}@else<a class="plain"
        href="{{ $column->headLink }}">{{ $column->head }}</a>@endif</th>@endforeach</tr></thead>
    <tbody>@foreach($rows as $row)<tr>
    @foreach($columns as $column)
        @php([$text, $link, $tone] = [$column->shown($row), $column->link($row), $column->tone($row)])
        <td @class([$column->kind => ! in_array($column->kind, ['', 'code']), $tone => $tone !== '',
            'nowrap' => $column->kind === 'code'])>
        @if($link === ''){{ $text }}@else<a @class(['code' => $column->kind === 'code',
            'plain' => $column->kind !== 'code']) href="{{ $link }}">{{ $text }}</a>@endif</td>
    @endforeach</tr>@endforeach</tbody>
    @if($report->hasTotals())<tfoot><tr class="total"><td colspan="{{ $report->before() }}">{{ $report->count }}</td>
    @foreach(array_slice($columns, $report->before()) as $column)
        <td @class(['figure' => $column->kind === 'figure'])>{{ $column->total }}</td>
    @endforeach</tr></tfoot>@endif
</table>
@endif
