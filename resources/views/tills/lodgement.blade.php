@use('Elmstone\Support\Show')
@use('Elmstone\Support\ShopTime')
@use('Elmstone\Tills\Safe\Lodgement')
@extends('layout')
@section('title', "{$lodgement->words()} {$lodgement->document->label}")
@section('main')
@php($left = $lodgement->onTheWay())
<div class="page">
    <div class="page-head"><h1>{{ $lodgement->words() }} {{ $lodgement->document->label }}</h1>
    <span class="soft">{{ $lodgement->location->name }} · {{ Show::date($lodgement->made_on) }} ·
        {{ $lodgement->document->staff->name }}{{ $lodgement->reference === '' ? '' : " · {$lodgement->reference}" }}
        </span>
    @if($lodgement->kind === Lodgement::PAYING_IN)<a class="quiet-act ms-auto" target="_blank"
        href="{{ route('safe.slip', $lodgement->id) }}">Paying-in slip (PDF)</a>@endif</div>
    @include('design.messages')
    <div class="split">
    <div>
        <table class="ruled drawer-now"><tbody>
            @if($lodgement->kind === Lodgement::PAYING_IN)
            <tr><td>Cash</td><td class="figure">{{ $lodgement->cash }}</td></tr>
            <tr><td>Cheques</td><td class="figure">{{ $lodgement->cheques }}</td></tr>
            @else
            <tr><td>Taken by card</td><td class="figure">{{ $lodgement->cards }}</td></tr>
            <tr><td>Fee kept</td><td class="figure">{{ Show::money($lodgement->fee->negated()) }}</td></tr>@endif
            <tr><td class="fw-bold">For the bank to credit</td>
                <td class="figure fw-bold">{{ $lodgement->amount }}</td></tr>
            @foreach($lodgement->credits as $one)<tr><td>{{ $one->document->title() }},
                {{ Show::date($one->document->business_date) }} <a class="code"
                    href="{{ route('documents.show', $one->document) }}">{{ $one->document->label }}</a>
                {{ $one->document->note }}</td><td class="figure">{{ Show::money($one->amount->negated()) }}</td></tr>
            @endforeach
            <tr><td>Still on its way</td><td class="figure">{{ $left }}</td></tr>
        </tbody></table>
        @if($lodgement->chequesIn->isNotEmpty())<h2 class="mt-3">Cheques</h2>
        <table class="ruled small"><tbody>@foreach($lodgement->chequesIn as $one)<tr>
            <td class="code">{{ $one->number ?: 'no number' }}</td><td>{{ $one->payer ?: 'walk-in' }}</td>
            <td class="figure">{{ $one->amount }}</td></tr>@endforeach</tbody></table>@endif
        @if($lodgement->pieces->isNotEmpty())<h2 class="mt-3">Notes and coins</h2>
        <table class="ruled small w-auto"><tbody>@foreach($lodgement->pieces as $one)<tr>
            <td class="figure">{{ $one->unit }}</td><td class="figure">× {{ $one->pieces }}</td></tr>@endforeach
        </tbody></table>@endif
    </div>
    <aside>
    @if($left->isPositive())
        <h2>The bank has credited it</h2>
        <form method="post" action="{{ route('safe.credited', $lodgement->id) }}" class="stack" autocomplete="off">@csrf
            <input type="hidden" name="key" value="{{ $key }}">
            <div><label for="amount">What it credited</label><input
                class="form-control text-end @error('amount') is-refused @enderror" id="amount" name="amount"
                    inputmode="decimal" value="{{ old('amount', $left->toString()) }}">
                @include('design.complaint', ['field' => 'amount'])</div>
            <div><label for="credited_on">On</label><input type="date"
                class="form-control @error('day') is-refused @enderror" id="credited_on" name="credited_on"
                    value="{{ old('credited_on', ShopTime::today()->format('Y-m-d')) }}">
                @include('design.complaint', ['field' => 'day'])</div>
            <button class="quiet-act">Post the credit</button></form>
    @endif
    @if(! $left->isZero() && $lodgement->credits->isNotEmpty())
        <h2 class="mt-4">Settle the difference</h2>
        <p class="small soft">The bank credited {{ Show::money($left->abs()) }} {{ $left->isPositive() ? 'less' : 'more'
            }}. Where it does not put that right by another credit, it is written off to bank differences.</p>
        <form method="post" action="{{ route('safe.settle', $lodgement->id) }}" class="stack" autocomplete="off">@csrf
            <input type="hidden" name="key" value="{{ $key }}"><input type="hidden" name="left"
                value="{{ $left->toString() }}">
            <div><label for="reason">What explains it</label><input
                class="form-control @error('reason') is-refused @enderror" id="reason" name="reason" maxlength="200"
                    value="{{ old('reason') }}">@include('design.complaint', ['field' => 'reason'])</div>
            <button class="quiet-act">Settle it</button></form>
    @endif
    </aside>
    </div>
</div>
@endsection
