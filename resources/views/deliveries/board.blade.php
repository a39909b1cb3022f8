@use('Elmstone\Deliveries\Board')
@use('Elmstone\Deliveries\StopState')
@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Deliveries')
@section('main')
@php($iso = $day->format('Y-m-d'))
<div class="page">
    <div class="page-head"><h1>Deliveries</h1><span class="soft">{{ $day->format('l') }}, {{ Show::date($day) }}</span>
        <div class="end"><a class="quiet-act" rel="prev"
            href="{{ route('deliveries', ['day' => $day->subDay()->format('Y-m-d')]) }}">Day before</a>
        @if(! $day->isSameDay($today))<a class="quiet-act" href="{{ route('deliveries') }}">Today</a>@endif
        <a class="quiet-act" href="{{ route('deliveries', ['day' => $day->addDay()->format('Y-m-d')]) }}"
            rel="next">Day after</a></div></div>
    @include('design.messages')
    <div class="board" x-data="board" data-day="{{ $iso }}" data-token="{{ csrf_token() }}" @dragstart="begin"
        @dragover="over" @drop="drop" @dragend="end">
    <section class="lane"><h2>On no lorry yet</h2>
        @forelse($waiting as $load)
        <div class="stop" @if($vehicles->isNotEmpty() && ! $day->lessThan($today)) draggable="true"
            data-order="{{ $load->order->label }}" data-put="{{ route('deliveries.put') }}" @endif>
            <div><a class="code" href="{{ route('orders.show', $load->order) }}">{{ $load->order->label }}</a>
                <b>{{ $load->order->customer->name }}</b></div>
            <div class="small {{ $load->order->isLate($today) ? 'brick' : 'soft' }}">{{ $load->order->wanted_on === null
                ? 'no day asked for' : 'wanted '.Show::date($load->order->wanted_on)." {$load->order->wanted_when}" }}
                · {{ Show::decimal($load->weight) }} kg</div>
            <div class="small">{{ $load->order->deliver_to }}</div>
            @if($vehicles->isNotEmpty() && ! $day->lessThan($today))
            <form method="post" action="{{ route('deliveries.put') }}" class="stop-acts">@csrf
                <input type="hidden" name="order" value="{{ $load->order->label }}"><input type="hidden" name="day"
                    value="{{ $iso }}">@foreach($vehicles as $vehicle)<button class="quiet-act" name="vehicle"
                        value="{{ $vehicle->id }}">{{ $vehicle->name }}</button>@endforeach</form>@endif
        </div>
        @empty<p class="small soft">Nothing that is to be brought lies here.</p>@endforelse
    </section>
    @forelse($vehicles as $vehicle)
        @php($its = $stops->get($vehicle->id) ?? collect())
        @php($weight = Board::weight($its->filter(fn ($stop) => $stop->state === StopState::Planned)
            ->map(fn ($stop) => $loads[$stop->id])))
        @php($most = $vehicle->carriesAtMost())
        @php($over = $most !== null && $weight->isGreaterThan($most))
    <section class="lane" @unless($day->lessThan($today)) data-vehicle="{{ $vehicle->id }}" @endunless>
        <h2>{{ $vehicle->name }}</h2>
        <p class="small {{ $over ? 'brick fw-bold' : 'soft' }}">{{ Show::decimal($weight) }}{{ $most === null ? ''
            : ' of '.Show::decimal($most) }} kg{{ $over ? ': too much for it' : '' }}</p>
        @if($its->isNotEmpty())<p class="small"><a href="{{ route('deliveries.run', [$vehicle, 'day' => $iso]) }}">The
            run</a> · <a href="{{ route('deliveries.sheet', [$vehicle, 'day' => $iso]) }}">Run sheet</a></p>@endif
        @foreach($its as $stop)
        @php($load = $loads[$stop->id])
        <div class="stop {{ $stop->state === StopState::Planned ? '' : 'over' }}" id="stop-{{ $stop->id }}"
            @if($stop->state === StopState::Planned) draggable="true" data-version="{{ $stop->version }}"
                data-move="{{ route('deliveries.move', $stop) }}" data-give="{{ route('deliveries.give', $stop) }}"
            @endif>
            <div><b>{{ $loop->iteration }}</b> <a class="code" href="{{ route('orders.show', $stop->order) }}">{{
                $stop->order->label }}</a> <b>{{ $stop->order->customer->name }}</b></div>
            <div class="small">{{ $stop->order->deliver_to }}</div>
            @if($stop->state === StopState::Planned)
            <div class="small soft">{{ $stop->order->wanted_when === '' ? '' : "{$stop->order->wanted_when} · " }}{{
                Show::decimal($load->weight) }} kg{{ $load->collect === null ? ''
                    : ' · collect '.Show::money($load->collect) }}</div>
            @if($load->leaving->isEmpty())<div class="small brick">nothing of it is set aside any more</div>@endif
            <form method="post" class="stop-acts">@csrf<input type="hidden" name="version" value="{{ $stop->version }}">
                <button class="quiet-act" formaction="{{ route('deliveries.move', $stop) }}" name="by" value="-1"
                    aria-label="{{ $stop->order->label }} earlier" @disabled($loop->first)>↑</button>
                <button class="quiet-act" formaction="{{ route('deliveries.move', $stop) }}" name="by" value="1"
                    aria-label="{{ $stop->order->label }} later" @disabled($loop->last)>↓</button>
                <input type="hidden" name="day" value="{{ $iso }}">
                @foreach($vehicles->where('id', '!=', $vehicle->id) as $other)<button class="quiet-act" name="vehicle"
                    value="{{ $other->id }}" formaction="{{ route('deliveries.give', $stop) }}">{{ $other->name }}
                    </button>@endforeach
                <button class="link-act small" formaction="{{ route('deliveries.take-off', $stop) }}">Take
                    off</button></form>
            @else<div class="small {{ $stop->state === StopState::Failed ? 'brick' : 'verdigris' }}">{{
                $stop->state->words() }} {{ Show::time($stop->ended_at) }}{{ $stop->signed_by === '' ? ''
                    : " to {$stop->signed_by}" }}{{ $stop->said === '' ? '' : ": {$stop->said}" }}</div>@endif
        </div>
        @endforeach
    </section>
    @empty<section class="lane"><h2>No lorry yet</h2><p class="small soft">@can('set-house-terms')<a
        href="{{ route('vehicles') }}">Say which lorries there are</a>@else The office says which lorries there
        are.@endcan</p></section>
    @endforelse
    </div>
    @if($open->isNotEmpty())
    <h2 class="mt-4">Delivered, not invoiced yet</h2>
    <table class="ruled">@foreach($open as $stop)<tr>
        <td><a class="code" href="{{ route('orders.show', $stop->order) }}">{{ $stop->order->label }}</a></td>
        <td>{{ $stop->order->customer->name }}</td><td class="small">{{ $stop->not_invoiced }}</td>
        <td class="text-end"><form method="post" action="{{ route('orders.collect', $stop->order) }}"
            class="d-inline">@csrf<button class="quiet-act">Settle at the counter</button></form>
        <form method="post" action="{{ route('deliveries.invoice', $stop) }}" class="d-inline">@csrf
            <button class="quiet-act">Try again</button></form></td></tr>@endforeach</table>
    @endif
    @can('set-house-terms')<p class="small mt-4"><a href="{{ route('vehicles') }}">Lorries of this location</a></p>
    @endcan
</div>
@endsection
