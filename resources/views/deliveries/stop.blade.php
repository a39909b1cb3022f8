@use('Elmstone\Support\Show')
@extends('layout')
@section('title', "Stop {$stop->order->label}")
@section('main')
@php($order = $stop->order)
<div class="page picking">
    <div class="page-head"><h1>{{ $order->customer->name }}</h1><span class="code soft">{{ $order->label }}</span>
        <div class="end"><a class="quiet-act" href="{{ route('deliveries.run', [$stop->vehicle,
            'day' => $stop->day->format('Y-m-d')]) }}">The run</a></div></div>
    @include('design.messages')
    <p><b>{{ $order->deliver_to }}</b>{{ $order->customer->phone === '' ? '' : " · {$order->customer->phone}" }}{{
        $order->wanted_when === '' ? '' : " · {$order->wanted_when}" }}</p>
    @if($order->note !== '')<div class="note"><p>“{{ $order->note }}”</p></div>@endif
    @if(! $isPlanned)
        <p class="pick-said">{{ ucfirst($stop->state->words()) }} {{ Show::time($stop->ended_at) }}{{
            $stop->signed_by === '' ? '' : ", taken by {$stop->signed_by}" }}{{ $stop->said === '' ? ''
                : ": {$stop->said}" }}</p>
        @if($stop->signature !== null)<svg class="signature" viewBox="0 0 360 90" role="img"
            aria-label="Signature of {{ $stop->signed_by }}"><path d="{{ $stop->signature }}"/></svg>@endif
        <p>{{ $stop->document === null ? $stop->not_invoiced : "Invoice {$stop->document->label}." }}</p>
    @else
        @if($load->collect !== null)<p class="pick-said ochre">Collect {{ $load->collect }} before the goods are handed
            over.</p>@endif
        <form method="post" action="{{ route('deliveries.delivered', $stop) }}" autocomplete="off" x-data="signing"
            @pointerdown="begin" @pointermove.document="draw" @pointerup.document="fill">@csrf
        <input type="hidden" name="version" value="{{ $stop->version }}">
        <table class="ruled pick-lines"><thead><tr><th>Goods</th><th class="figure">Brought</th>
            <th class="figure">Taken</th></tr></thead><tbody>
            @foreach($load->leaving->quantities as $position => $quantity)<tr>
            <td>{{ $order->line($position)->description }} <span class="code soft">{{ $order->line($position)->code
                }}</span></td><td class="figure">{{ Show::decimal($quantity) }}</td>
            <td class="figure"><input class="form-control text-end w-5" name="quantity[{{ $position }}]"
                inputmode="decimal" aria-label="Taken of {{ $order->line($position)->description }}"
                    value="{{ old("quantity.{$position}", Show::decimal($quantity)) }}"></td></tr>@endforeach
        </tbody></table>
        <label class="small soft mt-3" for="name">Taken by</label><input
            class="form-control @error('name') is-refused @enderror" id="name" name="name" maxlength="120"
                value="{{ old('name') }}">@include('design.complaint', ['field' => 'name'])
        <svg class="signature pad mt-2" viewBox="0 0 360 90" role="img" aria-label="Sign here with finger or pen"><path
            d=""/><text x="12" y="80">signed here</text></svg>
        <input type="hidden" name="signature">@include('design.complaint', ['field' => 'signature'])
        <label class="small soft" for="why">What was refused and why, or why it is not delivered</label><input
            class="form-control @error('why') is-refused @enderror" id="why" name="why" maxlength="255"
                value="{{ old('why') }}">@include('design.complaint', ['field' => 'why'])
        @error('refused')<p class="complaint" role="alert">{{ $message }}</p>@enderror
        <div class="d-flex gap-3 mt-3"><button class="main-act narrow">Delivered</button>
        <button class="quiet-act" formaction="{{ route('deliveries.failed', $stop) }}">Not delivered</button></div>
        </form>
    @endif
</div>
@endsection
