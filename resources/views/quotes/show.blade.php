@use('Elmstone\Support\Show')
@extends('layout')
@section('title', $quote->label)
@section('main')
@php
    $isOpen = $quote->isOpen();
    $ranOut = $quote->isExpired($day);
    $formOpen = fn (string $form): bool => old('form') === $form;
@endphp
<div class="page">
    <div class="page-head"><h1>Quote <span class="code">{{ $quote->label }}</span></h1>
    <span class="{{ $ranOut ? 'brick' : 'soft' }}">{{ $quote->stateWord($day) }}{{ $quote->ended_why === '' ? ''
        : ": {$quote->ended_why}" }}{{ $quote->revision > 1 ? ", revision {$quote->revision}" : '' }}</span>
        <div class="end">
            @if($isOpen)<form method="post" action="{{ route('quotes.revise', $quote) }}">@csrf
                <button class="quiet-act">Change it at the counter</button></form>@endif
            <form method="post" action="{{ route('quotes.print', $quote) }}">@csrf
                <button class="quiet-act">Print</button></form>
            <a class="quiet-act" href="{{ route('quotes.pdf', $quote) }}">As PDF</a></div></div>
    @include('design.messages')
    <p>@if($quote->customer === null)<b>{{ $quote->who() }}</b>@else<a
        href="{{ route('customers.show', $quote->customer) }}"><b>{{ $quote->customer->name }}</b></a>@endif
        {{ $quote->buyer === '' ? '' : "for {$quote->buyer}" }} · given {{ Show::date($quote->made_on) }} by
        {{ $quote->staff->name }} · holds until <b>{{ Show::date($quote->valid_until) }}</b>
        @if($quote->follow_up_on !== null && $isOpen) · ask after it on <b
            class="{{ $quote->isDue($day) ? 'ochre' : '' }}">{{ Show::date($quote->follow_up_on) }}</b>@endif
        @if($quote->job !== '') · job {{ $quote->job }}@endif</p>
    @if($quote->note !== '')<div class="note"><p>“{{ $quote->note }}”</p></div>@endif
    @if($ranOut && $anew !== [])<div class="note look"><p>Its day is over, and {{ count($anew) === 1 ? 'a price has'
        : count($anew).' prices have' }} changed. Tick each new price that is taken.</p></div>@endif
    <div class="split"><div>
    <form method="post" action="{{ route('quotes.take-up', $quote) }}" autocomplete="off">@csrf
    <table class="ruled"><thead><tr><th>Goods</th><th class="figure">Offered</th><th class="figure">Each</th>
        @if($ranOut)<th class="figure">Now</th><th>taken</th>@endif<th class="figure">Off</th>
        <th class="figure">Net</th>
        @if($isOpen)<th class="figure">Taken up</th>@endif</tr></thead><tbody>
        @foreach($quote->lines() as $i => $line)
            @php($moved = $anew[$line->position] ?? null)
            <tr><td>{{ $line->description }} <span class="code soft">{{ $line->code }}</span>
                @if($line->note !== '')<div class="small soft">{{ $line->note }}</div>@endif</td>
            <td class="figure">{{ Show::decimal($line->quantity) }}</td>
            <td class="figure"><x-price :of="$line->unit_price"/></td>
            @if($ranOut)<td class="figure {{ $moved === null ? 'soft' : 'ochre fw-bold' }}">{{ $moved === null ? 'same'
                : '→ '.Show::price($moved->price) }}</td>
            <td>@if($moved !== null)<input type="checkbox" class="form-check-input"
                name="confirmed[{{ $line->position }}]"
                value="{{ $moved->price->toString() }}" aria-label="The new price of {{ $line->description }} is taken">
                @endif</td>@endif
            <td class="figure soft">{{ $line->discount_percent !== null ? Show::decimal($line->discount_percent).' %'
                : $line->discount_amount?->toString() }}</td>
            <td class="figure">{{ $reckoned->lines[$i]->net }}</td>
            @if($isOpen)<td class="figure"><input class="form-control text-end w-5"
                name="quantity[{{ $line->position }}]" inputmode="decimal"
                    aria-label="How many of {{ $line->description }} are taken up"
                        value="{{ old("quantity.{$line->position}", Show::decimal($line->quantity)) }}"></td>@endif</tr>
        @endforeach</tbody>
        @php($span = 4 + ($ranOut ? 2 : 0))
        <tfoot>@foreach($reckoned->tax as $tax)<tr><td colspan="{{ $span }}" class="figure soft">{{
            $quote->taxAsAgreed()->names[$tax->component->id] ?? $tax->component->id }}
            {{ Show::price($tax->component->rate->value) }} %</td><td class="figure">{{ $tax->amount }}</td>
            @if($isOpen)<td></td>@endif</tr>@endforeach
        <tr class="total"><td colspan="{{ $span }}" class="figure">Total {{ $house->currency()->code }}</td>
            <td class="figure">{{ $quote->total }}</td>@if($isOpen)<td></td>@endif</tr>
        @can('see-margin')<tr><td colspan="{{ $span }}" class="figure soft">Margin at the cost of today,
            {{ $margin->percent() ?? '–' }} %</td><td class="figure soft">{{ $margin->amount }}</td>
            @if($isOpen)<td></td>@endif</tr>@endcan</tfoot></table>
    @if($isOpen)<button class="main-act narrow mt-2">Take it up at the counter</button>
        <span class="small soft ms-2">There it becomes a sale, an order or a layaway.</span>@endif
    </form>
    @if($pairs !== [])
        <div class="d-flex align-items-baseline gap-3 mt-4"><h2>Revision {{ $quote->revision }} against
            {{ $against }}</h2>@if($quote->revision > 2)<span class="small">against
            @foreach(range(1, $quote->revision - 1) as $one)<a href="{{ route('quotes.show', [$quote,
                'against' => $one]) }}" @if($one === $against) aria-current="true" @endif>{{ $one }}</a>
            @endforeach</span>@endif</div>
        <table class="ruled small sides"><thead><tr><th>Before</th><th class="figure">Price</th><th>Now</th>
            <th class="figure">Price</th><th>What differs</th></tr></thead>@foreach($pairs as [$before, $after, $what])
            <tr @class(['changed' => $what !== []])>
            <td>@if($before !== null){{ Show::decimal($before->quantity) }} × {{ $before->description }}@endif</td>
            <td class="figure">{{ $before === null ? '' : Show::price($before->unit_price) }}</td>
            <td>@if($after !== null){{ Show::decimal($after->quantity) }} × {{ $after->description }}@endif</td>
            <td class="figure">{{ $after === null ? '' : Show::price($after->unit_price) }}</td>
            <td class="ochre">{{ implode(', ', $what) }}</td></tr>@endforeach</table>@endif
    @if($quote->changesMade->isNotEmpty())<h2 class="mt-4">On record</h2>
        <table class="ruled">@foreach($quote->changesMade as $change)<tr>
            <td class="nowrap">{{ Show::on($change->made_at) }}</td><td>{{ $change->what }}@if(!
            $change->total_before->equals($change->total_after)) <span class="soft">total {{ $change->total_before }},
            then {{ $change->total_after }}</span>@endif</td><td class="small soft">{{ $change->staff->name }}</td></tr>
        @endforeach</table>@endif
    </div><aside>
        <form method="post" action="{{ route('quotes.mail', $quote) }}" class="d-flex gap-2 align-items-end">@csrf
            <div class="flex-fill"><label class="small soft" for="mail_to">Mail it to</label><input
                class="form-control @error('mail_to') is-refused @enderror" id="mail_to" name="mail_to"
                    value="{{ old('mail_to', $quote->customer?->mail) }}">
                @include('design.complaint', ['field' => 'mail_to'])</div><button class="quiet-act">Mail</button></form>
        @if($isOpen)
        <form method="post" action="{{ route('quotes.later', $quote) }}" class="mt-3">@csrf
            <label class="small soft" for="said">What they said</label><input class="form-control" id="said" name="said"
                maxlength="200" value="{{ old('said') }}">
            <div class="row g-2"><div class="col-6"><label class="small soft" for="follow_up_on">ask again on</label>
                <input type="date" class="form-control @error('follow_up_on') is-refused @enderror" id="follow_up_on"
                    name="follow_up_on" value="{{ old('follow_up_on', $quote->follow_up_on?->format('Y-m-d')) }}">
                @include('design.complaint', ['field' => 'follow_up_on'])</div>
            <div class="col-6"><label class="small soft" for="valid_until">holds until</label><input type="date"
                class="form-control @error('valid_until') is-refused @enderror" id="valid_until" name="valid_until"
                    value="{{ old('valid_until', $quote->valid_until->format('Y-m-d')) }}">
                @include('design.complaint', ['field' => 'valid_until'])</div></div>
            <button class="quiet-act mt-2">Note it</button></form>
        <details class="fold mt-3" @if($errors->has('reason')) open @endif><summary>It is lost</summary>
            <form method="post" action="{{ route('quotes.lost', $quote) }}">@csrf
            <label class="small soft" for="reason">Why</label><select
                class="form-select @error('reason') is-refused @enderror" id="reason" name="reason"><option
                    value="">another reason:</option>@foreach($reasons as $one)<option>{{ $one }}</option>@endforeach
                </select><input class="form-control mt-1" name="other_reason" maxlength="200"
                    aria-label="Another reason" value="{{ old('other_reason') }}">
            @include('design.complaint', ['field' => 'reason'])
            <button class="quiet-act mt-2">Count it as lost</button></form></details>@endif
    </aside></div>
</div>
@endsection
