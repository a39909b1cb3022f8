@use('Elmstone\Support\ShopTime')
@use('Elmstone\Staff\Doors\SecurityEvent')
@extends('layout')
@section('title', 'Security log')
@section('main')
<div class="page">
    <div class="page-head"><div><h1>Security log</h1>
    <p class="soft mb-0">
    Who came in, who was turned away, and what was changed about who may do what. Nothing in it can be changed.</p>
    </div>
        <div class="end"><a href="{{ route('security-log.csv', request()->query()) }}">As a table (CSV)</a></div></div>
    <form class="filters" method="get">
        <div><label for="what">What</label><select class="form-select" id="what" name="what">
        <option value="">everything</option>@foreach($events as $event)
        <option value="{{ $event->value }}" @selected($what === $event->value)>{{ $event->words() }}</option>@endforeach
        </select></div>
        <div><label for="who">Who</label><select class="form-select" id="who" name="who">
        <option value="">everybody</option>@foreach($people as $person)
        <option value="{{ $person->id }}" @selected($who === $person->id)>{{ $person->name }}</option>@endforeach
        </select></div>
        <div><label for="day">Day</label><input class="form-control" type="date" id="day" name="day" value="{{ $day }}">
        </div>
        <button class="quiet-act">Show</button>
    </form>
    <table class="ruled"><thead><tr><th>When</th><th>What</th><th>Who</th><th>Till</th><th>About</th><th>From</th></tr>
    </thead><tbody>
        @forelse($rows as $row)
            <tr><td class="text-nowrap">{{ ShopTime::at($row->at)->format('j M Y, H:i:s') }}</td>
            <td @class(['ochre' => in_array($row->what, ['wrong_pin', 'locked', 'refused'],
                true)])>{{ SecurityEvent::tryFrom($row->what)?->words() ?? $row->what }}</td>
                <td>{{ $row->name ?? '–' }}</td><td>{{ $row->till ?? '–' }}</td><td>{{ $row->about }}</td>
                <td class="code small">{{ $row->address }}</td></tr>
        @empty<tr><td colspan="6" class="empty">Nothing of that kind.</td></tr>@endforelse
    </tbody></table>
    {{ $rows->links() }}
</div>
@endsection
