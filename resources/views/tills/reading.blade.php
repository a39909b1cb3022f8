@use('Elmstone\Books\Purpose')
@use('Elmstone\Core\Settlement\TenderKind')
@use('Elmstone\Support\Show')
@extends('layout')
@section('title', "Reading of {$session->label()}")
@section('main')
<div class="page close-paper">
    <div class="page-head"><h1>Reading of {{ $session->label() }}</h1>
    <span class="soft">{{ $session->till->name }}, {{ $session->till->location->name }} · {{ $documents }}
        {{ $documents === 1 ? 'document' : 'documents' }} · {{ $house->currency()->code }}</span>
        <button type="button" class="quiet-act no-print ms-auto" x-data="prints" @click="now">Print</button></div>
    <dl class="facts">
        <div><dt>Opened</dt><dd>{{ Show::moment($session->opened_at) }}, {{ $session->opener->name }}</dd></div>
        <div><dt>Read</dt><dd>{{ Show::moment(now()) }}, {{ auth()->user()->name }}</dd></div>
        @if($session->holder !== null)<div><dt>Drawer of</dt><dd>{{ $session->holder->name }}</dd></div>@endif
        @if(count($dates) > 1)<div><dt>Business dates</dt>
        <dd>{{ implode(', ', array_map(Show::date(...), $dates)) }}</dd>
        </div>@endif
    </dl>
    <table class="ruled drawer-now"><tbody>
        <tr><td>Float</td><td class="figure">{{ $session->float_amount }}</td></tr>
        @foreach($expected as $way => $amount)<tr><td>{{ $way === 'cash' ? 'Cash, the float in it'
            : TenderKind::from($way)->label() }}</td><td class="figure fw-bold">{{ $amount }}</td></tr>@endforeach
        @foreach($listed as $way => $amount)<tr><td class="soft">{{ TenderKind::from($way)->label() }}, nothing to
            count</td><td class="figure soft">{{ $amount }}</td></tr>@endforeach
    </tbody></table>
    @if(count($moves) > 0)<h2 class="mt-3">Cash in and out</h2>
    <table class="ruled small"><tbody>@foreach($moves as $one)<tr><td class="code">{{ $one->label }}</td>
        <td>{{ $one->purpose === Purpose::PettyCash ? ($petty[$one->tenders->first()?->reference] ?? '') : '' }}
            {{ $one->note }}</td>
        <td class="figure">{{ $one->purpose->paysOut() ? '−' : '' }}{{ Show::money($one->total) }}</td></tr>@endforeach
    </tbody></table>@endif
    @if($without > 0)<p class="small soft mt-2">The drawer was opened {{ $without === 1 ? 'once'
        : "{$without} times" }} without a sale.</p>@endif
    <p class="small soft mt-3">A reading changes nothing. It is no close.</p>
</div>
@endsection
