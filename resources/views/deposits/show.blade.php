@use('Elmstone\Held\Ledger\Movement')
@use('Elmstone\Books\DocumentKind')
@use('Elmstone\Books\Purpose')
@extends('layout')
@section('title', "Deposits of {$customer->name}")
@section('main')
<div class="page">
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
            @include('held.entries', [
                'in' => 'In',
                'out' => 'Out',
                'what' => fn ($entry): string => ($entry->amount->isPositive()
                    ? ($entry->movement === Movement::Moved ? 'Kept from a layaway' : 'Deposit')
                    : ($entry->movement === Movement::Back ? 'Paid back' : 'Used'))
                    .($entry->kept_for === '' ? '' : ", for {$entry->kept_for}"),
                'note' => fn ($entry): string => $entry->amount->isPositive() && $entry->kept_for !== ''
                    ? '' : $entry->document->note,
            ])
            @endif
        </div>
        <aside>
            <h2>Held now</h2>
            <table class="ruled">@foreach($held->parts as $keptFor => $amount)<tr>
            <td>{{ $keptFor === '' ? 'Free' : "For {$keptFor}" }}</td><td class="figure">{{ $amount }}</td></tr>
            @endforeach<tr class="total"><td>In all</td><td class="figure">{{ $held->total() }}</td></tr>
            </table>
            @can('end-layaways')
            @if($held->total()->isPositive())
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
