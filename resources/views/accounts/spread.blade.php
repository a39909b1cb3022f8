@use('Elmstone\Support\Show')
@extends('layout')
@section('title', "{$credit->label}: where it lies")
@section('main')
<div class="page payment-page">
    <p class="small soft mb-1">
    <a href="{{ route('accounts') }}">Accounts</a> / <a
        href="{{ route('accounts.show', $customer) }}">{{ $customer->name }}</a></p>
    <div class="page-head mb-2"><div><h1>Where {{ $credit->label }} lies</h1>
        <p class="soft mb-0">{{ $credit->amount }} of
            {{ Show::date($credit->business_date) }}, {{ $credit->open }} of it unused</p>
            </div></div>
    @include('accounts.parts.payment-work')
    @can('give-credit')
    @if($credit->open->isPositive())
        <details class="mt-3"><summary>Pay out what is unused</summary>
        <form method="post" action="{{ route('accounts.pay-out', [$customer, $credit->document->label]) }}"
            class="stack mt-2">
            @csrf<input type="hidden" name="key"
                value="{{ old('key', (string) Illuminate\Support\Str::uuid()) }}">@include('returns.parts.pay-out',
                    ['ways' => $ways, 'amount' => $credit->open->toString()])</form></details>
    @endif
    @endcan
    @include('design.messages')
</div>
@endsection
