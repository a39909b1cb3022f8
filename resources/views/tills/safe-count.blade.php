@extends('layout')
@section('title', 'Count the safe')
@section('main')
<div class="page">
    <div class="page-head"><h1>Count the safe</h1>
    <span class="soft">{{ $location->name }} · {{ $cash }} {{ $house->currency()->code }} should be there, cheques not
        counted</span></div>
    @include('design.messages')
    <form method="post" action="{{ route('safe.counted') }}" autocomplete="off">@csrf
        <input type="hidden" name="key" value="{{ $key }}"><input type="hidden" name="left"
            value="{{ $cash->toString() }}">
        <div class="split">
        <div>@include('tills.cash')@include('design.complaint', ['field' => 'rows'])</div>
        <aside class="stack">
            <div><label for="note">What explains a difference</label><input
                class="form-control @error('note') is-refused @enderror" id="note" name="note" maxlength="200"
                    value="{{ old('note') }}" placeholder="or that nothing does">
                @include('design.complaint', ['field' => 'note'])</div>
            <button class="main-act"><span>This is what is there</span></button>
            <a class="link-act" href="{{ route('safe') }}">Not now</a>
        </aside>
        </div>
    </form>
</div>
@endsection
