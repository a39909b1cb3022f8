{{-- What a look at a file found, and the button that brings it in. $action: where that goes; $all: every row. --}}
<div class="note {{ $report->bad === 0 ? 'done' : 'stop' }}" role="status"><p>
<strong>{{ number_format($report->rows) }} rows:</strong> {{ $report->counted() }}. {{ $report->comesTo }}
    Nothing is brought in yet.</p></div>
@if($report->bad === 0)
    @if($report->changes !== [])<table class="ruled"><thead><tr><th class="figure">Line</th><th>Name</th>
    <th>What changes</th></tr></thead>@foreach($report->changes as $one)<tr>
    <td class="figure">{{ $one['line'] }}</td><td>{{ $one['name'] }}</td>
    <td>{!! implode('<br>', array_map(e(...), $one['changes'])) !!}</td></tr>@endforeach</table>
    @if($report->changed > count($report->changes))
    <p class="soft">and {{ number_format($report->changed - count($report->changes)) }} more: <a
        href="{{ $all }}">all of them (CSV)</a></p>@endif @endif
    <form method="post" action="{{ $action }}">
    @csrf<input type="hidden" name="csv" value="{{ $csv }}"><button
        class="main-act narrow">Bring them in</button></form>
@else
    <table class="ruled"><thead><tr><th class="figure">Line</th><th>Name</th><th>What is wrong</th></tr></thead>
    @foreach($report->complaints as $one)<tr><td class="figure">{{ $one['line'] }}</td>
    <td>{{ $one['name'] }}</td><td class="brick">{{ $one['complaint'] }}</td></tr>@endforeach</table>
    @if($report->bad > count($report->complaints))
    <p class="soft">and {{ number_format($report->bad - count($report->complaints)) }} more: <a
        href="{{ $all }}">all of them (CSV)</a></p>@endif
@endif
