@extends('layout')
@section('title', "Payment from {$customer->name}")
@section('main')
<div class="page payment-page">
    <p class="small soft mb-1">
    <a href="{{ route('accounts') }}">Accounts</a> / <a
        href="{{ route('accounts.show', $customer) }}">{{ $customer->name }}</a></p>
    <div class="page-head mb-2"><div><h1>Payment from {{ $customer->name }}</h1>
        <p class="soft mb-0">
        owes {{ $standing->standing->balance }} · {{ $standing->late }} of it late
            @if($standing->credit->isPositive())· <a
                href="{{ route('accounts.show',
                    $customer) }}#credits">{{ $standing->credit }} credit unused</a>@endif</p></div></div>
    @include('accounts.parts.payment-work')
</div>
@endsection
