@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Changes of settings')
@section('main')
<div class="page">
    <div class="page-head"><div><h1>Changes of settings</h1><p class="soft mb-0">The newest first. Nothing in it can be
        changed.</p></div><div class="end"><a href="{{ route('settings.changes.csv', request()->query()) }}">As a table
        (CSV)</a> · <a href="{{ route('settings') }}">All settings</a></div></div>
    <form class="filters" method="get"><div><label for="area">Of</label><select class="form-select"
        id="area" name="area"><option value="">everything</option>
        @foreach($areas as $one)<option @selected($one === $area)>{{ $one }}</option>@endforeach</select></div>
        <button class="quiet-act">Show</button></form>
    <table class="ruled"><thead><tr><th>When</th><th>Of</th><th>What</th><th>Was</th><th>Is</th><th>Who</th></tr>
    </thead><tbody>@forelse($changes as $change)<tr><td class="text-nowrap">{{ Show::moment($change->at) }}</td>
        <td>{{ $change->area }}</td><td>{{ $change->what }}</td><td class="soft">{{ $change->old === '' ? '–'
            : $change->old }}</td><td>{{ $change->new === '' ? '–' : $change->new }}</td>
        <td>{{ $change->staff_id === null ? 'setting up' : $people[$change->staff_id] ?? '' }}</td></tr>
    @empty<tr><td colspan="6" class="empty">Nothing was changed yet.</td></tr>@endforelse</tbody></table>
    {{ $changes->links() }}
</div>
@endsection
