@use('Elmstone\Purchasing\PurchaseState')
@use('Elmstone\Support\Show')
@extends('layout')
@section('title', $purchase->label)
@section('main')
@php($isDraft = $purchase->state === PurchaseState::Draft)
<div class="page">
    <div class="page-head"><h1>Purchase <span class="code">{{ $purchase->label }}</span></h1>
    <span class="{{ $purchase->isLate($day) ? 'brick' : 'soft' }}">{{ $purchase->isLate($day) ? 'late'
        : $purchase->state->words() }}</span>
    <div class="end">@if($purchase->state === PurchaseState::Sent)@can('receive-goods')<a class="main-act narrow"
        href="{{ route('purchases.receive', $purchase) }}">Count goods in</a>@endcan @endif
        @if(! $isDraft && $purchase->lines->contains(fn ($line) => trim($line->received, '0.') !== ''))<a
            class="quiet-act" href="{{ route('labels', ['from' => 'purchase', 'label' =>
                $purchase->label]) }}">Labels</a>@endif
        @can('buy-goods')<a class="quiet-act" href="{{ route('purchases.pdf', $purchase) }}">As PDF</a>
        <a class="quiet-act" href="{{ route('purchases.ubl', $purchase) }}">As UBL</a>@endcan</div></div>
    @include('design.messages')
    <p><b>{{ $purchase->supplier->name }}</b> · to {{ $purchase->location->town }} · made
        {{ Show::date($purchase->made_on) }} by {{ $purchase->staff->name }}
        @if($purchase->sent_on !== null) · sent {{ Show::date($purchase->sent_on) }}@endif
        @if($purchase->expected_on !== null) · expected <b>{{ Show::date($purchase->expected_on) }}</b>@endif</p>
    <div class="split"><div>
    <form method="post" action="{{ route('purchases.alter', $purchase) }}" autocomplete="off">@csrf
    <input type="hidden" name="version" value="{{ $purchase->version }}">
    <table class="ruled"><thead><tr><th>Item</th><th>Meant for</th><th class="figure">Ordered</th>
        @unless($isDraft)<th class="figure">Here</th><th class="figure">To come</th>@endunless
        <th class="figure">Each</th><th class="figure">Expected cost</th></tr></thead><tbody>
        @foreach($purchase->lines as $line)<tr>
            <td>{{ $line->item->description }} <span class="code soft">{{ $line->item->code }}</span>
                @if($line->their_code !== '')<div class="small soft">their {{ $line->their_code }}</div>@endif</td>
            <td class="small">@foreach($meant[$line->position] ?? [] as $one)<a class="code"
                href="{{ route('orders.show', $labels[$one->agreement] ?? 'ORD-0') }}">{{ $labels[$one->agreement]
                    ?? '' }}</a> {{ Show::decimal($one->quantity) }}<br>@endforeach</td>
            <td class="figure">@if($isDraft)@can('buy-goods')<input class="form-control text-end w-6
                @error("quantity.{$line->position}") is-refused @enderror" name="quantity[{{ $line->position }}]"
                    inputmode="decimal" aria-label="How many of {{ $line->item->description }}"
                        value="{{ old("quantity.{$line->position}", Show::decimal($line->quantity)) }}">
                @include('design.complaint', ['field' => "quantity.{$line->position}"])@endcan
                @else{{ Show::decimal($line->quantity) }}@endif</td>
            @unless($isDraft)<td class="figure">{{ Show::decimal($line->received) }}</td>
            <td class="figure {{ $line->toCome()->isPositive() ? '' : 'soft' }}">{{ Show::decimal($line->toCome()) }}
                </td>@endunless
            <td class="figure">@if($isDraft)@can('buy-goods')<input class="form-control text-end w-6"
                name="cost[{{ $line->position }}]" inputmode="decimal"
                    aria-label="What {{ $line->item->description }} costs each"
                        value="{{ old("cost.{$line->position}", Show::price($line->cost)) }}">@endcan
                @else{{ Show::price($line->cost) }}@endif{{ $line->price_per > 1 ? " per {$line->price_per}"
                    : '' }}</td>
            <td class="figure">{{ $line->worth(Brick\Math\BigDecimal::of($line->quantity), $house->currency()) }}</td>
        </tr>@endforeach</tbody>
        <tfoot><tr class="total"><td colspan="{{ $isDraft ? 4 : 6 }}" class="figure">Expected
            {{ $house->currency()->code }}</td><td class="figure">{{ $purchase->total($house->currency()) }}</td></tr>
        </tfoot></table>
    @if($isDraft)@can('buy-goods')<div class="d-flex gap-2 align-items-end mt-2">
        <div><label class="small soft d-block" for="expected_on">Expected on</label><input type="date"
            class="form-control @error('expected_on') is-refused @enderror" id="expected_on" name="expected_on"
                value="{{ old('expected_on', $purchase->expected_on?->format('Y-m-d')) }}">
            @include('design.complaint', ['field' => 'expected_on'])</div>
        <div class="flex-fill"><label class="small soft d-block" for="note">For the supplier</label><input
            class="form-control" id="note" name="note" maxlength="255" value="{{ old('note', $purchase->note) }}"></div>
        <button class="quiet-act">Save</button></div>@endcan @endif
    </form>
    @if($isDraft)@can('buy-goods')
    <form method="post" action="{{ route('purchases.add', $purchase) }}" class="d-flex gap-2 align-items-end mt-3"
        autocomplete="off">@csrf<input type="hidden" name="version" value="{{ $purchase->version }}">
        <div><label class="small soft d-block" for="code">Put on it: code or barcode</label><input
            class="form-control @error('code') is-refused @enderror" id="code" name="code" value="{{ old('code') }}">
            @include('design.complaint', ['field' => 'code'])</div>
        <div><label class="small soft d-block" for="many">how many</label><input class="form-control w-6 text-end"
            id="many" name="many" inputmode="decimal" placeholder="1" value="{{ old('many') }}"></div>
        <button class="quiet-act">Add</button></form>
    @if($grid !== null)<form method="post" action="{{ route('purchases.add', $purchase) }}" class="mt-3"
        autocomplete="off">@csrf<input type="hidden" name="version" value="{{ $purchase->version }}">
        <h2>{{ $grid->family->name }}</h2>
        @include('catalogue.families.grid', ['does' => 'count', 'place' => $purchase->location_id, 'counts' => [],
            'beside' => $there])
        <p class="small soft mt-1">Behind each cell: what is on hand there.</p>
        <button class="quiet-act">Put these on it</button></form>
    @else<form method="get" action="{{ route('purchases.show', $purchase) }}" class="d-flex gap-2 align-items-end mt-2">
        <div><label class="small soft d-block" for="family">Or several of a family: its code or name</label><input
            class="form-control" id="family" name="family" value="{{ request('family') }}" autocomplete="off">
            @if(request()->filled('family'))<p class="complaint">No family is called so.</p>@endif</div>
        <button class="quiet-act">Its grid</button></form>@endif @endcan @endif
    @if($purchase->deliveries->isNotEmpty())<h2 class="mt-4">Came in</h2>
        <table class="ruled small"><thead><tr><th>Document</th><th>Date</th><th>Delivery note</th>
            <th class="figure">Freight</th><th class="figure">Cost</th><th>Invoice</th></tr></thead>
        @foreach($purchase->deliveries as $one)<tr><td><a class="code"
            href="{{ route('documents.show', $one->document) }}">{{ $one->document->label }}</a></td>
            <td class="nowrap">{{ Show::date($one->document->business_date) }}</td><td>{{ $one->delivery_note }}</td>
            <td class="figure">{{ $one->freight }}</td><td class="figure">{{ $one->amount }}</td>
            <td>{{ $one->invoice?->number ?? 'not invoiced yet' }}</td></tr>@endforeach</table>@endif
    </div>
    <aside>@can('buy-goods')
        @if($isDraft)<form method="post" action="{{ route('purchases.send', $purchase) }}">@csrf
            <input type="hidden" name="version" value="{{ $purchase->version }}"><button class="main-act narrow">{{
                $purchase->supplier->mail === '' ? 'Counts as sent' : 'Mail it to them' }}</button></form>
            <p class="small soft mt-1">{{ $purchase->supplier->mail === '' ? 'They have no mail address.'
                : $purchase->supplier->mail }}</p>@endif
        @if($purchase->state === PurchaseState::Sent)
            <form method="post" action="{{ route('purchases.expect', $purchase) }}" class="d-flex gap-2
                align-items-end">@csrf<input type="hidden" name="version" value="{{ $purchase->version }}">
                <div><label class="small soft d-block" for="expected_on">They name another day</label><input type="date"
                    class="form-control @error('expected_on') is-refused @enderror" id="expected_on" name="expected_on"
                        value="{{ old('expected_on', $purchase->expected_on?->format('Y-m-d')) }}">
                    @include('design.complaint', ['field' => 'expected_on'])</div>
                <button class="quiet-act">Note</button>
            </form>@endif
        @if($purchase->state->isOpen())<details class="fold mt-3"><summary>Give up what has not come</summary>
            <form method="post" action="{{ route('purchases.close', $purchase) }}">@csrf<input type="hidden"
                name="version" value="{{ $purchase->version }}"><p class="small">It is not expected any more. Orders of
                customers that it was meant for wait anew and stand under “To buy”.</p>
                <button class="quiet-act">Give it up</button></form></details>@endif
    @endcan</aside></div>
</div>
@endsection
