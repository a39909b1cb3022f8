@use('Elmstone\Books\DocumentKind')
@use('Elmstone\Books\Purpose')
@use('Elmstone\Support\Show')
@extends('layout')
@section('title', "Deposits of {$customer->name}")
@section('main')
@php($money = fn (int $minor): string => Show::money($house->money($minor)))
<div class="page">
    @include('layaways.parts.nav')
    <div class="page-head">
    <h1>Deposits of <a class="plain" href="{{ route('customers.show', $customer) }}">{{ $customer->name }}</a></h1>
    <span class="soft">{{ $house->currency()->code }}</span>
        <div class="end"><form method="post" action="{{ route('counter.sell-to', $customer) }}">
        @csrf <button class="quiet-act">Start a slip</button></form></div></div>
    @if(old('form') === null || session('done'))@include('design.messages')@endif
    <div class="split">
        <div>
            @if($entries->isEmpty())
            <p class="empty">
            Nothing was ever held for them. A deposit is taken at the counter: put the customer on a slip, then “Take a
                deposit”.</p>
            @else
            <table class="ruled">
                <thead><tr><th>Date</th><th>Document</th><th>What</th><th class="figure">In</th>
                <th class="figure">Out</th></tr></thead>
                @foreach($entries as $entry)<tr>
                <td class="nowrap">{{ Show::date(new DateTimeImmutable($entry->business_date)) }}</td><td>
                <a class="code" href="{{ route('documents.show', $entry->label) }}">{{ $entry->label }}</a></td>
                <td>{{ $entry->amount > 0 ? ($entry->purpose === 'kept_as_deposit' ? 'Kept from a layaway' : 'Deposit')
                    : ($entry->purpose === 'paid_back' ? 'Paid back' : 'Used') }}{{ $entry->kept_for === '' ? ''
                        : ", for {$entry->kept_for}" }} <span
                            class="small soft">{{ $entry->amount > 0 && $entry->kept_for !== '' ? ''
                                : $entry->note }}</span></td>
                                <td class="figure">{{ $entry->amount > 0 ? $money($entry->amount) : '' }}</td>
                                <td class="figure">{{ $entry->amount < 0 ? $money(-$entry->amount) : '' }}</td></tr>
                                @endforeach
            </table>
            @endif
        </div>
        <aside>
            <h2>Held now</h2>
            <table class="ruled">@foreach($held->parts as $keptFor => $amount)<tr>
            <td>{{ $keptFor === '' ? 'Free' : "For {$keptFor}" }}</td><td class="figure">{{ $money($amount) }}</td></tr>
            @endforeach<tr class="total"><td>In all</td><td class="figure">{{ $money($held->total()) }}</td></tr>
            </table>
            @can('end-layaways')
            @if($held->total() > 0)
                <h2 class="mt-4">Pay back</h2>
                <form method="post" action="{{ route('deposits.pay-back', $customer) }}" class="stack">
                @csrf<input type="hidden" name="form" value="back"><input type="hidden" name="key" value="{{ $key }}">
                    <div><label for="amount">Amount</label><input class="form-control text-end" id="amount"
                        name="amount" inputmode="decimal" autocomplete="off" value="{{ old('amount') }}"></div>
                    @if(count($held->parts) > 1)<div><label for="from">From</label>
                    <select class="form-select" id="from" name="from"><option value="">what is free first</option>
                    @foreach($held->parts as $keptFor => $amount)@if($keptFor !== '')
                    <option @selected(old('from') === (string) $keptFor)>{{ $keptFor }}</option>@endif @endforeach
                    </select></div>@endif
                    <div><label for="way">Way</label><select class="form-select" id="way" name="way">
                    @foreach($ways as $way)
                    <option value="{{ $way->value }}" @selected(old('way') === $way->value)>{{ $way->label() }}</option>
                    @endforeach</select></div>
                    <div><label for="reference">Cheque number or reference</label><input class="form-control"
                        id="reference" name="reference" maxlength="60" value="{{ old('reference') }}"></div>
                    <div><label for="reason">Why</label><input class="form-control" id="reason" name="reason"
                        maxlength="200" value="{{ old('reason') }}"></div>
                    @if(old('form') !== null)@error('refused')<p class="complaint" role="alert">{{ $message }}</p>
                    @enderror @endif
                    <button class="quiet-act">Pay back</button>
                </form>
            @endif
            @endcan
        </aside>
    </div>
</div>
@endsection
