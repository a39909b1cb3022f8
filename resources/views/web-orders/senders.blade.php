@extends('layout')
@section('title', 'Senders of web orders')
@section('main')
<div class="page">
    <div class="page-head"><h1>Who sends orders</h1><span class="soft"><a href="{{ route('web-orders') }}">orders from
        the web</a></span></div>
    @include('design.messages')
    @if(session('token') !== null)<div class="note"><p>The token of {{ session('token_of') }}, seen this once. Give it
        to whoever runs that shop:</p><p class="code">{{ session('token') }}</p></div>@endif
    @foreach($senders as $sender)
    <form method="post" action="{{ route('web-orders.senders.update', $sender) }}"
        class="d-flex flex-wrap gap-2 align-items-center mb-2">@csrf
        <input type="hidden" name="code" value="{{ $sender->code }}">
        <span class="code w-8 d-inline-block">{{ $sender->code }}</span>
        <input class="form-control w-auto" name="name" maxlength="120" aria-label="Name of {{ $sender->code }}"
            value="{{ $sender->name }}">
        <select class="form-select w-auto" name="location" aria-label="Where its orders are taken">
            @foreach($places as $place)<option value="{{ $place->id }}"
                @selected($place->id === $sender->location_id)>{{ $place->town }}</option>@endforeach</select>
        <select class="form-select w-auto" name="way" aria-label="How goods reach an address">@foreach($ways as $way)
            <option value="{{ $way->value }}" @selected($way === $sender->way)>{{ $way->words() }}</option>@endforeach
            </select>
        <input class="form-control w-8" name="customer" inputmode="numeric" placeholder="any customer"
            aria-label="Orders only for customer number" value="{{ $sender->customer?->number }}">
        <label class="small"><input type="checkbox" class="form-check-input" name="active" value="1"
            @checked($sender->active)> may send</label>
        <button class="quiet-act">Save</button>
        <button class="link-act" formaction="{{ route('web-orders.senders.token', $sender) }}">another token</button>
        <span class="small soft">{{ $sender->token_hash === null ? 'no token'
            : "token … {$sender->token_end}" }}, {{ $sender->staff->name }} answers for it</span></form>
    @endforeach
    <h2 class="mt-4">One more</h2>
    <form method="post" action="{{ route('web-orders.senders.store') }}" autocomplete="off"
        class="d-flex flex-wrap gap-2 align-items-end">@csrf
        <div><label class="small soft d-block" for="code">Code</label><input class="form-control w-8 @error('code')
            is-refused @enderror" id="code" name="code" maxlength="12" value="{{ old('code') }}">
            @include('design.complaint', ['field' => 'code'])</div>
        <div><label class="small soft d-block" for="name">Name</label><input class="form-control @error('name')
            is-refused @enderror" id="name" name="name" maxlength="120" value="{{ old('name') }}">
            @include('design.complaint', ['field' => 'name'])</div>
        <div><label class="small soft d-block" for="location">Its orders are taken in</label><select
            class="form-select" id="location" name="location">@foreach($places as $place)<option
                value="{{ $place->id }}">{{ $place->town }}</option>@endforeach</select></div>
        <div><label class="small soft d-block" for="way">Goods reach an address by</label><select class="form-select"
            id="way" name="way">@foreach($ways as $way)<option value="{{ $way->value }}"
                @selected($way->value === 'parcel')>{{ $way->words() }}</option>@endforeach</select></div>
        <div><label class="small soft d-block" for="customer">Only for customer no.</label><input
            class="form-control w-8
            @error('customer') is-refused @enderror" id="customer" name="customer" inputmode="numeric"
                placeholder="any" value="{{ old('customer') }}">
            @include('design.complaint', ['field' => 'customer'])</div>
        <button class="main-act narrow">Let it send</button></form>
    <p class="small soft mt-3">A program sends an order as UBL 2.1 by POST to <span
        class="code">{{ route('web.orders') }}</span> with <span class="code">Authorization: Bearer</span> and its
        token, or puts it as a file into its folder. The order response says what became of it.</p>
</div>
@endsection
