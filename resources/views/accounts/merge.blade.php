@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Make two customers one')
@section('main')
<div class="page">
    <p class="small soft mb-1"><a href="{{ route('customers.show', $customer) }}">{{ $customer->name }}</a></p>
    <div class="page-head"><div>
    <h1>{{ $customer->number }} {{ $customer->name }} becomes {{ $into->number }} {{ $into->name }}</h1>
    <p class="soft mb-0">
    This cannot be undone. {{ $documents }} {{ $documents === 1 ? 'document keeps'
        : 'documents keep' }} the name {{ $documents === 1 ? 'it was'
            : 'they were' }} made for, and {{ $documents === 1 ? 'shows' : 'show' }} with {{ $into->name }} from now on.
            </p></div></div>
    @include('design.messages')
    @if($will === null)
    <p>{{ $customer->name }} has no house account; {{ $to === null ? 'neither has the other'
        : 'the other keeps theirs as it is' }}.</p>@else
    <table class="ruled narrow-table">
        <thead><tr><th>House account</th><th class="figure">{{ $customer->number }}</th>
        <th class="figure">{{ $into->number }}</th><th class="figure">will be</th></tr></thead>
        <tr><td>Balance</td><td class="figure">{{ $from->balance }}</td>
        <td class="figure">{{ $to === null ? 'no account' : Show::money($to->balance) }}</td>
        <td class="figure fw-bold">{{ $to === null ? $from->balance
            : $from->balance->plus($to->balance) }}</td></tr>
        <tr><td>Limit</td><td class="figure">{{ $from->credit_limit }}</td>
        <td class="figure">{{ $to === null ? '–' : Show::money($to->credit_limit) }}</td>
        <td class="figure fw-bold">{{ Show::money($will['credit_limit']) }}</td></tr>
        <tr><td>On stop</td><td class="figure">{{ $from->stopped ? 'yes' : 'no' }}</td>
        <td class="figure">{{ $to === null ? '–' : ($to->stopped ? 'yes' : 'no') }}</td>
        <td class="figure fw-bold">{{ $will['stopped'] ? 'yes' : 'no' }}</td></tr>
        <tr><td>Days late allowed</td><td class="figure">{{ $from->allowed_overdue_days }}</td>
        <td class="figure">{{ $to->allowed_overdue_days ?? '–' }}</td>
        <td class="figure fw-bold">{{ $will['allowed_overdue_days'] }}</td></tr>
        <tr><td>Purchase order needed</td><td class="figure">{{ $from->purchase_order_required ? 'yes' : 'no' }}</td>
        <td class="figure">{{ $to === null ? '–' : ($to->purchase_order_required ? 'yes' : 'no') }}</td>
        <td class="figure fw-bold">{{ $will['purchase_order_required'] ? 'yes' : 'no' }}</td></tr>
        <tr><td>Terms</td><td class="figure">{{ $from->terms()->words() }}</td>
        <td class="figure">{{ $to === null ? '–' : $to->terms()->words() }}</td>
        <td class="figure fw-bold">{{ ($to ?? $from)->terms()->words() }}</td></tr>
    </table>
    <p class="small soft">Of the two, the stricter holds.</p>@endif
    <form method="post" action="{{ route('customers.merge', $customer) }}">
    @csrf<input type="hidden" name="into" value="{{ $into->number }}"><button
        class="main-act narrow">Make them one</button></form>
</div>
@endsection
