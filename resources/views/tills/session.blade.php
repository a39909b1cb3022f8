@use('Elmstone\Core\Settlement\TenderKind')
@use('Elmstone\Support\Show')
@extends('layout')
@section('title', "Close {$session->label()}")
@section('main')
<div class="page close-paper">
    <div class="page-head"><h1>{{ $session->label() }}</h1>
    <span class="soft">{{ $session->till->name }}, {{ $session->till->location->name }} · {{ $documents }}
        {{ $documents === 1 ? 'document' : 'documents' }} · {{ $house->currency()->code }}</span>
        <button type="button" class="quiet-act no-print ms-auto" x-data="prints" @click="now">Print</button></div>
    @include('design.messages')
    @unless(session('original') === true)<p class="copy-mark">COPY, {{ Show::moment(now()) }}</p>@endunless
    <dl class="facts">
        <div><dt>Opened</dt><dd>{{ Show::moment($session->opened_at) }}, {{ $session->opener->name }}</dd></div>
        <div><dt>Closed</dt><dd>{{ $session->closed_at === null ? '' : Show::moment($session->closed_at) }},
            {{ $session->closer?->name }}</dd></div>
        <div><dt>Float</dt><dd>{{ $session->float_amount }}</dd></div>
        @if(count($dates) > 1)<div><dt>Business dates</dt>
        <dd>{{ implode(', ', array_map(Show::date(...), $dates)) }}</dd>
        </div>@endif
    </dl>
    @include('tills.difference')
    <div class="split mt-3">
        <table class="ruled"><tbody>
            <tr><td>Cash counted</td><td class="figure">{{ $count->cash() }}</td></tr>
            <tr><td>Left in, the next float</td><td class="figure">{{ $session->left_in }}</td></tr>
            <tr><td class="fw-bold">To the safe</td><td class="figure fw-bold">{{ $session->to_safe }}</td></tr>
            @foreach($listed as $way => $amount)<tr><td class="soft">{{ TenderKind::from($way)->label() }}, nothing to
                count</td><td class="figure soft">{{ $amount }}</td></tr>@endforeach
        </tbody></table>
        <table class="ruled small"><thead><tr><th class="figure">Note or coin</th><th class="figure">How many</th></tr>
        </thead><tbody>@foreach($count->pieces as $one)<tr><td class="figure">{{ $one->unit }}</td>
        <td class="figure">{{ $one->pieces }}</td></tr>@endforeach</tbody></table>
    </div>
    @if(count($cheques) > 0)<h2 class="mt-3">Cheques that came in</h2>
    <table class="ruled small">@foreach($cheques as $cheque)<tr><td class="code">{{ $cheque->number }}</td>
        <td>{{ $cheque->from }}</td><td>{{ $cheque->label }}</td><td class="figure">{{ $cheque->amount }}</td></tr>
        @endforeach</table>@endif
    @if($without > 0)<p class="small soft mt-2">The drawer was opened {{ $without === 1 ? 'once'
        : "{$without} times" }} without a sale.</p>@endif
    @unless($count->cards_reported)<p class="small soft mt-2">The terminal did not answer: what its paper said of cards
        was typed.</p>@endunless
    @if($session->note !== '')<p class="mt-3">“{{ $session->note }}”</p>@endif
    @if($session->counts->count() > 1)<p class="small soft">Counted {{ $session->counts->count() }} times:
        @foreach($session->counts as $one){{ Show::time($one->counted_at) }} by {{ $one->counter->name }}, cash
            {{ $one->cash() }}{{ $loop->last ? '.' : '; ' }}@endforeach</p>@endif
    <div class="signatures"><span>Counted: {{ $count->counter->name }}</span><span>Closed: {{ $session->closer?->name }}
        </span>@if($session->witness !== null)<span>Signed too: {{ $session->witness->name }}</span>@endif</div>
</div>
@endsection
