@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'To buy')
@section('main')
<div class="page">
    <div class="page-head"><h1>To buy</h1><span class="soft">for {{ $location->name }}: what customers wait for, and
        what is below its least</span></div>
    @include('design.messages')
    @if($rows === [])<p class="empty">Nothing is to be bought: nobody waits for goods, and everything is above its
        least.</p>@else
    <form method="post" action="{{ route('to-buy.store') }}" autocomplete="off">@csrf
    <input type="hidden" name="key" value="{{ $key }}">
    <table class="ruled"><thead><tr><td></td><th>Item</th><th class="figure">Available</th><th class="figure">Least</th>
        <th class="figure">On order</th><th>Waited for by</th><th class="figure">Buy</th><th>of</th></tr></thead><tbody>
        @foreach($rows as $row)@php($id = $row->item->id)<tr>
            <td><input type="checkbox" class="form-check-input" name="rows[{{ $id }}-buy]" value="1" id="buy{{ $id }}"
                @checked(old('key') === null ? $row->source !== null : old("rows.{$id}-buy"))></td>
            <td><label for="buy{{ $id }}">{{ $row->item->description }} <span
                class="code soft">{{ $row->item->code }}</span></label></td>
            <td class="figure">{{ $row->low === null ? '' : Show::decimal($row->low->available) }}</td>
            <td class="figure soft">{{ $row->low === null ? '' : Show::decimal($row->low->least) }}</td>
            <td class="figure">{{ $row->onOrder->quantity->isZero() ? ''
                : Show::decimal($row->onOrder->quantity) }}@if(! $row->onOrder->quantity->isEqualTo(
                    $row->onOrder->isFree()))<div class="small soft">{{ $row->onOrder->isFree()->isZero() ? 'all'
                        : Show::decimal($row->onOrder->quantity->minus($row->onOrder->isFree())) }} bought for
                        orders</div>@endif</td>
            <td class="small">@foreach(array_slice($row->for, 0, 6) as $one)<a class="code"
                href="{{ route('orders.show', $one->label) }}">{{ $one->label }}</a> {{ $one->who }},
                {{ Show::decimal($one->quantity) }}<br>@endforeach
                @if(count($row->for) > 6)<span class="soft">and {{ count($row->for) - 6 }} more</span>@endif</td>
            <td class="figure"><input class="form-control text-end w-6" name="rows[{{ $id }}-many]" inputmode="decimal"
                aria-label="How many of {{ $row->item->description }}"
                    value="{{ old("rows.{$id}-many", Show::decimal($row->quantity)) }}"></td>
            <td><select class="form-select" name="rows[{{ $id }}-of]" aria-label="Of whom
                {{ $row->item->description }} is bought"><option value="">choose</option>@foreach($suppliers as $one)
                <option value="{{ $one->id }}" @selected((int) old("rows.{$id}-of", $row->source?->supplier_id)
                    === $one->id)>{{ $one->name }}</option>@endforeach</select></td></tr>@endforeach</tbody></table>
    @if(count($rows) >= Elmstone\Purchasing\ToBuy::MOST)<p class="small soft">More is to be bought: it stands here once
        these are.</p>@endif
    <button class="main-act narrow mt-3">Make orders to suppliers</button></form>@endif
</div>
@endsection
