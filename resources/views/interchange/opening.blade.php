@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Open items from before')
@section('main')
<div class="page">
    <p class="small soft mb-1"><a href="{{ route('accounts') }}">Accounts</a></p>
    <div class="page-head"><h1>Open items from before</h1>
        <span class="soft">what was open when these books began</span></div>
    @include('design.messages')
    <p class="soft">The first row names the columns: <span class="code">{{ implode(', ', $columns) }}</span>.
        <b>customer</b> is the number of a house account, <b>number</b> what the invoice was called before, <b>dated</b>
        and <b>due</b> days such as 2026-03-31, <b>open</b> what is still to be paid; with a minus it is their credit.
        Each comes onto its account today, against opening balances, and is late from its due day.</p>
    @include('interchange.parts.upload', ['action' => route('accounts.opening.dry-run')])
    @if($report !== null)
        <div class="note {{ $report->bad === 0 ? 'done' : 'stop' }}" role="status"><p>
        <strong>{{ count($report->items) }} {{ count($report->items) === 1 ? 'item' : 'items' }}</strong> on
            {{ $report->accounts() }} {{ $report->accounts() === 1 ? 'account' : 'accounts' }}:
            {{ Show::money($report->owed()) }} owed, {{ Show::money($report->credit()) }} credit.
            {{ $report->bad > 0 ? ($report->bad === 1 ? 'One row is' : "{$report->bad} rows are").' not right.' : '' }}
            Nothing is brought in yet.</p></div>
        @if($report->bad === 0)
            <form method="post" action="{{ route('accounts.opening.bring-in') }}">
            @csrf<input type="hidden" name="csv" value="{{ $csv }}"><button
                class="main-act narrow">Bring them in</button></form>
        @else
            <table class="ruled"><thead><tr><th class="figure">Line</th>@foreach($columns as $column)
            <th>{{ ucfirst($column) }}</th>@endforeach<th>What is wrong</th></tr></thead>
            @foreach($report->complaints as $one)<tr><td class="figure">{{ $one['line'] }}</td>
            @foreach($columns as $column)<td class="nowrap">{{ mb_substr($one['row'][$column] ?? '', 0, 40) }}</td>
            @endforeach<td class="brick">{{ $one['complaint'] }}</td></tr>@endforeach</table>
            @if($report->bad > count($report->complaints))
            <p class="soft">and {{ $report->bad - count($report->complaints) }} more</p>@endif
        @endif
    @endif
</div>
@endsection
