@use('Elmstone\Held\Ledger\Movement')
@extends('layout')
@section('title', "Store credit of {$customer->name}")
@section('main')
<div class="page">
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
            <span class="sum">{{ $held }}</span><span
                class="soft">theirs to spend here; it does not run out</span></div>
            @if($entries->isEmpty())
            <p class="empty">They never had store credit. It comes with goods brought back, or from the office.</p>
            @else
            @include('held.entries', [
                'in' => 'Given',
                'out' => 'Used',
                'what' => fn ($entry): string => $entry->amount->isPositive() ? 'Credit'
                    : ($entry->movement === Movement::Back ? 'Paid out' : 'Paid with it'),
                'note' => fn ($entry): string => $entry->document->note,
            ])
            @endif
        </div>
        <aside>
            @can('give-credit')
            @if($held->isPositive())
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
