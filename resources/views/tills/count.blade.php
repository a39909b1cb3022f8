@extends('layout')
@section('title', 'Count the till')
@section('main')
<div class="page">
    <div class="page-head"><h1>Count {{ $till->name }}</h1>
    <span class="soft">session {{ $session->label() }}{{ $seen > 0 ? ', count '.($seen + 1) : '' }} · Enter goes to the
        next row</span></div>
    @include('design.messages')
    <form method="post" action="{{ route('till.fix') }}" autocomplete="off">@csrf
        <input type="hidden" name="seen" value="{{ $seen }}">
        <div class="split">
        <div>@include('tills.cash')@include('design.complaint', ['field' => 'rows'])</div>
        <aside class="stack">
            @include('tills.matters')
            <fieldset><legend class="small soft mb-1">Cheques: tick those that are there</legend>
            @if(count($cheques) === 0)<p class="small soft mb-1">None came in.</p>@else
            <table class="ruled small">@foreach($cheques as $cheque)<tr>
                <td><input class="form-check-input" type="checkbox" id="cheque{{ $cheque->key() }}" name="ticked[]"
                    value="{{ $cheque->key() }}" @checked(in_array($cheque->key(), old('ticked', []), true))></td>
                <td><label for="cheque{{ $cheque->key() }}"><span class="code">{{ $cheque->number }}</span>
                    {{ $cheque->from }}</label></td>
                <td class="figure">{{ $cheque->amount }}</td></tr>@endforeach</table>@endif
            <label for="cheques" class="small soft">Cheques that are on no list</label><input
                class="form-control text-end @error('cheques') is-refused @enderror" id="cheques" name="cheques"
                    inputmode="decimal" placeholder="none" value="{{ old('cheques') }}">
                @include('design.complaint', ['field' => 'cheques'])</fieldset>
            @if($report === null)
            <div><label for="cards">Cards: the terminal does not answer. Its paper report says</label><input
                class="form-control text-end @error('cards') is-refused @enderror" id="cards" name="cards"
                    inputmode="decimal" placeholder="none" value="{{ old('cards') }}">
                @include('design.complaint', ['field' => 'cards'])</div>
            @else
            <div><p class="small soft mb-1">Cards, as the terminal reports them</p>
            <p class="mb-0">{{ $report->count === 0 ? 'nothing' : ($report->count === 1 ? 'one payment or refund'
                : "{$report->count} payments and refunds") }}<b class="float-end figure">{{ $report->total() }}</b></p>
            </div>@endif
            <p class="small soft">Once it is fixed, what was expected is shown, and no money goes in or out until the
                till is closed or goes on.</p>
            <button class="main-act"><span>This is what is there</span></button>
            <a class="link-act" href="{{ route('till') }}">Not now</a>
        </aside>
        </div>
    </form>
</div>
@endsection
