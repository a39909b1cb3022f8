@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Finance charges')
@section('main')
<div class="page">
    <div class="page-head"><h1>Finance charges</h1>
    @if($shop->finance_percent !== null)<span
        class="soft">{{ Show::decimal($shop->finance_percent) }} % a month on what is more than
            {{ $shop->finance_grace_days }} days late, at least
            {{ $shop->finance_minimum }};
            never on an earlier finance charge, nor on what unused credit would meet</span>@endif</div>
    @include('design.messages')
    <form class="filters" method="get" action="{{ route('finance-charges') }}"><div>
    <label for="as_of">As of</label><input class="form-control" type="date" id="as_of" name="as_of"
        value="{{ $day->format('Y-m-d') }}"></div><button class="quiet-act">Work out</button>@error('as_of')
        <p class="complaint w-100">{{ $message }}</p>@enderror</form>
    @if($shop->finance_percent === null)<p class="empty">The shop charges none.</p>
    @elseif($rows === [])<p class="empty">Nobody would be charged anything.</p>
    @else
    <form method="post" action="{{ route('finance-charges.post', ['as_of' => $day->format('Y-m-d')]) }}">@csrf
        <table class="ruled">
            <thead><tr><td></td><th>Account</th><th>Name</th><th>On</th><th class="figure">Charge</th></tr></thead>
            @foreach($rows as $row)<tr><td>
            <input class="form-check-input m-0" type="checkbox" name="accounts[]"
                value="{{ $row->account->customer_id }}" aria-label="Charge {{ $row->account->customer->name }}"
                    @checked(! $row->chargedAlready) @disabled($row->chargedAlready)></td>
                    <td class="code">{{ $row->account->customer->number }}</td><td>
                    <a href="{{ route('accounts.show',
                        $row->account->customer) }}">{{ $row->account->customer->name }}</a>@if($row->chargedAlready)
                            <span class="small soft">charged already in {{ $day->format('M Y') }}</span>@endif</td>
                            <td class="small">{{ collect($row->charge->perItem)->map(fn ($amount, $label) =>
                                "{$label} ".Show::money($amount))->take(4)
                                    ->implode(', ') }}{{ count($row->charge->perItem) > 4
                                        ? ' and '.(count($row->charge->perItem) - 4).' more' : '' }}</td>
                                        <td class="figure">{{ $row->charge->amount }}</td></tr>@endforeach
        </table>
        <p class="mt-3"><button class="main-act narrow">Post the charges</button></p>
    </form>@endif
    @can('manage-accounts')
    <h2 class="mt-5">What the shop charges and lets off</h2>
    <form class="filters" method="post" action="{{ route('finance-charges.settings') }}">@csrf
        <div><label for="finance_percent">A month, %</label><input
            class="form-control text-end @error('finance_percent') is-refused @enderror" id="finance_percent"
                name="finance_percent" size="6" inputmode="decimal" placeholder="none"
                    value="{{ old('finance_percent', $shop->finance_percent === null ? ''
                        : Show::decimal($shop->finance_percent)) }}"></div>
        <div><label for="finance_grace_days">after days late</label><input
            class="form-control text-end @error('finance_grace_days') is-refused @enderror" id="finance_grace_days"
                name="finance_grace_days" size="5" inputmode="numeric"
                    value="{{ old('finance_grace_days', $shop->finance_grace_days) }}"></div>
        <div><label for="finance_minimum">at least, {{ $house->currency()->code }}</label><input
            class="form-control text-end @error('finance_minimum') is-refused @enderror" id="finance_minimum"
                name="finance_minimum" size="8" inputmode="decimal"
                    value="{{ old('finance_minimum', $shop->finance_minimum->toString()) }}"></div>
        <div><label for="returned_payment_fee">Fee for a payment that comes back</label><input
            class="form-control text-end @error('returned_payment_fee') is-refused @enderror" id="returned_payment_fee"
                name="returned_payment_fee" size="8" inputmode="decimal"
                    value="{{ old('returned_payment_fee', $shop->returned_payment_fee->toString()) }}">
                    </div>
        <div><label for="bank_account">Customers pay to, on statements</label><input class="form-control"
            id="bank_account" name="bank_account" size="32" maxlength="80"
                value="{{ old('bank_account', $shop->bank_account) }}"></div>
        <div><label for="small_difference">Let off when a payment is posted, up to</label><input
            class="form-control text-end @error('small_difference') is-refused @enderror" id="small_difference"
                name="small_difference" size="8" inputmode="decimal"
                    value="{{ old('small_difference', $shop->small_difference->toString()) }}"></div>
        <label class="d-flex gap-2 align-items-center align-self-end pb-2"><input class="form-check-input m-0"
            type="checkbox" name="bad_debt_tax" value="1" @checked(old('bad_debt_tax', $shop->bad_debt_tax))> tax of
            bad debt is claimed back</label>
        <button class="quiet-act">Keep</button>
        @foreach(['finance_percent', 'finance_grace_days', 'finance_minimum',
            'returned_payment_fee', 'small_difference'] as $field)@error($field)
            <p class="complaint w-100">{{ $message }}</p>
            @enderror @endforeach
    </form>
    @endcan
</div>
@endsection
