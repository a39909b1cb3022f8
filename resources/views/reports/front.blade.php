@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Today')
@section('main')
<div class="page">
    <div class="page-head"><h1>{{ $today->format('l') }}, {{ Show::date($today) }}</h1>
        <span class="soft">{{ $house->shop()->name }} · {{ $house->currency()->code }}, before tax</span></div>
    <div class="owner">
        @foreach($times as $time)<section>
            <h2>{{ $time->title }}</h2>
            <div class="big"><a class="plain" href="{{ route('reports.show', ['report' => 'sales',
                ...$time->period->query()]) }}">{{ Show::money($time->net) }}</a></div>
            <div class="soft small">{{ number_format($time->sales) }} {{ $time->sales === 1 ? 'sale' : 'sales' }}
                @can('see-margin')· margin {{ Show::money($time->margin) }}@endcan</div>
            <div class="small">{{ $time->beside }}: {{ Show::money($time->before) }}</div>
        </section>@endforeach
    </div>
    <div class="split mt-4">
        <div><h2>Two weeks, day by day</h2>
            @if($bars === '')<p class="soft">Nothing was sold in two weeks.</p>@else<figure
                class="bars-of">{!! $bars !!}<figcaption class="small soft">Outline: two weeks earlier.</figcaption>
            </figure>@endif</div>
        <aside><h2>What needs eyes</h2>
            <table class="ruled small"><tbody>@foreach($eyes as $eye)<tr>
                <td>@if($eye->looks)<span class="ochre fw-bold" title="look here">!</span>@endif</td>
                <td><a class="plain" href="{{ $eye->link }}">{{ $eye->words }}</a></td>
                <td class="figure">{{ $eye->detail }}</td></tr>@endforeach</tbody></table></aside>
    </div>
</div>
@endsection
