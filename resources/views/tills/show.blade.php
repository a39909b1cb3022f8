@use('Elmstone\Core\Settlement\TenderKind')
@use('Elmstone\Support\Show')
@use('Elmstone\Support\ShopTime')
@use('Elmstone\Tills\SessionState')
@extends('layout')
@section('title', 'Till')
@section('main')
<div class="page">
    <div class="page-head"><h1>{{ $till->name }}</h1>
    @if($session !== null)<span class="soft">session {{ $session->label() }} · opened by {{ $session->opener->name }},
        {{ Show::moment($session->opened_at) }} · {{ $documents }} {{ $documents === 1 ? 'document' : 'documents' }}{{
            $session->holder === null ? '' : " · {$session->holder->name}’s drawer" }}</span>
    @else<span class="soft">not open</span>@endif</div>
    @include('design.messages')
    @if($session !== null && $session->opened_on->lessThan(ShopTime::today()))
        <div class="note look"><p><strong>Open since {{ Show::date($session->opened_on) }}.</strong>
        What is taken today is in the same session until it is closed.</p></div>@endif
    <div class="split">
    <div>
    @if($session === null)
        <h2>Open it</h2>
        <form method="post" action="{{ route('till.open') }}" class="mb-4">@csrf
            <input type="hidden" name="key" value="{{ $key }}"><input type="hidden" name="as_left" value="1">
            <button class="quiet-act">Float as it was left in: {{ $carried }}</button></form>
        <h2>or count the float; what differs comes from the safe, or goes back to it</h2>
        <form method="post" action="{{ route('till.open') }}" autocomplete="off">@csrf
            <input type="hidden" name="key" value="{{ $key }}">
            @include('tills.cash')
            @include('design.complaint', ['field' => 'rows'])
            <button class="quiet-act mt-2">Open with what was counted</button></form>
    @elseif($count === null)
        @if($expected !== null)
            <h2>What should be there now</h2>
            <table class="ruled drawer-now"><tbody>
                <tr><td>Float</td><td class="figure">{{ $session->float_amount }}</td></tr>
                @foreach($expected as $way => $amount)<tr><td>{{ $way === 'cash' ? 'Cash, the float in it'
                    : TenderKind::from($way)->label() }}</td><td class="figure">{{ $amount }}</td></tr>@endforeach
                @foreach($listed as $way => $amount)<tr><td class="soft">{{ TenderKind::from($way)->label() }}, nothing
                    to count</td><td class="figure soft">{{ $amount }}</td></tr>@endforeach
            </tbody></table>
        @else<p class="soft">What should be there is shown once it is counted.</p>@endif
        <p class="mt-3 d-flex gap-3 align-items-baseline"><a class="quiet-act"
            href="{{ route('till.count') }}">Count and close</a>
            @can('close-till')<a href="{{ route('till.reading') }}">Reading on paper</a>@endcan</p>
        @include('tills.matters')
        @include('tills.moves')
    @else
        @include('tills.difference')
        <p class="small soft">Counted by {{ $count->counter->name }}, {{ Show::time($count->counted_at) }}{{
            $count->number > 1 ? ", count {$count->number}" : '' }}. No money goes in or out until it is closed.</p>
        @include('tills.matters')
        <p><a class="link-act" href="{{ route('till.count') }}">Count again</a></p>
        @can('close-till')
        <form method="post" action="{{ route('till.go-on') }}" class="mb-3">@csrf
        <button class="link-act">Go on selling; the count stays on record</button></form>
        @endcan
    @endif
    </div>
    <aside>
    @if($session?->holder !== null && ($session->holder_id === $by->id || $by->can('close-till')))
        <h2>Hand it over{{ $count === null ? '' : ', on this count' }}</h2>
        <form method="post" action="{{ route('till.hand-over') }}" class="mb-4" autocomplete="off">@csrf
            <p class="small soft mb-1">Who takes {{ $session->holder->name }}’s drawer over types number and PIN;
                {{ $count === null ? 'it is not counted in between.' : 'the count stays on record.' }}</p>
            <div class="d-flex gap-2 align-items-end">
            <div><label for="to_number" class="small soft">Staff number</label><input class="form-control w-6"
                id="to_number" name="to_number" inputmode="numeric" required></div>
            <div><label for="to_pin" class="small soft">PIN</label><input class="form-control w-6" id="to_pin"
                name="to_pin" type="password" inputmode="numeric" required></div>
            <button class="quiet-act">Hand over</button></div></form>
    @endif
    @if($count !== null)
        @can('close-till')
        <h2>Close it</h2>
        <form method="post" action="{{ route('till.close') }}" class="stack" autocomplete="off">@csrf
            <input type="hidden" name="key" value="{{ $key }}">
            <input type="hidden" name="count" value="{{ $count->number }}">
            <div><label for="left_in">Stays in the drawer as the next float</label><input
                class="form-control text-end @error('left_in') is-refused @enderror" id="left_in" name="left_in"
                    inputmode="decimal" value="{{ old('left_in', $session->float_amount->toString()) }}">
                @include('design.complaint', ['field' => 'left_in'])</div>
            <div><label for="note">What explains it{{ $count->isOffByMoreThan($shop->note_over) ? ' *' : '' }}</label>
                <input
                class="form-control @error('note') is-refused @enderror" id="note" name="note" maxlength="400"
                    value="{{ old('note') }}" placeholder="{{ $count->isRight() ? 'nothing to explain'
                        : 'or that nothing does' }}">@include('design.complaint', ['field' => 'note'])</div>
            @if($count->isOffByMoreThan($shop->witness_over) && $count->counted_by === $by->id)
            <div><x-approval id="witness" when="You counted it, and it is far off: another supervisor signs too."/>
                @include('design.complaint', ['field' => 'approver', 'id' => 'witness-approver'])</div>@endif
            <button class="main-act"><span>Close {{ $session->label() }}</span></button></form>
        @else<p class="note look">A supervisor closes it.</p>@endcan
    @endif
    <h2 class="mt-4">Closed at this till</h2>
    @if($closed->isEmpty())<p class="soft small">None yet.</p>@else
    <table class="ruled small"><thead><tr><th>Session</th><th>Closed</th><th class="figure">Cash off by</th></tr>
        </thead>
        @foreach($closed as $one)@php($cash = $one->counts->last()?->ways->firstWhere('way', TenderKind::Cash))<tr>
        <td><a class="code" href="{{ route('till.session', $one->id) }}">{{ $one->label() }}</a></td>
        <td>{{ $one->closed_at === null ? '' : Show::moment($one->closed_at) }}</td>
        <td class="figure">{{ $cash?->difference() }}</td></tr>@endforeach</table>@endif
    </aside>
    </div>
</div>
@endsection
