@use('Elmstone\Support\Show')
@extends('layout')
@section('title', "Store credit of {$customer->name}")
@section('main')
@php($money = fn (int $minor): string => Show::money($house->money($minor)))
<div class="page">
    @include('returns.parts.nav')
    <div class="page-head">
    <h1>Store credit of <a class="plain" href="{{ route('customers.show', $customer) }}">{{ $customer->name }}</a></h1>
    <span class="soft">{{ $house->currency()->code }}</span>
        <div class="end"><form method="post" action="{{ route('counter.sell-to', $customer) }}">
        @csrf <button class="quiet-act">Start a slip</button></form>
        @can('give-credit')<a class="quiet-act"
            href="{{ route('credit-notes.free', $customer) }}">Give credit</a>@endcan</div></div>
    @include('design.messages')
    <div class="split">
        <div>
            <div class="card-worth">
            <span class="sum">{{ $money($held) }}</span><span
                class="soft">theirs to spend here; it does not run out</span></div>
            @if($entries->isEmpty())
            <p class="empty">They never had store credit. It comes with goods brought back, or from the office.</p>
            @else
            <table class="ruled">
                <thead><tr><th>Date</th><th>Document</th><th>What</th><th class="figure">Given</th>
                <th class="figure">Used</th></tr></thead>
                @foreach($entries as $entry)<tr>
                <td class="nowrap">{{ Show::date(new DateTimeImmutable($entry->business_date)) }}</td><td>
                <a class="code" href="{{ route('documents.show', $entry->label) }}">{{ $entry->label }}</a></td>
                <td>{{ $entry->amount > 0 ? 'Credit'
                    : ($entry->kind === 'refund' ? 'Paid out' : 'Paid with it') }} <span
                        class="small soft">{{ $entry->note }}</span></td>
                        <td class="figure">{{ $entry->amount > 0 ? $money((int) $entry->amount) : '' }}</td>
                        <td class="figure">{{ $entry->amount < 0 ? $money(-(int) $entry->amount) : '' }}</td></tr>
                        @endforeach
            </table>
            @endif
        </div>
        <aside>
            @can('give-credit')
            @if($held > 0)
                <h2>Pay out</h2>
                <form method="post" action="{{ route('store-credit.pay-out', $customer) }}" class="stack">
                @csrf<input type="hidden" name="key" value="{{ $key }}">
                    @include('returns.parts.pay-out')
                </form>
            @endif
            @endcan
        </aside>
    </div>
</div>
@endsection
