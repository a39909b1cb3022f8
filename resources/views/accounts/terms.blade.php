@use('Elmstone\Support\Show')
@extends('layout')
@section('title', "House account of {$customer->name}")
@section('main')
@php($is = fn (string $name, mixed $value): mixed => old($name, $value))
<div class="page">
    <p class="small soft mb-1">
    <a href="{{ route('accounts') }}">Accounts</a> / <a
        href="{{ route($account === null ? 'customers.show'
            : 'accounts.show', $customer) }}">{{ $customer->name }}</a></p>
    <div class="page-head">
    <h1>{{ $account === null ? "Open a house account for {$customer->name}" : "Terms and limit of {$customer->name}" }}
    </h1></div>
    @include('design.messages')
    <form method="post" action="{{ route('accounts.terms.save', $customer) }}">@csrf
        <input type="hidden" name="version" value="{{ $account?->version }}">
        <div class="item-form">
            <div><label for="credit_limit">Limit, {{ $house->currency()->code }}</label><input
                class="form-control figure-in @error('credit_limit') is-refused @enderror" id="credit_limit"
                    name="credit_limit" inputmode="decimal"
                        value="{{ $is('credit_limit', $account === null ? ''
                            : $account->credit_limit->toString()) }}"
                                autofocus>@include('design.complaint', ['field' => 'credit_limit'])</div>
            <div><label for="terms_kind">Due</label><select class="form-select" id="terms_kind" name="terms_kind">
            @foreach(['net' => 'so many days from the invoice', 'after_month_end' => 'so many days after month end',
                'day_of_next_month' => 'a fixed day of next month', 'at_once' => 'at once'] as $value => $words)
                <option value="{{ $value }}"
                    @selected($is('terms_kind', $account?->terms_kind->value ?? 'net') === $value)>{{ $words }}</option>
                    @endforeach</select></div>
            <div><label for="terms_days">Days, or the day</label><input
                class="form-control figure-in @error('terms_days') is-refused @enderror" id="terms_days"
                    name="terms_days" inputmode="numeric"
                        value="{{ $is('terms_days', $account?->terms_days ?? 30) }}">@include('design.complaint',
                            ['field' => 'terms_days'])</div>
            <div><label for="allowed_overdue_days">Days late allowed</label><input
                class="form-control figure-in @error('allowed_overdue_days') is-refused @enderror"
                    id="allowed_overdue_days" name="allowed_overdue_days" inputmode="numeric"
                        value="{{ $is('allowed_overdue_days', $account?->allowed_overdue_days
                            ?? 15) }}">@include('design.complaint', ['field' => 'allowed_overdue_days'])</div>
            <div><label for="discount_percent">Settlement discount, %</label><input
                class="form-control figure-in @error('discount_percent') is-refused @enderror" id="discount_percent"
                    name="discount_percent" inputmode="decimal" placeholder="none"
                        value="{{ $is('discount_percent', $account?->discount_percent === null ? ''
                            : Show::decimal($account->discount_percent)) }}">@include('design.complaint',
                                ['field' => 'discount_percent'])</div>
            <div><label for="discount_days">when paid in days</label><input
                class="form-control figure-in @error('discount_days') is-refused @enderror" id="discount_days"
                    name="discount_days" inputmode="numeric"
                        value="{{ $is('discount_days', $account?->discount_days ?? 10) }}">@include('design.complaint',
                            ['field' => 'discount_days'])</div>
            @if($account?->terms()->yearlyCost() !== null)
            <div class="wide soft small align-self-end">
            Leaving that discount costs the customer {{ $account->terms()->yearlyCost() }} % a year.</div>@endif
            <div><label for="statement_kind">Statement lists</label>
            <select class="form-select" id="statement_kind" name="statement_kind">
            <option value="open_item"
                @selected($is('statement_kind', $account?->statement_kind->value) === 'open_item')>open items</option>
                <option value="balance_forward"
                    @selected($is('statement_kind', $account?->statement_kind->value) === 'balance_forward')>
                    balance forward</option></select></div>
            <div><label for="statement_way">Statement goes by</label>
            <select class="form-select" id="statement_way" name="statement_way">
            @foreach(['print', 'mail', 'none'] as $way)
            <option @selected($is('statement_way', $account?->statement_way->value
                ?? ($customer->mail === '' ? 'print' : 'mail')) === $way)>{{ $way }}</option>@endforeach</select></div>
            <div><label for="buyer">Who buys</label><select class="form-select" id="buyer" name="buyer">
            @foreach(['' => 'named where anybody has a limit', 'named' => 'must be named',
                'optional' => 'optional'] as $value => $words)
                <option value="{{ $value }}"
                    @selected((string) $is('buyer', $account?->buyer) === $value)>{{ $words }}</option>@endforeach
                    </select></div>
            <div class="full checks">
                <label><input class="form-check-input m-0" type="checkbox" name="purchase_order_required" value="1"
                    @checked($is('purchase_order_required',
                        $account?->purchase_order_required))> purchase order on every invoice</label>
                <label><input class="form-check-input m-0" type="checkbox" name="finance_charges" value="1"
                    @checked($is('finance_charges', $account?->finance_charges
                        ?? true))> finance charges when late</label>
                <label><input class="form-check-input m-0" type="checkbox" name="letters" value="1"
                    @checked($is('letters', $account?->letters ?? true))> reminder letters when late</label>
            </div>
            <div class="wide">
            <label for="reason">Reason, kept on record</label><input class="form-control" id="reason" name="reason"
                maxlength="255" value="{{ old('reason') }}"></div>
        </div>
        <p class="mt-3">
        <button class="main-act narrow">{{ $account === null ? 'Open the account' : 'Save terms' }}</button></p>
    </form>
    @if($account !== null)
    <h2 class="mt-5">Look at it again</h2>
    <form class="filters" method="post" action="{{ route('accounts.review', $customer) }}">@csrf
        <div><label for="review_on">Its terms, on</label><input class="form-control @error('review_on') is-refused
            @enderror" type="date" id="review_on" name="review_on"
            value="{{ old('review_on', $account->review_on?->format('Y-m-d')) }}"></div>
        <button class="quiet-act">Keep</button>
        @error('review_on')<p class="complaint w-100">{{ $message }}</p>@enderror
    </form>
    <h2 class="mt-5">Head office</h2>
    <form class="filters" method="post" action="{{ route('accounts.head', $customer) }}">@csrf
        <div><label for="head">Number of its head office</label><input class="form-control @error('head') is-refused
            @enderror" id="head" name="head" size="10" inputmode="numeric" placeholder="none"
            value="{{ old('head', $headNumber) }}"></div>
        <div class="grow"><label for="why-head">Why, kept on record</label><input class="form-control" id="why-head"
            name="reason" size="44" maxlength="200" value="{{ old('reason') }}"></div>
        <button class="quiet-act">Keep</button>
        @error('head')<p class="complaint w-100">{{ $message }}</p>@enderror
        <p class="small soft w-100 mb-0">The head office’s limit and stop hold for all its branches together, and their
            items stand on its statement.</p></form>
    @if($account->closed_on === null)
    <h2 class="mt-5">Close it</h2>
    <form class="filters" method="post" action="{{ route('accounts.close', $customer) }}">@csrf
        <input type="hidden" name="key" value="{{ Illuminate\Support\Str::uuid() }}">
        <div class="grow"><label for="why-close">Why, kept on record</label><input class="form-control"
            id="why-close" name="reason" size="44" maxlength="200" value="{{ old('reason') }}"></div>
        <button class="quiet-act">Close the account</button></form>
    @else<p class="soft mt-4">Closed on {{ Show::date($account->closed_on) }}. Saving terms opens it again.</p>@endif
    @endif
</div>
@endsection
