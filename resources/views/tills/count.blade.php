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
            <div><label for="cheques">Cheques, all together</label><input
                class="form-control text-end @error('cheques') is-refused @enderror" id="cheques" name="cheques"
                    inputmode="decimal" placeholder="none" value="{{ old('cheques') }}">
                @include('design.complaint', ['field' => 'cheques'])</div>
            <div><label for="cards">Cards, as the terminal reports them</label><input
                class="form-control text-end @error('cards') is-refused @enderror" id="cards" name="cards"
                    inputmode="decimal" placeholder="none" value="{{ old('cards') }}">
                @include('design.complaint', ['field' => 'cards'])</div>
            <p class="small soft">Once it is fixed, what was expected is shown, and no money goes in or out until the
                till is closed or goes on.</p>
            <button class="main-act"><span>This is what is there</span></button>
            <a class="link-act" href="{{ route('till') }}">Not now</a>
        </aside>
        </div>
    </form>
</div>
@endsection
