@use('Carbon\CarbonImmutable')
@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Calendar')
@section('main')
@php([$first, $now] = [$month->first, Elmstone\Support\ShopTime::today()])
@php($to = fn ($day): string => route('calendar', ['month' => $day->format('Y-m')]))
<div class="page">
    <div class="page-head"><h1>{{ $first->format('F Y') }}</h1>
    <span class="soft">{{ $month->isClosed ? 'closed' : 'open' }}</span>
    <span class="ms-auto d-flex gap-3"><a href="{{ $to($first->subMonth()) }}" rel="prev">the month before</a>
        @if($first->addMonth()->lessThanOrEqualTo($now))<a href="{{ $to($first->addMonth()) }}" rel="next">the month
            after</a>@endif</span></div>
    @include('design.messages')
    <div class="split">
    <div>
        <table class="calendar"><thead><tr>@foreach(['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as $name)
            <th>{{ $name }}</th>@endforeach</tr></thead>
            <tbody>@foreach($month->weeks() as $week)<tr>@foreach($week as $date)@if($date === null)<td class="none">
            </td>@else<td @class(['today' => $date === $now->format('Y-m-d')])><b>{{ (int) substr($date, 8) }}</b>
            @foreach($month->locations as $one)@php($day = $month->days[$date][$one->id])
            <a @class(['where', str_replace(' ', '-', $day->state)])
                href="{{ route('day', ['day' => $date, 'at' => $one->id]) }}"><span>{{ $one->code }}</span>
                {{ match ($day->state) { 'closed' => '✓ closed', 'open' => '○ open', 'no trade' => '· no trade',
                    default => '' } }}</a>@endforeach</td>@endif @endforeach</tr>@endforeach</tbody></table>
        <p class="small soft">A day leads to its sheet. Days close in their order; closing one closes those before it
            that are open still.</p>
        @if($checks !== [])
        <h2 class="mt-4">To close {{ $first->format('F Y') }}</h2>
        <table class="ruled"><tbody>@foreach($checks as $check)<tr>
            <td class="{{ $check->isRight ? 'soft' : 'ochre' }}">{{ $check->isRight ? '✓ right' : '○ not yet' }}</td>
            <td><a href="{{ $check->address }}">{{ $check->words }}</a></td>
            <td class="small soft">{{ $check->detail }}</td></tr>@endforeach</tbody></table>
        @can('close-month')
        <div class="d-flex gap-3 mt-2"><form method="post" action="{{ route('calendar.prove') }}">@csrf<input
            type="hidden" name="day" value="{{ $first->format('Y-m-d') }}"><button class="quiet-act">Prove the books
                now</button></form>
        @unless($month->isClosed)<form method="post" action="{{ route('calendar.month') }}">@csrf<input type="hidden"
            name="day" value="{{ $first->format('Y-m-d') }}"><button class="quiet-act">Close
                {{ $first->format('F Y') }}</button></form>@endunless</div>
        @include('design.complaint', ['field' => 'month'])
        @endcan
        @endif
    </div>
    <aside>
        @can('close-day')
        <h2>Close days</h2>
        @foreach($month->locations as $one)
        <form method="post" action="{{ route('calendar.close') }}" class="mb-2">@csrf
            <input type="hidden" name="location" value="{{ $one->id }}">
            <label for="day{{ $one->id }}" class="small soft d-block">{{ $one->name }}, closed through
                {{ Show::date($one->closed_through) }}; now through</label>
            <span class="d-flex gap-2"><input type="date"
                class="form-control w-auto @error("close{$one->id}") is-refused @enderror" id="day{{ $one->id }}"
                    name="day" min="{{ $one->closed_through->addDay()->format('Y-m-d') }}"
                        max="{{ $now->format('Y-m-d') }}"
                            value="{{ min($one->closed_through->addDay(), $now)->format('Y-m-d') }}">
                <button class="quiet-act">Close</button></span>
            @include('design.complaint', ['field' => "close{$one->id}", 'id' => "day{$one->id}"])</form>@endforeach
        @endcan
        @if($month->open->isNotEmpty())<h2 class="mt-4">Drawers that are open</h2>
        <table class="ruled small"><tbody>@foreach($month->open as $one)<tr><td class="code">{{ $one->label() }}</td>
            <td>{{ $one->till->name }}</td><td class="{{ $one->opened_on->lessThan($now) ? 'ochre' : 'soft' }}">since
            {{ Show::moment($one->opened_at) }}</td></tr>@endforeach</tbody></table>@endif
        @can('reopen')
        <h2 class="mt-4">Open again</h2>
        <form method="post" action="{{ route('calendar.reopen') }}" class="stack" autocomplete="off">@csrf
            <div class="d-flex gap-2"><select class="form-select" name="location" aria-label="Location">
                @foreach($month->locations as $one)<option value="{{ $one->id }}">{{ $one->name }}</option>@endforeach
                </select><input type="date" class="form-control" name="day" aria-label="From which day"
                    value="{{ old('day', $first->format('Y-m-d')) }}"></div>
            <div><label for="reason" class="small soft">Why: that is kept</label><input
                class="form-control @error('reopen') is-refused @enderror" id="reason" name="reason" maxlength="255"
                    value="{{ old('reason') }}">@include('design.complaint', ['field' => 'reopen', 'id' => 'reason'])
            </div>
            <div class="d-flex gap-3"><button class="quiet-act">This day and those after it</button>
            @if($month->isClosed)<button class="link-act" formaction="{{ route('calendar.month.reopen') }}">The month of
                this day</button>@endif</div></form>
        @endcan
        @if($history->isNotEmpty())<h2 class="mt-4">What was opened again</h2>
        <table class="ruled small"><tbody>@foreach($history as $one)<tr>
            <td>{{ $one->location_id === null ? $one->through->format('F Y') : Show::date($one->from_day).' on' }}</td>
            <td>{{ $one->reopener?->name }}, {{ $one->reopened_at === null ? '' : Show::moment($one->reopened_at) }}
            <div class="soft">{{ $one->reason }}</div></td></tr>@endforeach</tbody></table>@endif
    </aside>
    </div>
</div>
@endsection
