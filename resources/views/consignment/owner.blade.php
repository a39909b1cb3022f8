@use('Elmstone\Support\Show')
@extends('layout')
@section('title', $owner->name)
@section('main')
@php($payable = $account->payable())
<div class="page">
    <p class="small soft mb-1"><a href="{{ route('owners') }}">Owners</a> / {{ $owner->code }}</p>
    <div class="page-head"><h1>{{ $owner->name }}</h1><span class="soft">{{ $owner->owner_percent === null
        ? 'say below what they have of a sale' : 'has '.Show::decimal($owner->owner_percent).' % of what is sold' }} ·
            {{ $house->currency()->code }}</span>
        <div class="end">@if($items->isNotEmpty())<a class="link-act" href="{{ route('labels', ['from' => 'owner',
            'code' => $owner->code]) }}">Labels</a>@endif</div></div>
    @include('design.messages')
    <div class="split"><div>
        <h2>Sold and not settled</h2>
        <form class="filters" method="get" action="{{ route('owners.show', $owner->code) }}">
            <div><label for="until-shown">Up to</label><input type="date" class="form-control" id="until-shown"
                name="until" value="{{ $until->format('Y-m-d') }}"></div><button class="quiet-act">Show</button></form>
        @if($account->lines === [])<p class="empty">Nothing of theirs was sold since it was last settled.</p>
        @else
        <table class="ruled"><thead><tr><th>Day</th><th>Document</th><th>What</th><th class="figure">Quantity</th>
            <th class="figure">Net</th><th class="figure">%</th><th class="figure">Theirs</th></tr></thead>
            @foreach($account->lines as $line)<tr><td class="nowrap">{{ Show::date($line->day) }}</td>
            <td class="code"><a href="{{ route('documents.show', $line->label) }}">{{ $line->label }}</a></td>
            <td>{{ $line->description }} <span class="code soft">{{ $line->code }}</span></td>
            <td class="figure">{{ Show::decimal($line->quantity) }}</td>
            <td class="figure">{{ Show::money($line->net) }}</td>
            <td class="figure">{{ Show::decimal($line->percent) }}</td>
            <td class="figure">{{ Show::money($line->share) }}</td></tr>@endforeach
            <tfoot><tr class="total"><td colspan="4">In all</td>
            <td class="figure">{{ Show::money($account->sold) }}</td><td></td>
            <td class="figure">{{ Show::money($account->shares) }}</td></tr>
            @unless($account->fees->isZero())<tr><td colspan="6">Card costs,
                {{ Show::decimal($owner->card_fee_percent) }} % of what was paid by card</td>
            <td class="figure">−{{ Show::money($account->fees) }}</td></tr>@endunless
            <tr class="total"><td colspan="6">{{ $payable->isNegative() ? 'They owe, carried on' : 'To be paid' }}</td>
            <td class="figure">{{ Show::money($payable) }}</td></tr></tfoot></table>
        @if($payable->isPositive())<form method="post" action="{{ route('owners.settle', $owner->code) }}"
            class="filters mt-3" autocomplete="off">@csrf<input type="hidden" name="key" value="{{ $key }}">
            <input type="hidden" name="until" value="{{ $until->format('Y-m-d') }}">
            <input type="hidden" name="seen" value="{{ $payable->toString() }}">
            <div><label for="way">Pay {{ Show::money($payable) }} by</label><select class="form-select" id="way"
                name="way">@foreach($ways as $way)<option value="{{ $way->value }}"
                    @selected(old('way') === $way->value)>{{ mb_strtolower($way->label()) }}</option>@endforeach
                </select>
                @include('design.complaint', ['field' => 'way'])</div>
            <button class="main-act narrow">Settle</button>
            <x-approval/></form>@endif
        @endif
        <h2 class="mt-4">Theirs, here</h2>
        @if($items->isNotEmpty())<form method="post" action="{{ route('owners.take-in', $owner->code) }}"
            autocomplete="off">@csrf<input type="hidden" name="key" value="{{ $key }}">
        <table class="ruled"><thead><tr><th>Code</th><th>What</th><th class="figure">Price</th>
            <th class="figure">Lowest they take</th><th class="figure">%</th><th class="figure">On hand</th>
            <th class="figure">In or back</th></tr></thead>
            @foreach($items as $item)@php($there = $item->stock->firstWhere('location_id', $here))<tr>
            <td class="code"><a href="{{ route('items.show', $item) }}">{{ $item->code }}</a></td>
            <td>{{ $item->description }}@if($item->has_serials)<input class="form-control form-control-sm mt-1"
                name="serials[{{ $item->id }}]" placeholder="serial numbers"
                    aria-label="Serial numbers of {{ $item->description }}" value="{{ old("serials.{$item->id}") }}">
                @endif</td>
            <td class="figure">{{ Show::price($item->list_price) }}</td>
            <td class="figure">{{ $item->floor_price === null ? '–' : Show::price($item->floor_price) }}</td>
            <td class="figure">{{ Show::decimal($item->owner_percent) }}</td>
            <td class="figure">{{ Show::decimal($there?->on_hand ?? '0') }}</td>
            <td class="figure"><input class="form-control text-end w-6
                @error("quantity.{$item->id}") is-refused @enderror" name="quantity[{{ $item->id }}]"
                    inputmode="decimal" aria-label="How many of {{ $item->description }}"
                    value="{{ old("quantity.{$item->id}") }}">
                @include('design.complaint', ['field' => "quantity.{$item->id}"])</td></tr>@endforeach</table>
        <p class="mt-2"><button class="quiet-act">Take in</button> <button class="quiet-act ms-2"
            formaction="{{ route('owners.give-back', $owner->code) }}">Give back</button> <span
                class="small soft ms-2">It is on hand and worth nothing in the books until it is sold.</span></p></form>
        @endif
        @can('edit-items')<form method="post" action="{{ route('owners.item', $owner->code) }}" class="d-flex gap-2
            align-items-end mt-2" autocomplete="off">@csrf
            <div><label class="small soft d-block" for="code">An item that is theirs: code or barcode</label><input
                class="form-control @error('code') is-refused @enderror" id="code" name="code"
                    value="{{ old('code') }}">
                @include('design.complaint', ['field' => 'code'])</div>
            <div><label class="small soft d-block" for="percent">they have, %</label><input class="form-control w-6
                text-end" id="percent" name="percent" inputmode="decimal" value="{{ old('percent') }}"
                    placeholder="{{ $owner->owner_percent === null ? '' : Show::decimal($owner->owner_percent) }}">
                @include('design.complaint', ['field' => 'percent'])</div>
            <button class="quiet-act">It is theirs</button>
            <button class="quiet-act" name="ours" value="1">It is ours</button></form>@endcan
    </div><aside>
        @can('edit-items')<h2>What is agreed</h2>
        <form method="post" action="{{ route('owners.terms', $owner->code) }}" class="stack" autocomplete="off">@csrf
            @foreach([['owner_percent', 'They have of a sale, before tax, %', $owner->owner_percent],
                ['card_fee_percent', 'Card costs passed on, % of what was paid by card', $owner->card_fee_percent]]
                    as [$name, $label, $value])<div><label class="small soft" for="{{ $name }}">{{ $label }}</label>
                <input class="form-control figure-in @error($name) is-refused @enderror" id="{{ $name }}"
                    name="{{ $name }}" inputmode="decimal" value="{{ old($name, $value === null ? ''
                        : Show::decimal($value)) }}">@include('design.complaint', ['field' => $name])</div>@endforeach
            <div><label class="small soft" for="customer">Who they are as a customer, for store credit</label><input
                class="form-control" id="customer" name="customer" inputmode="numeric" placeholder="number"
                    value="{{ old('customer', $customer?->number) }}">
                @include('design.complaint', ['field' => 'customer'])@if($customer !== null)<span class="small soft">{{
                    $customer->name }}</span>@endif</div>
            <button class="quiet-act">Keep</button></form>@endcan
        <h2 class="mt-4">Settled</h2>
        @if($settlements === [])<p class="soft small">Not yet.</p>@else<table class="ruled small">
            @foreach($settlements as [$number, $document, $amount])<tr>
            <td class="nowrap">{{ Show::date($document->business_date) }}</td>
            <td class="code"><a href="{{ route('documents.show', $document) }}">{{ $document->label }}</a></td>
            <td class="figure">{{ Show::money($amount) }}</td>
            <td><a href="{{ route('owners.paper', [$owner->code, $number]) }}">paper</a></td></tr>@endforeach</table>
        @endif
    </aside></div>
</div>
@endsection
