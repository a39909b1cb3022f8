@extends('layout')
@section('title', 'Customers from a table')
@section('main')
<div class="page">
    <p class="small soft mb-1"><a href="{{ route('customers') }}">Customers</a></p>
    <div class="page-head"><h1>Customers from a table</h1></div>
    @include('design.messages')
    <p class="soft">The first row names the columns: <span
        class="code">{{ implode(', ',
            $columns) }}</span>. Only <b>name</b> is needed. A row with a number changes that customer; a row without
                one makes a new one. A limit opens a house account. An empty cell leaves what there is; a dash alone
                    empties it.</p>
    @include('interchange.parts.upload', ['action' => route('customers.import.dry-run')])
    @if($report !== null)
        <div class="note {{ $report->bad === 0 ? 'done' : 'stop' }}" role="status"><p>
        <strong>{{ $report->rows }} rows:</strong> {{ $report->new }} new, {{ $report->changed }} changed, {{
                $report->same > 0 ? "{$report->same} as they are, " : '' }}{{
                $report->bad }} not right. Nothing is brought in yet.</p></div>
        @if($report->bad === 0)
            @if($report->changes !== [])<table class="ruled"><thead><tr><th class="figure">Line</th><th>Name</th>
            <th>What changes</th></tr></thead>@foreach($report->changes as $one)<tr>
            <td class="figure">{{ $one['line'] }}</td><td>{{ $one['name'] }}</td>
            <td>{!! implode('<br>', array_map(e(...), $one['changes'])) !!}</td></tr>@endforeach</table>
            @if($report->changed > count($report->changes))
            <p class="soft">and {{ $report->changed - count($report->changes) }} more</p>@endif @endif
            <form method="post" action="{{ route('customers.import.bring-in') }}">
            @csrf<input type="hidden" name="csv" value="{{ $csv }}"><button
                class="main-act narrow">Bring them in</button></form>
        @else
            <table class="ruled"><thead><tr><th class="figure">Line</th><th>Name</th><th>What is wrong</th></tr></thead>
            @foreach($report->complaints as $one)<tr><td class="figure">{{ $one['line'] }}</td>
            <td>{{ $one['name'] }}</td><td class="brick">{{ $one['complaint'] }}</td></tr>@endforeach</table>
            @if($report->bad > count($report->complaints))
            <p class="soft">and {{ $report->bad - count($report->complaints) }} more</p>@endif
        @endif
    @endif
</div>
@endsection
