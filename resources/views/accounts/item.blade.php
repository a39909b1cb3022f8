@use('Elmstone\Support\Show')
@extends('layout')
@section('title', "Settle {$item->label}")
@section('main')
@php($said = static fn (string $form): string => old('form') === $form ? (string) old('reason') : '')
<div class="page">
    <p class="small soft mb-1"><a href="{{ route('accounts.show', $customer) }}">{{ $customer->name }}</a></p>
    <div class="page-head"><h1>Settle {{ $item->label }}</h1><span class="soft">{{ Show::date($item->business_date) }},
        due {{ Show::date($item->due_date) }}; open {{ Show::money($item->open) }} of
        {{ Show::money($item->amount) }}</span></div>
    @include('design.messages')
    <p>To pay it, <a href="{{ route('accounts.payment', $customer) }}">post a payment</a>. Otherwise:</p>
    <div class="report-list">
    @if($item->open->isPositive() && $item->kind->value === 'charge')
    <section><h2>Nobody will pay it</h2>
        <form class="stack" method="post" action="{{ route('accounts.item.write-off', [$customer, $item->label]) }}"
            autocomplete="off">@csrf<input type="hidden" name="key" value="{{ $key }}">
            <div><label for="amount" class="small soft">Written off as bad debt</label><input id="amount" name="amount"
                class="form-control text-end w-6 @error('amount') is-refused @enderror" inputmode="decimal"
                value="{{ old('amount', $item->open->toString()) }}">
                @include('design.complaint', ['field' => 'amount'])</div>
            <div><input type="hidden" name="form" value="off">
                <x-reasons of="write_off"/>
                <label for="why-off" class="small soft">Why</label><input id="why-off" name="reason" maxlength="200"
                list="reasons-write_off"
                class="form-control" value="{{ $said('off') }}">
                @includeWhen(old('form') === 'off', 'design.complaint', ['field' => 'reason', 'id' => 'why-off'])
                </div>
            <x-approval/>
            <button class="quiet-act">Write it off</button></form></section>
    <section><h2>{{ $disputed === null ? 'They say it is wrong' : 'It is disputed' }}</h2>
        @if($disputed !== null)<p class="ochre">{{ $disputed }}</p>@endif
        <form class="stack" method="post" action="{{ route($disputed === null ? 'accounts.item.dispute'
            : 'accounts.item.settled', [$customer, $item->label]) }}" autocomplete="off">@csrf<input type="hidden"
            name="key" value="{{ $key }}">
            <div><label for="why-wrong" class="small soft">{{ $disputed === null ? 'What they say is wrong'
                : 'How it was settled' }}</label><input id="why-wrong" name="reason" maxlength="200"
                class="form-control" value="{{ $said('wrong') }}"><input type="hidden" name="form" value="wrong">
                @includeWhen(old('form') === 'wrong', 'design.complaint', ['field' => 'reason', 'id' => 'why-wrong'])
                </div>
            <button class="quiet-act">{{ $disputed === null ? 'Hold it out of charges and calls'
                : 'It is settled' }}</button></form></section>
    @endif
    @if($item->open->isPositive())
    <section><h2>It belongs to another account</h2>
        <form class="stack" method="post" action="{{ route('accounts.item.move', [$customer, $item->label]) }}"
            autocomplete="off">@csrf<input type="hidden" name="key" value="{{ $key }}">
            <div><label for="to" class="small soft">Number of the customer</label><input id="to" name="to"
                class="form-control w-6 @error('to') is-refused @enderror" inputmode="numeric"
                value="{{ old('to') }}">@include('design.complaint', ['field' => 'to'])</div>
            <div><input type="hidden" name="form" value="move">
                <label for="why-move" class="small soft">Why</label><input id="why-move" name="reason" maxlength="200"
                class="form-control" value="{{ $said('move') }}">
                @includeWhen(old('form') === 'move', 'design.complaint', ['field' => 'reason', 'id' => 'why-move'])
                </div>
            <button class="quiet-act">Move what is open</button></form></section>
    @endif
    @if($owedAgain)<section><h2>It is paid after all</h2>
        <form method="post" action="{{ route('accounts.item.owed-again', [$customer, $item->label]) }}">@csrf<input
            type="hidden" name="key" value="{{ $key }}"><button class="quiet-act">Make it owed again</button></form>
        </section>@endif
    </div>
</div>
@endsection
