@use('Elmstone\Foundation\Show')
@extends('layout')
@section('title', "{$credit->label}: where it lies")
@section('main')
<div class="page payment-page">
    <p class="small soft mb-1"><a href="{{ route('accounts') }}">Accounts</a> / <a href="{{ route('accounts.show', $customer) }}">{{ $customer->name }}</a></p>
    <div class="page-head mb-2"><div><h1>Where {{ $credit->label }} lies</h1>
        <p class="soft mb-0">{{ Show::money($house->money($credit->amount)) }} of {{ Show::date($credit->business_date) }}, {{ Show::money($house->money($credit->open)) }} of it unused</p></div></div>
    @include('accounts.parts.payment-work')
</div>
@endsection
