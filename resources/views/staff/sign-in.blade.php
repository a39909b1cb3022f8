@extends('layout')
@section('title', 'Sign in')
@section('main')
<div class="sign-in">
    <h1>Elmstone</h1>
    <p class="soft">{{ $shop->name }}</p>
    <form method="post" action="/sign-in">
        @csrf
        @include('design.messages')
        <div>
            <label for="till">Till</label>
            <select class="form-select" id="till" name="till">
                @foreach($tills->sortBy('online') as $one)
                    <option value="{{ $one->id }}"
                        @selected((string) $one->id === (string) old('till',
                            $till))>{{ $one->location->town }} · {{ $one->name }}{{ $one->online ? ', to close it'
                                : '' }}</option>
                @endforeach
            </select>
            @include('design.complaint', ['field' => 'till'])
        </div>
        <div>
            <label for="number">Staff number</label>
            <input class="form-control" id="number" name="number" value="{{ old('number') }}" inputmode="numeric"
                autocomplete="off" autofocus required>
            @include('design.complaint', ['field' => 'number'])
        </div>
        <div>
            <label for="pin">PIN</label>
            <input class="form-control" id="pin" name="pin" type="password" inputmode="numeric" autocomplete="off"
                required>
            @include('design.complaint', ['field' => 'pin'])
        </div>
        <button class="main-act">Sign in <kbd>Enter</kbd></button>
    </form>
</div>
@endsection
