@use('Elmstone\Books\DocumentKind')
@use('Elmstone\Support\Show')
@use('Elmstone\Support\ShopTime')
@use('Elmstone\Tills\Days\DayCurve')
@extends('layout')
@section('title', 'Day sheet')
@section('main')
@php([$here, $margin] = [$sheet->location?->id ?? 'all', auth()->user()->can('see-margin')])
@php($to = fn ($day): string => route('day', ['day' => $day->format('Y-m-d'), 'at' => $here]))
<div class="page day-sheet">
    <div class="page-head"><h1>{{ Show::date($sheet->day) }}</h1>
    <span class="soft">{{ $sheet->day->format('l') }} · {{ $sheet->location?->name ?? 'all locations' }} ·
        {{ $house->currency()->code }}</span>
    <span class="ms-auto d-flex gap-3 align-items-baseline no-print">
        <a href="{{ $to($sheet->day->subDay()) }}" rel="prev">the day before</a>
        @if($sheet->day->lessThan(ShopTime::today()))<a href="{{ $to($sheet->day->addDay()) }}" rel="next">the day
            after</a>@endif
        <a class="quiet-act" target="_blank" href="{{ route('day.paper', ['day' => $sheet->day->format('Y-m-d'),
            'at' => $here]) }}">On paper (PDF)</a></span></div>
    <form class="filters no-print" method="get" action="{{ route('day') }}">
        <div><label for="day">Day</label><input type="date" class="form-control" id="day" name="day"
            max="{{ ShopTime::today()->format('Y-m-d') }}" value="{{ $sheet->day->format('Y-m-d') }}"></div>
        <div><label for="at">Where</label><select class="form-select" id="at" name="at">
            @foreach($locations as $one)<option value="{{ $one->id }}" @selected($one->id === $here)>{{ $one->name }}
            </option>@endforeach<option value="all" @selected($here === 'all')>All locations</option></select></div>
        <button class="quiet-act">Show</button></form>
    <div class="split">
    <div>@include('tills.day-tables')</div>
    <aside>
        <dl class="facts">
            <div><dt>Sales</dt><dd>{{ $sheet->sales() }}</dd></div>
            <div><dt>Returns</dt><dd>{{ $sheet->returns() }}</dd></div>
            <div><dt>Average sale</dt><dd>{{ $sheet->average() ?? '–' }}</dd></div>
        </dl>
        @if($signed !== null)<p class="small soft">Closed and signed
            <span class="code">{{ $signed['signature'] }}</span>,
            with the key <span class="code">{{ $signed['key'] }}</span></p>@endif
        <h2 class="mt-3">Hour by hour, before tax</h2>
        @if($sheet->byHour() === [])<p class="soft small">Nothing was sold.</p>@else{!! DayCurve::svg($sheet->byHour())
            !!}@endif
        <h2 class="mt-3">Who sold</h2>
        <table class="ruled small"><tbody>@foreach($sheet->people() as $name => $one)<tr><td>{{ $name }}</td>
            <td class="figure">{{ $one['sales'] }}</td><td class="figure">{{ Show::money($one['net']) }}</td></tr>
            @endforeach</tbody></table>
        @if($sheet->places !== [])<h2 class="mt-3">Drawers, safe and bank</h2>
        <table class="ruled small"><tbody>@foreach($sheet->places as $one)<tr>
            <td>{{ $one['purpose']->title(DocumentKind::Adjustment) }}</td><td class="figure">{{ $one['count'] }}</td>
            <td class="figure">{{ Show::money($one['total']) }}</td></tr>@endforeach</tbody></table>@endif
        <h2 class="mt-3">The same weekday before</h2>
        <table class="ruled small"><tbody>@foreach($sheet->before as $day => $one)<tr>
            <td><a href="{{ route('day', ['day' => $day, 'at' => $here]) }}">{{ Show::date(
                Carbon\CarbonImmutable::parse($day)) }}</a></td><td class="figure">{{ $one['count'] }}</td>
            <td class="figure">{{ Show::money($one['net']) }}</td></tr>@endforeach
            @if($sheet->usual() !== null)<tr class="sum"><td>Against their average of
                {{ Show::money($sheet->usual()) }}</td><td></td>
            <td class="figure"><b>{{ Show::money($sheet->net()->minus($sheet->usual())) }}</b></td></tr>@endif
            </tbody></table>
    </aside>
    </div>
</div>
@endsection
