@use('Elmstone\Deliveries\StopState')
@use('Elmstone\Support\Show')
@extends('layout')
@section('title', "Run of {$vehicle->name}")
@section('main')
<div class="page picking">
    <div class="page-head"><h1>{{ $vehicle->name }}</h1><span class="soft">{{ $day->format('l') }}, {{ Show::date($day)
        }}, {{ $stops->count() }} {{ $stops->count() === 1 ? 'stop' : 'stops' }}</span>
        <div class="end"><a class="quiet-act" href="{{ route('deliveries', ['day' => $day->format('Y-m-d')]) }}">The
            board</a></div></div>
    @include('design.messages')
    @forelse($stops as $stop)
    @php($load = $loads[$stop->id])
    <a class="run-stop {{ $stop->state === StopState::Planned ? '' : 'over' }}"
        href="{{ route('deliveries.stop', $stop) }}"><b class="place">{{ $loop->iteration }}</b>
        <span><b>{{ $stop->order->customer->name }}</b><br>{{ $stop->order->deliver_to }}<br><span class="small soft">{{
            $stop->order->label }}{{ $stop->order->customer->phone === '' ? '' : " · {$stop->order->customer->phone}"
            }}</span></span>
        <span class="text-end">@if($stop->state === StopState::Planned){{ Show::decimal($load->weight) }} kg
            @if($load->collect !== null)<br><b class="ochre">collect {{ $load->collect }}</b>@endif
            @else<b class="{{ $stop->state === StopState::Failed ? 'brick' : 'verdigris' }}">{{ $stop->state->words()
            }}</b>@endif</span></a>
    @empty<p class="soft">No stop is planned for it on this day.</p>@endforelse
</div>
@endsection
