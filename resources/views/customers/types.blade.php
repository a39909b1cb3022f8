@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Types and price levels')
@section('main')
<div class="page">
    <p class="small soft mb-1"><a href="{{ route('customers') }}">Customers</a></p>
    <div class="page-head"><h1>Types and price levels</h1></div>
    @include('design.messages')
    <div class="row g-5">
        <div class="col-7">
            <h2>Types of customers</h2>
            <table class="ruled form-rows"><thead><tr><th>Name</th><th>Price level</th>
            <th class="figure">Discount, %</th><th class="figure">Customers</th><td></td></tr></thead>
                @foreach([...$types, null] as $type)
                    @php($form = 'type-'.($type->id ?? 'new'))
                    <tr><td><form id="{{ $form }}" method="post" action="{{ route('customers.types.save') }}">
                    @csrf<input type="hidden" name="id" value="{{ $type?->id }}"></form>
                    <input class="form-control" form="{{ $form }}" name="name" maxlength="40" aria-label="Name"
                        placeholder="{{ $type === null ? 'another type' : '' }}" value="{{ $type?->name }}"></td>
                        <td><select class="form-select" form="{{ $form }}" name="price_level_id"
                            aria-label="Price level"><option value="">list</option>@foreach($levels as $level)
                            <option value="{{ $level->id }}"
                                @selected($type?->price_level_id === $level->id)>{{ $level->name }}</option>@endforeach
                                </select></td>
                        <td><input class="form-control text-end" form="{{ $form }}" name="discount_percent"
                            inputmode="decimal" size="6" aria-label="Discount in percent"
                                value="{{ $type?->discount_percent === null ? ''
                                    : Show::decimal($type->discount_percent) }}"></td>
                        <td class="figure">{{ $type === null ? '' : ($counts[$type->id] ?? 0) }}</td>
                        <td class="text-end"><button class="quiet-act" form="{{ $form }}">Keep</button></td></tr>
                @endforeach
            </table>
            <h2 class="mt-4">Price levels</h2>
            <table class="ruled form-rows"><thead><tr><th>Name</th><th class="figure">Off the list price, %</th>
            <th class="figure">Items with a price of their own</th><td></td></tr></thead>
                @foreach([...$levels, null] as $level)
                    @php($form = 'level-'.($level->id ?? 'new'))
                    <tr><td><form id="{{ $form }}" method="post" action="{{ route('customers.levels.save') }}">
                    @csrf<input type="hidden" name="id" value="{{ $level?->id }}"></form>
                    <input class="form-control" form="{{ $form }}" name="name" maxlength="40" aria-label="Name"
                        placeholder="{{ $level === null ? 'another level' : '' }}" value="{{ $level?->name }}"></td>
                        <td><input class="form-control text-end" form="{{ $form }}" name="percent_off"
                            inputmode="decimal" size="6" aria-label="Percent off the list price"
                                value="{{ $level === null ? '' : Show::decimal($level->percent_off) }}"></td>
                        <td class="figure">{{ $level === null ? '' : ($own[$level->id] ?? 0) }}</td>
                        <td class="text-end"><button class="quiet-act" form="{{ $form }}">Keep</button></td></tr>
                @endforeach
            </table>
        </div>
        <div class="col-5">
            <h2>An item’s own price at a level</h2>
            <form class="filters" method="get" action="{{ route('customers.types') }}"><div>
            <label for="item">Item code</label><input class="form-control code" id="item" name="item" size="12"
                value="{{ $code }}"></div><button class="quiet-act">Show</button></form>
            @if($item !== null)
                <form method="post" action="{{ route('customers.level-prices.save') }}">
                @csrf<input type="hidden" name="item" value="{{ $item->code }}">
                    <p>{{ $item->description }}, list {{ Show::price($item->list_price) }}{{ $item->price_per > 1
                        ? " per {$item->price_per}" : '' }}</p>
                    <table class="ruled form-rows">@foreach($levels as $level)<tr><td>
                    <label for="price-{{ $level->id }}">{{ $level->name }}</label></td><td>
                    <input class="form-control text-end" id="price-{{ $level->id }}" name="price[{{ $level->id }}]"
                        inputmode="decimal" placeholder="{{ Show::decimal($level->percent_off) }} % off"
                            value="{{ isset($prices[$level->id]) ? Show::price($prices[$level->id]) : '' }}"></td></tr>
                            @endforeach</table>
                    <p class="mt-2"><button class="quiet-act">Keep prices</button></p></form>
            @elseif($code !== '')<p class="complaint">There is no item {{ $code }}.</p>@endif
        </div>
    </div>
</div>
@endsection
