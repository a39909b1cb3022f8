@extends('layout')
@section('title', 'Type your PIN')
@section('main')
<div class="sign-in">
    <h1>Elmstone</h1>
    <form method="post" action="{{ route('unlock') }}">@csrf<input type="hidden" name="next" value="{{ $next }}">
        <p class="soft">
        Nothing happened here for a while. {{ auth()->user()
            ->name }}, type your PIN to go on; everything is as you left it.</p>
        @include('design.messages')
        <div><label for="pin">PIN</label><input class="form-control" id="pin" name="pin" type="password"
            inputmode="numeric" autocomplete="off" autofocus required></div>
        <button class="main-act">Go on <kbd>Enter</kbd></button>
    </form>
    <form method="post" action="/sign-out" class="mt-3">@csrf <button class="link-act">Somebody else signs in</button>
    </form>
</div>
@endsection
