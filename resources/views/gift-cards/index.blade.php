@use('Elmstone\Support\ShopTime')
@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Gift cards')
@section('main')
@php($money = fn (int $minor): string => Show::money($house->money($minor)))
<div class="page">
    @include('returns.parts.nav')
    <div class="page-head"><h1>Gift cards</h1>
    <span class="soft">owed to whoever bears them, as of {{ Show::date($day) }} · {{ $house->currency()->code }}</span>
    </div>
    @include('design.messages')
    <form class="filters" method="post" action="{{ route('gift-cards.find') }}">@csrf<div class="flex-fill">
    <label for="code">What is a card worth? Scan it or type its number</label><input class="form-control" id="code"
        name="code" inputmode="numeric" autocomplete="off" maxlength="24" autofocus></div>
        <button class="quiet-act">Look</button></form>
    <form class="filters" method="get" action="{{ route('gift-cards') }}"><div>
    <label for="as_of">As of</label><input class="form-control" type="date" id="as_of" name="as_of"
        value="{{ $day->format('Y-m-d') }}"></div>
        <button class="quiet-act">Show</button><a class="link-act ms-auto"
            href="{{ route('gift-cards.csv', ShopTime::isToday($day) ? []
                : ['as_of' => $day->format('Y-m-d')]) }}">Save as CSV</a>@error('as_of')
                <p class="complaint w-100">{{ $message }}</p>@enderror</form>
    @if($cards->cards === [])
    <p class="empty">Nothing was owed on gift cards on that day. They are sold at the counter: Alt I.</p>
    @else
    <table class="ruled">
        <thead><tr><th>Card</th><th>Sold</th><th>Good until</th><th></th><th class="figure">Worth</th></tr></thead>
        <tbody>@foreach($cards->cards as $row)<tr><td>
        <a class="code" href="{{ route('gift-cards.show', $row->id) }}">•••• {{ substr($row->code, -4) }}</a></td>
        <td>{{ Show::date(new DateTimeImmutable($row->issued_on)) }}</td>
        <td>{{ $row->expires_on === null ? 'no end' : Show::date(new DateTimeImmutable($row->expires_on)) }}</td>
        <td class="small">
        @if($row->blocked)<span
            class="brick">blocked</span>@elseif($row->expires_on !== null
                && $row->expires_on < $day->format('Y-m-d'))<span class="ochre">expired</span>@endif</td>
                <td class="figure">{{ $money((int) $row->owed) }}</td></tr>@endforeach</tbody>
        <tfoot><tr class="total">
        <td colspan="4">{{ count($cards->cards) }} {{ count($cards->cards) === 1 ? 'card' : 'cards' }}</td>
        <td class="figure">{{ $money($cards->total) }}</td></tr></tfoot>
    </table>
    @endif
</div>
@endsection
