@use('Elmstone\Support\Show')
@use('Carbon\CarbonImmutable')
@extends('layout')
@section('title', 'Years')
@section('main')
<div class="page">
    <div class="page-head"><h1>Years</h1><span class="soft">this one ends on {{ Show::date($end) }}</span>
        @include('ledger.pages')</div>
    @include('design.messages')
    @if($next === null)<p class="soft">No year is over that is not closed.</p>@else
        <p>The year that ends on <strong>{{ Show::date($next) }}</strong> is closed next: what income, cost and expense
            came to goes to retained earnings, by a document on its last day.
            @if($shop->months_closed_through === null || $shop->months_closed_through->lessThan($next))
            <span class="ochre">First all its months are closed, <a href="{{ route('calendar') }}">in the calendar</a>.
            </span>@endif</p>
        @can('close-year')<form method="post" action="{{ route('ledger.years.close') }}">@csrf
            <input type="hidden" name="key" value="{{ $key }}">
            <input type="hidden" name="end" value="{{ $next->format('Y-m-d') }}">
            <button class="quiet-act">Close the year</button></form>@endcan
    @endif
    @if($years->isNotEmpty())<table class="ruled mt-4">
        <thead><tr><th>Year that ends on</th><th>Closed by</th><th>Posted</th><th>Opened again</th></tr></thead>
        <tbody>@foreach($years as $year)<tr>
            <td>{{ Show::date(CarbonImmutable::parse($year->ends_on)) }}</td>
            <td><a class="code" href="{{ route('documents.show', $year->label) }}">{{ $year->label }}</a></td>
            <td>{{ Show::moment($year->posted_at) }}</td>
            <td>@if($year->reopened_by_id !== null)<a class="code" href="{{ route('documents.show',
                $labels[$year->reopened_by_id]) }}">{{ $labels[$year->reopened_by_id] }}</a> {{ $year->reason }}
                @elseif($loop->first || $years->take($loop->index)->every(fn ($one) => $one->reopened_by_id !== null))
                @can('close-year')<form class="d-flex gap-2" method="post"
                    action="{{ route('ledger.years.reopen') }}">@csrf<input type="hidden" name="key"
                    value="{{ $key }}"><input class="form-control w-auto" name="reason" maxlength="200" size="30"
                    placeholder="why" aria-label="Why it is opened again"><button class="link-act">Open
                    again</button></form>@endcan @endif</td></tr>@endforeach</tbody>
    </table>@endif
    @if($shop->years_closed_through === null)@can('close-year')<form class="filters mt-4" method="post"
        action="{{ route('ledger.years.ends') }}">@csrf<div><label for="year_ends">Our year ends with</label>
        <select class="form-select w-auto" id="year_ends" name="year_ends">@for($month = 1; $month <= 12; $month++)
            <option value="{{ $month }}" @selected($month === $shop->year_ends)>{{
                CarbonImmutable::create(2027, $month, 1)->format('F') }}</option>@endfor</select></div>
        <button class="quiet-act">Keep</button></form>@endcan @endif
</div>
@endsection
